/** The cut as OpenTimelineIO. */
package kite.exchange.cut;
