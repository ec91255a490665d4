/** What a person's scripts sign in with: tokens that they make and take back. */
package kite.server.token;
