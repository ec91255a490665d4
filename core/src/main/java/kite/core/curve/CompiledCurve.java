package kite.core.curve;

import java.util.List;

/**
 * A channel ready for evaluation: each segment is a cubic Bézier in (frame, value) held as
 * polynomial coefficients. Where a segment's handles stand at thirds of its length, frame is a
 * straight function of the parameter and nothing has to be solved; otherwise the parameter is found
 * to 1e-9 of a frame by Newton steps kept inside a shrinking bracket.
 *
 * <p>Holds a cursor to the last segment used, so an instance belongs to one thread; fixed ones have
 * no segments, and are shared. Asking for a value never allocates, and the order of asking never
 * changes the answer.
 */
public final class CompiledCurve {
  /**
   * Handles this near to a third of the segment, as a share of it, make frame and parameter one.
   */
  private static final double EVEN = 1e-12;

  /**
   * Frames per parameter below which the curve stands still there, and its slope is read beside it.
   */
  private static final double NO_SPEED = 1e-12;

  /** How far beside, in the parameter. */
  private static final double BESIDE = 1e-6;

  private static final double FRAME_TOLERANCE = 1e-9;
  private static final double THIRD = 1.0 / 3;

  /** A share of a period within which a frame is its end. */
  private static final double ROUNDING = 1e-12;

  /** A segment's row: coefficients of the value, by rising powers of the parameter, … */
  private static final int V0 = 0;

  private static final int V1 = 1;
  private static final int V2 = 2;
  private static final int V3 = 3;

  /** … of the frames since its start, likewise, … */
  private static final int F1 = 4;

  private static final int F2 = 5;
  private static final int F3 = 6;

  /** … and 1 where the frame is a straight function of the parameter. */
  private static final int STRAIGHT = 7;

  private static final int ROW = 8;

  /** What all fixed ones begin on, and the segments they have not: most channels are fixed. */
  private static final double[] AT_ONCE = {0};

  private static final double[] NO_SEGMENTS = {};

  /** What most channels are that nobody has touched. */
  private static final CompiledCurve ZERO = new CompiledCurve(0), ONE = new CompiledCurve(1);

  private final double[] start; // first frame of each segment, then the last key's frame
  private final double[] value; // value at each key
  private final double[] c; // a row for each segment
  private final Extrapolation before;
  private final Extrapolation after;
  private final double slopeIn;
  private final double slopeOut;
  private int cursor;

  private CompiledCurve(double fixed) {
    start = AT_ONCE;
    value = new double[] {fixed};
    c = NO_SEGMENTS;
    before = after = Extrapolation.HOLD;
    slopeIn = slopeOut = 0;
  }

  private CompiledCurve(Channel.Curve curve) {
    List<Key> keys = curve.keys();
    int n = keys.size();
    start = new double[n];
    value = new double[n];
    for (int i = 0; i < n; i++) {
      start[i] = keys.get(i).frame();
      value[i] = keys.get(i).value();
    }
    c = new double[Math.max(0, n - 1) * ROW];
    for (int i = 0; i + 1 < n; i++) compileSegment(keys, i);
    before = curve.before();
    after = curve.after();
    slopeIn = n > 1 ? segmentSlope(0, 0) : 0;
    slopeOut = n > 1 ? segmentSlope(n - 2, 1) : 0;
  }

  public static CompiledCurve of(Channel channel) {
    return channel instanceof Channel.Curve curve
        ? new CompiledCurve(curve)
        : fixed(((Channel.Fixed) channel).value());
  }

  private static CompiledCurve fixed(double value) {
    if (value == 1) return ONE;
    return value == 0 && 1 / value > 0 ? ZERO : new CompiledCurve(value); // −0 stays what it is
  }

  private void compileSegment(List<Key> keys, int i) {
    Key a = keys.get(i), b = keys.get(i + 1);
    double length = b.frame() - a.frame();
    int o = i * ROW;
    if (a.shape() == KeyShape.HOLD) {
      c[o + V0] = a.value();
      c[o + F1] = length;
      c[o + STRAIGHT] = 1;
      return;
    }
    Handles h = Handles.of(keys, i);
    double f1 = h.outFrames(), v1 = h.outValue();
    double f2 = length - h.inFrames(), v2 = b.value() - a.value() + h.inValue();
    double rise = b.value() - a.value();
    c[o + V0] = a.value();
    c[o + V1] = 3 * v1;
    c[o + V2] = 3 * (v2 - 2 * v1);
    c[o + V3] = rise + 3 * (v1 - v2);
    c[o + F1] = 3 * f1;
    c[o + F2] = 3 * (f2 - 2 * f1);
    c[o + F3] = length + 3 * (f1 - f2);
    if (Math.abs(f1 - length * THIRD) < EVEN * length
        && Math.abs(f2 - 2 * length * THIRD) < EVEN * length) {
      c[o + F1] = length;
      c[o + F2] = c[o + F3] = 0;
      c[o + STRAIGHT] = 1;
    }
  }

  /** Whether the value is the same on every frame. */
  public boolean isFixed() {
    return start.length == 1;
  }

  /** The value at a frame, in the channel's unit. */
  public double value(double frame) {
    int last = start.length - 1;
    if (last == 0) return value[0];
    if (frame < start[0]) return beyond(frame, before, start[0], value[0], slopeIn);
    if (frame >= start[last]) {
      return frame == start[last]
          ? value[last]
          : beyond(frame, after, start[last], value[last], slopeOut);
    }
    return inside(frame);
  }

  private double beyond(
      double frame, Extrapolation rule, double edge, double edgeValue, double slope) {
    switch (rule) {
      case HOLD:
        return edgeValue;
      case STRAIGHT:
        return edgeValue + slope * (frame - edge);
      default:
        // a period ends with the last key, as the first one does
        int last = start.length - 1;
        double period = start[last] - start[0];
        double turns = Math.ceil((frame - start[0]) / period) - 1;
        double in = frame - turns * period;
        double v =
            in >= start[last] - ROUNDING * period ? value[last] : inside(Math.max(in, start[0]));
        return rule == Extrapolation.REPEAT ? v : v + turns * (value[last] - value[0]);
    }
  }

  private double inside(double frame) {
    int s = segment(frame), o = s * ROW;
    double t = parameter(o, frame - start[s]);
    return c[o + V0] + t * (c[o + V1] + t * (c[o + V2] + t * c[o + V3]));
  }

  /** The exact slope at a frame, in units per frame; at a key, the slope of what follows. */
  public double slope(double frame) {
    int last = start.length - 1;
    if (last == 0) return 0;
    if (frame < start[0] || frame >= start[last]) {
      Extrapolation rule = frame < start[0] ? before : after;
      if (rule == Extrapolation.HOLD) return 0;
      if (rule == Extrapolation.STRAIGHT) return frame < start[0] ? slopeIn : slopeOut;
      double period = start[last] - start[0];
      frame -= Math.floor((frame - start[0]) / period) * period;
    }
    int s = segment(frame);
    return segmentSlope(s, parameter(s * ROW, frame - start[s]));
  }

  private double segmentSlope(int s, double t) {
    int o = s * ROW;
    double dv = c[o + V1] + t * (2 * c[o + V2] + t * 3 * c[o + V3]);
    double df = c[o + F1] + t * (2 * c[o + F2] + t * 3 * c[o + F3]);
    if (df <= NO_SPEED) { // a handle of no reach: the slope is that of the chord beside it
      double u = t < 0.5 ? t + BESIDE : t - BESIDE;
      dv = c[o + V1] + u * (2 * c[o + V2] + u * 3 * c[o + V3]);
      df = c[o + F1] + u * (2 * c[o + F2] + u * 3 * c[o + F3]);
    }
    return df <= 0 ? 0 : dv / df;
  }

  private int segment(double frame) {
    int s = cursor;
    if (frame >= start[s] && frame < start[s + 1]) return s;
    if (s + 2 < start.length && frame >= start[s + 1] && frame < start[s + 2])
      return cursor = s + 1;
    int low = 0, high = start.length - 2;
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      if (start[mid] <= frame) low = mid;
      else high = mid - 1;
    }
    return cursor = low;
  }

  private double parameter(int o, double f) {
    double c1 = c[o + F1];
    if (c[o + STRAIGHT] == 1) return f / c1;
    double c2 = c[o + F2], c3 = c[o + F3], low = 0, high = 1;
    double t = Math.min(1, Math.max(0, f / (c1 + c2 + c3)));
    for (int i = 0; i < 60; i++) {
      double error = t * (c1 + t * (c2 + t * c3)) - f;
      if (Math.abs(error) < FRAME_TOLERANCE) return t;
      if (error > 0) high = t;
      else low = t;
      double d = c1 + t * (2 * c2 + t * 3 * c3);
      double next = d > NO_SPEED ? t - error / d : -1;
      t = next > low && next < high ? next : (low + high) / 2;
    }
    return t;
  }
}
