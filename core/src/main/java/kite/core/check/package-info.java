/**
 * What is looked at before a shot leaves, from everywhere: the cut, the moves, lens and focus,
 * keys, plates; with how much it weighs, what would mend it, and what mends it by itself.
 */
package kite.core.check;
