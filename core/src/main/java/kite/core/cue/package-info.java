/**
 * Cues: "from this frame, go to this mix, over so many frames, with this ease". The one mechanism
 * behind attention, focus and framings.
 */
package kite.core.cue;
