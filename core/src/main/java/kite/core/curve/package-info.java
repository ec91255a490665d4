/**
 * Channels: one number over time. A channel is a fixed value or a curve of keys; a compiled curve
 * gives values and exact slopes without allocating. Frames are doubles, so sub-frames work.
 */
package kite.core.curve;
