package kite.core.curve;

import java.util.List;

/**
 * The handles a segment really uses, after its keys' shapes are applied. SMOOTH takes the slope of
 * Fritsch and Butland's three-point harmonic mean (1984), which never overshoots and is flat at
 * extremes; FREE handles are shortened together so that frame always moves forward. A HOLD key is
 * arrived at level, or along its own incoming handle where it has one and is not joined.
 *
 * @param outFrames how far the handle of the segment's first key reaches, in frames ≥ 0, with
 *     {@code outValue} relative to that key
 * @param inFrames how far that of its last key reaches back, with {@code inValue} relative to it
 */
public record Handles(double outFrames, double outValue, double inFrames, double inValue) {
  /** None at all: as before the first key. */
  public static final Handles NONE = new Handles(0, 0, 0, 0);

  /** Handles of the segment from key {@code i} to key {@code i + 1}. */
  public static Handles of(List<Key> keys, int i) {
    Key a = keys.get(i), b = keys.get(i + 1);
    double length = b.frame() - a.frame(), third = length / 3;
    double chord = (b.value() - a.value()) / length;
    double outF = third, outV, inF = third, inV;
    switch (a.shape()) {
      case FREE:
        outF = a.outFrames();
        outV = a.outValue();
        break;
      case SMOOTH:
        outV = smoothSlope(keys, i) * third;
        break;
      default:
        outV = chord * third;
    }
    switch (b.shape()) {
      case FREE:
        inF = b.inFrames();
        inV = b.inValue();
        break;
      case SMOOTH:
        inV = -smoothSlope(keys, i + 1) * third;
        break;
      case HOLD:
        boolean own = !b.joined() && b.inFrames() > 0;
        if (own) inF = b.inFrames();
        inV = own ? b.inValue() : 0;
        break;
      default:
        inV = -chord * third;
    }
    // frame never turns back just when out + in − √(out · in) is no more than the length
    double reach = outF + inF - Math.sqrt(outF * inF);
    double k = reach > length ? length / reach : 1;
    return new Handles(outF * k, outV * k, inF * k, inV * k);
  }

  /**
   * The slope of a SMOOTH key in value per frame. A key with a neighbour on one side only is flat.
   */
  static double smoothSlope(List<Key> keys, int i) {
    if (i == 0 || i == keys.size() - 1) return 0;
    Key p = keys.get(i - 1), k = keys.get(i), n = keys.get(i + 1);
    double h0 = k.frame() - p.frame(), h1 = n.frame() - k.frame();
    double d0 = (k.value() - p.value()) / h0, d1 = (n.value() - k.value()) / h1;
    if (d0 * d1 <= 0 || p.shape() == KeyShape.HOLD) return 0;
    double w0 = 2 * h1 + h0, w1 = h1 + 2 * h0;
    return (w0 + w1) / (w0 / d0 + w1 / d1);
  }
}
