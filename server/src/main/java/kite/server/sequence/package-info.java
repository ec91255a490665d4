/** Sequences, their edits and the journal. */
package kite.server.sequence;
