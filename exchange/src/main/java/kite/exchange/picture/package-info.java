/** Rendered pictures as files: OpenEXR with its passes, and PNG. */
package kite.exchange.picture;
