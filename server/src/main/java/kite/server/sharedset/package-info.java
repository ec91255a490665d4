/** Sets that the sequences of a production share, with their versions. */
package kite.server.sharedset;
