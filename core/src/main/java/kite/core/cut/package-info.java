/** The cut: which camera is live, frame by frame, and how frames are counted out loud. */
package kite.core.cut;
