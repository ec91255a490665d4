/** The cut and the baked cameras as files other programs open. */
package kite.server.handover;
