package kite.core.curve;

import java.util.ArrayList;
import java.util.List;

/**
 * Fewer keys for the same curve. Starting from the two ends, each stretch gets a key where its
 * error is greatest until it is within the tolerance everywhere: at every key of the old curve and
 * at three places between each two.
 */
public final class ReduceKeys {
  private static final int BETWEEN = 4;

  /** Frames before the last key at which the slope that leads into it is taken. */
  private static final double JUST_BEFORE = 1e-6;

  private ReduceKeys() {}

  /**
   * @param error the largest distance from the old curve, in the channel's unit
   */
  public record Reduced(Channel channel, double error) {}

  public static Reduced within(Channel channel, double tolerance) {
    if (!(channel instanceof Channel.Curve c) || c.keys().size() < 3)
      return new Reduced(channel, 0);
    Reduced best = null;
    for (Tangent t : Tangent.values()) {
      Reduced r = within(c, tolerance, t);
      if (best == null || keys(r) < keys(best)) best = r;
    }
    return best;
  }

  private static int keys(Reduced r) {
    return ((Channel.Curve) r.channel()).keys().size();
  }

  /** What a kept key's tangent is taken from; which is best shows in how few keys are needed. */
  private enum Tangent {
    /** The old curve's slope at the key: best for few, well-set keys. */
    SLOPE,
    /** The old curve's keys on either side: best for a bake of a smooth motion. */
    NEIGHBOURS,
    /** The kept keys on either side, which noise does not turn. */
    CHORD
  }

  private static Reduced within(Channel.Curve c, double tolerance, Tangent tangent) {
    CompiledCurve old = CompiledCurve.of(c);
    int n = c.keys().size();
    double[] frames = new double[(n - 1) * BETWEEN + 1], wanted = new double[frames.length];
    for (int i = 0; i < frames.length; i++) {
      double f = c.keys().get(i / BETWEEN).frame();
      double end = i + 1 < frames.length ? c.keys().get(i / BETWEEN + 1).frame() : f;
      frames[i] = f + (end - f) * (i % BETWEEN) / BETWEEN;
      wanted[i] = old.value(frames[i]);
    }
    boolean[] kept = new boolean[n];
    kept[0] = kept[n - 1] = true;
    while (true) {
      Channel now =
          new Channel.Curve(tangents(c.keys(), kept, old, tangent), c.before(), c.after());
      CompiledCurve next = CompiledCurve.of(now);
      double worst = 0;
      boolean more = false;
      // every stretch between two kept keys that is not close enough gets one more at its worst
      for (int from = 0, to; from < n - 1; from = to) {
        to = from + 1;
        while (!kept[to]) to++;
        double most = 0;
        int at = from;
        for (int i = from * BETWEEN; i <= to * BETWEEN; i++) {
          double e = Math.abs(wanted[i] - next.value(frames[i]));
          if (e <= most) continue;
          most = e;
          at = (i + BETWEEN / 2) / BETWEEN;
        }
        worst = Math.max(worst, most);
        if (most <= tolerance) continue;
        int free = to - from > 1 ? Math.max(from + 1, Math.min(to - 1, at)) : -1;
        if (free < 0 && tangent == Tangent.CHORD) free = nearestFree(kept, from);
        if (free < 0) return new Reduced(c, 0); // only the old curve itself is close enough
        kept[free] = true;
        more = true;
      }
      if (!more) return new Reduced(now, worst);
    }
  }

  /** The kept keys with handles of a third. */
  private static List<Key> tangents(
      List<Key> all, boolean[] kept, CompiledCurve old, Tangent tangent) {
    List<Key> keys = new ArrayList<>();
    int last = -1;
    for (int i = 0; i < all.size(); i++) {
      if (!kept[i]) continue;
      int next = i + 1;
      while (next < all.size() && !kept[next]) next++;
      Key k = all.get(i);
      boolean first = last < 0, end = next == all.size();
      Key a = all.get(tangent == Tangent.CHORD ? Math.max(0, last) : Math.max(0, i - 1));
      Key b = all.get(Math.min(all.size() - 1, tangent == Tangent.CHORD ? next : i + 1));
      double slope =
          tangent == Tangent.SLOPE || tangent == Tangent.CHORD && (first || end)
              ? old.slope(end ? k.frame() - JUST_BEFORE : k.frame())
              : (b.value() - a.value()) / (b.frame() - a.frame());
      double in = last < 0 ? 0 : (k.frame() - all.get(last).frame()) / 3;
      double out = next == all.size() ? 0 : (all.get(next).frame() - k.frame()) / 3;
      keys.add(k.free(in, -slope * in, out, slope * out, true));
      last = i;
    }
    return keys;
  }

  private static int nearestFree(boolean[] kept, int at) {
    for (int d = 0; d < kept.length; d++) {
      if (at - d >= 0 && !kept[at - d]) return at - d;
      if (at + d < kept.length && !kept[at + d]) return at + d;
    }
    return -1;
  }
}
