/**
 * Watchers: addresses of other programs that are told, signed, of what happens in a production.
 * What is to be told is written with what happened (the outbox), and told again until it is taken.
 */
package kite.server.watch;
