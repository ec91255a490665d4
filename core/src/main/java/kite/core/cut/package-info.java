/** The cut: which camera is live, frame by frame. */
package kite.core.cut;
