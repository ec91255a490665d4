/**
 * What one asks of cues in a word: attend to this, turn to that, hold what is, pull focus, let go.
 * Each becomes commands.
 */
package kite.core.cueing;
