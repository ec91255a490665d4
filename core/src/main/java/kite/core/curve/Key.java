package kite.core.curve;

/**
 * One key.
 *
 * @param frame where it stands, in frames
 * @param value in the channel's own unit
 * @param shape how the curve passes it
 * @param inFrames reach of the incoming handle, frames before the key (≥ 0); used by FREE, and by
 *     HOLD where it is not joined
 * @param inValue the incoming handle's value minus the key's
 * @param outFrames reach of the outgoing handle, frames after the key (≥ 0); used by FREE
 * @param outValue the outgoing handle's value minus the key's
 * @param joined whether moving one handle turns the other
 */
public record Key(
    double frame,
    double value,
    KeyShape shape,
    double inFrames,
    double inValue,
    double outFrames,
    double outValue,
    boolean joined) {

  public static Key of(double frame, double value, KeyShape shape) {
    return new Key(frame, value, shape, 0, 0, 0, 0, true);
  }

  public static Key smooth(double frame, double value) {
    return of(frame, value, KeyShape.SMOOTH);
  }

  public Key at(double newFrame, double newValue) {
    return new Key(newFrame, newValue, shape, inFrames, inValue, outFrames, outValue, joined);
  }

  /** The same key in another shape, without handles of its own; see {@link #free} for FREE. */
  public Key withShape(KeyShape newShape) {
    return newShape == KeyShape.FREE
        ? free(inFrames, inValue, outFrames, outValue, joined)
        : of(frame, value, newShape);
  }

  /** A held key that is arrived at along a handle. */
  Key heldFrom(double inF, double inV) {
    return new Key(frame, value, KeyShape.HOLD, inF, inV, 0, 0, false);
  }

  /** The same key as FREE with these handles. */
  public Key free(double inF, double inV, double outF, double outV, boolean join) {
    return new Key(frame, value, KeyShape.FREE, inF, inV, outF, outV, join);
  }

  boolean isFinite() {
    return Double.isFinite(frame + value + inFrames + inValue + outFrames + outValue);
  }
}
