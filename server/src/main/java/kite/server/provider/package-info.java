/** Signing in by a provider of the studio's own, with OpenID Connect, where one is given. */
package kite.server.provider;
