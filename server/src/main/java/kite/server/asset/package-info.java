/** Models, kept once each under the SHA-256 of their file. */
package kite.server.asset;
