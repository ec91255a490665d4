/** Tells every page that has a sequence open what changed in it. */
package kite.server.live;
