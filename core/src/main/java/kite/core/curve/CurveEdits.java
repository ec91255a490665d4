package kite.core.curve;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/** What an artist does to keys. Every method gives a new channel and leaves the old one alone. */
public final class CurveEdits {
  /** Two handles are on one line when their cross product is this small a share of its terms. */
  private static final double ON_ONE_LINE = 1e-9;

  private CurveEdits() {}

  /**
   * Puts a key on its frame, in place of any that stands there. A fixed channel becomes a curve.
   */
  public static Channel put(Channel channel, Key key) {
    List<Key> keys = keysOf(channel);
    keys.removeIf(k -> k.frame() == key.frame());
    keys.add(key);
    return rebuilt(channel, keys);
  }

  /**
   * Sets the value at a frame: moves the key that stands there, or adds one whose shape is that of
   * the key before it.
   */
  public static Channel setValue(Channel channel, double frame, double value) {
    List<Key> keys = keysOf(channel);
    KeyShape shape = KeyShape.SMOOTH;
    for (Key k : keys) {
      if (k.frame() == frame) return put(channel, k.at(frame, value));
      if (k.frame() < frame && k.shape() != KeyShape.FREE) shape = k.shape();
    }
    return put(channel, Key.of(frame, value, shape));
  }

  /**
   * Adds a key on the curve without changing its shape: the segment is split by de Casteljau's
   * construction, so both new halves trace the old one. Extrapolation the keys it stands on what
   * holds there; where they repeat, it goes to its place among them, since a key beyond would
   * change the period.
   *
   * @return the channel itself where a key stands already, and where a key beyond the one end would
   *     change the period in which the other end repeats
   */
  public static Channel insert(Channel channel, double frame) {
    List<Key> keys = keysOf(channel);
    if (keys.isEmpty()) return put(channel, Key.smooth(frame, channel.at(frame)));
    int last = keys.size() - 1;
    if (frame < keys.get(0).frame() || frame > keys.get(last).frame())
      return beyond((Channel.Curve) channel, keys, frame);
    int i = -1;
    for (int k = 0; k <= last; k++) {
      if (keys.get(k).frame() == frame) return channel;
      if (keys.get(k).frame() < frame) i = k;
    }
    Key a = keys.get(i), b = keys.get(i + 1);
    if (a.shape() == KeyShape.HOLD
        || a.shape() == KeyShape.STRAIGHT && b.shape() == KeyShape.STRAIGHT) {
      return put(channel, Key.of(frame, channel.at(frame), a.shape()));
    }
    Handles h = Handles.of(keys, i);
    double length = b.frame() - a.frame();
    double t = solve(h.outFrames(), length - h.inFrames(), length, frame - a.frame());
    double[] f = split(0, h.outFrames(), length - h.inFrames(), length, t);
    double[] v = split(a.value(), a.value() + h.outValue(), b.value() + h.inValue(), b.value(), t);
    Key mid =
        Key.smooth(frame, v[2]).free(f[2] - f[1], v[1] - v[2], f[3] - f[2], v[3] - v[2], true);
    List<Key> now = new ArrayList<>(keys);
    leaves(keys, now, i, f[0], v[0] - a.value());
    if (b.shape() != KeyShape.HOLD) arrives(keys, now, i + 1, length - f[4], v[4] - b.value());
    else now.set(i + 1, b.heldFrom(length - f[4], v[4] - b.value()));
    now.add(i + 1, mid);
    return rebuilt(channel, now);
  }

  private static Channel beyond(Channel.Curve c, List<Key> keys, double frame) {
    int last = keys.size() - 1;
    boolean after = frame > keys.get(last).frame();
    Extrapolation rule = after ? c.after() : c.before();
    double first = keys.get(0).frame(), period = keys.get(last).frame() - first;
    if (last > 0 && repeats(rule)) {
      double in = frame - Math.floor((frame - first) / period) * period;
      return insert(c, Math.max(first, Math.min(keys.get(last).frame(), in)));
    }
    if (last > 0 && repeats(after ? c.before() : c.after())) return c;
    Key edge = keys.get(after ? last : 0);
    double value = c.at(frame), reach = Math.abs(frame - edge.frame()) / 3;
    double rise = (value - edge.value()) / 3;
    boolean level = rise == 0;
    List<Key> now = new ArrayList<>(keys);
    if (after && edge.shape() == KeyShape.HOLD) {
      now.add(Key.of(frame, value, KeyShape.HOLD));
    } else if (level && edge.shape() != KeyShape.FREE) {
      now.add(Key.smooth(frame, value)); // beside a level stretch every other shape is level
    } else {
      if (after) leaves(keys, now, last, reach, rise);
      else if (edge.shape() != KeyShape.HOLD) arrives(keys, now, 0, reach, rise);
      now.add(
          Key.smooth(frame, value)
              .free(reach, after ? -rise : rise, reach, after ? rise : -rise, true));
    }
    return rebuilt(c, now);
  }

  private static boolean repeats(Extrapolation rule) {
    return rule == Extrapolation.REPEAT || rule == Extrapolation.REPEAT_OFFSET;
  }

  /** A key's outgoing handle; its incoming one goes on as the curve has it. */
  private static void leaves(List<Key> keys, List<Key> now, int i, double reach, double rise) {
    Key k = keys.get(i);
    double[] in = {k.inFrames(), k.inValue()};
    if (k.shape() != KeyShape.FREE && i > 0) {
      Handles h = Handles.of(keys, i - 1);
      in = new double[] {h.inFrames(), h.inValue()};
      Key before = now.get(i - 1); // its own handle may have been shortened together with this one
      if (before.shape() == KeyShape.FREE)
        now.set(
            i - 1,
            before.free(
                before.inFrames(), before.inValue(), h.outFrames(), h.outValue(), before.joined()));
    }
    now.set(i, k.free(in[0], in[1], reach, rise, staysJoined(k, in[0], in[1], reach, rise)));
  }

  private static void arrives(List<Key> keys, List<Key> now, int i, double reach, double rise) {
    Key k = keys.get(i);
    double[] out = {k.outFrames(), k.outValue()};
    if (k.shape() != KeyShape.FREE && i + 1 < keys.size()) {
      Handles h = Handles.of(keys, i);
      out = new double[] {h.outFrames(), h.outValue()};
      Key after = now.get(i + 1);
      if (after.shape() == KeyShape.FREE)
        now.set(
            i + 1,
            after.free(
                h.inFrames(), h.inValue(), after.outFrames(), after.outValue(), after.joined()));
    }
    now.set(i, k.free(reach, rise, out[0], out[1], staysJoined(k, reach, rise, out[0], out[1])));
  }

  /** Whether a key that was joined has both handles on one line still. */
  private static boolean staysJoined(Key k, double inF, double inV, double outF, double outV) {
    double cross = inF * outV + outF * inV;
    return k.joined()
        && Math.abs(cross) <= ON_ONE_LINE * (Math.abs(inF * outV) + Math.abs(outF * inV));
  }

  private static double solve(double f1, double f2, double length, double f) {
    double low = 0, high = 1;
    for (int i = 0; i < 80; i++) {
      double t = (low + high) / 2;
      if (split(0, f1, f2, length, t)[2] < f) low = t;
      else high = t;
    }
    return (low + high) / 2;
  }

  /** De Casteljau at t: {left1, left2, point, right1, right2}. */
  private static double[] split(double p0, double p1, double p2, double p3, double t) {
    double a = p0 + (p1 - p0) * t, b = p1 + (p2 - p1) * t, c = p2 + (p3 - p2) * t;
    double ab = a + (b - a) * t, bc = b + (c - b) * t;
    return new double[] {a, ab, ab + (bc - ab) * t, bc, c};
  }

  /** Takes away the keys on these frames; the last key's value stays as a fixed value. */
  public static Channel remove(Channel channel, List<Double> frames) {
    List<Key> keys = keysOf(channel);
    if (keys.isEmpty()) return channel;
    double left = keys.get(0).value();
    keys.removeIf(k -> frames.contains(k.frame()));
    return keys.isEmpty() ? Channel.fixed(left) : rebuilt(channel, keys);
  }

  /**
   * Moves the keys on these frames by an amount of frames and of value. A moved key replaces an
   * unmoved one it lands on.
   */
  public static Channel move(
      Channel channel, List<Double> frames, double byFrames, double byValue) {
    List<Key> keys = keysOf(channel), moved = new ArrayList<>();
    for (Key k : keys) {
      if (frames.contains(k.frame())) moved.add(k.at(k.frame() + byFrames, k.value() + byValue));
    }
    keys.removeIf(
        k -> frames.contains(k.frame()) || moved.stream().anyMatch(m -> m.frame() == k.frame()));
    keys.addAll(moved);
    return rebuilt(channel, keys);
  }

  /** Gives the keys on these frames a shape. Turning FREE starts from the handles in use. */
  public static Channel shape(Channel channel, List<Double> frames, KeyShape shape) {
    List<Key> keys = keysOf(channel), result = new ArrayList<>();
    for (int i = 0; i < keys.size(); i++) {
      Key k = keys.get(i);
      if (!frames.contains(k.frame())) {
        result.add(k);
      } else if (shape == KeyShape.FREE) {
        Handles in = i > 0 ? Handles.of(keys, i - 1) : Handles.NONE;
        Handles out = i + 1 < keys.size() ? Handles.of(keys, i) : Handles.NONE;
        result.add(
            k.free(in.inFrames(), in.inValue(), out.outFrames(), out.outValue(), k.joined()));
      } else {
        result.add(k.withShape(shape));
      }
    }
    return rebuilt(channel, result);
  }

  /**
   * Drags one handle of the key on a frame; the key turns FREE. When joined, the other handle turns
   * with it and keeps its reach.
   */
  public static Channel dragHandle(
      Channel channel, double frame, boolean outgoing, double reachFrames, double rise) {
    Channel free = shape(channel, List.of(frame), KeyShape.FREE);
    return mapKey(
        free,
        frame,
        k -> {
          double reach = Math.max(0, reachFrames);
          double other = outgoing ? k.inFrames() : k.outFrames();
          double otherRise = outgoing ? k.inValue() : k.outValue();
          if (k.joined() && reach > 0) otherRise = -rise * other / reach;
          return outgoing
              ? k.free(other, otherRise, reach, rise, k.joined())
              : k.free(reach, rise, other, otherRise, k.joined());
        });
  }

  private static Channel mapKey(Channel channel, double frame, UnaryOperator<Key> change) {
    List<Key> keys = keysOf(channel);
    keys.replaceAll(k -> k.frame() == frame ? change.apply(k) : k);
    return rebuilt(channel, keys);
  }

  private static List<Key> keysOf(Channel channel) {
    return channel instanceof Channel.Curve c ? new ArrayList<>(c.keys()) : new ArrayList<>();
  }

  private static Channel rebuilt(Channel old, List<Key> keys) {
    if (keys.isEmpty()) return old;
    keys.sort((a, b) -> Double.compare(a.frame(), b.frame()));
    return old instanceof Channel.Curve c
        ? new Channel.Curve(keys, c.before(), c.after())
        : new Channel.Curve(keys);
  }
}
