/** Numbers as people write and read them: units, arithmetic, timecode. */
package kite.core.number;
