/** A small offset over a finished move, for a note. */
package kite.core.rig.trim;
