/** Figures of a running server, for whatever a studio watches its machines with. */
package kite.server.metrics;
