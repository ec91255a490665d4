package kite.core.curve;

import java.util.ArrayList;
import java.util.List;

/**
 * Fewer keys for the same curve. Starting from the two ends, each stretch gets a key where its
 * error is greatest until it is within the tolerance everywhere: at every key of the old curve, at
 * seven places between each two, and at the peaks of the parabolas through these. A stretch between
 * two neighbouring keys that no new tangents fit (a held one, a corner) stays as it was.
 */
public final class ReduceKeys {
  private static final int BETWEEN = 8;

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
    boolean[] kept = new boolean[n], asItWas = new boolean[n];
    kept[0] = kept[n - 1] = true;
    for (int i = 0; i + 1 < n; i++)
      if (c.keys().get(i).shape() == KeyShape.HOLD
          && c.keys().get(i).value() != c.keys().get(i + 1).value())
        asItWas[i] = kept[i] = kept[i + 1] = true;
    double[] error = new double[frames.length];
    while (true) {
      Channel now =
          new Channel.Curve(tangents(c.keys(), kept, asItWas, old, tangent), c.before(), c.after());
      CompiledCurve next = CompiledCurve.of(now);
      double worst = 0;
      boolean more = false;
      // every stretch between two kept keys that is not close enough gets one more at its worst
      for (int from = 0, to; from < n - 1; from = to) {
        to = from + 1;
        while (!kept[to]) to++;
        if (asItWas[from]) continue;
        for (int i = from * BETWEEN; i <= to * BETWEEN; i++)
          error[i] =
              wanted[i] - (i == to * BETWEEN ? c.keys().get(to).value() : next.value(frames[i]));
        double most = 0;
        int at = from;
        for (int i = from * BETWEEN; i <= to * BETWEEN; i++) {
          double e = peak(error, i, from * BETWEEN, to * BETWEEN);
          if (e <= most) continue;
          most = e;
          at = (i + BETWEEN / 2) / BETWEEN;
        }
        if (most <= tolerance) {
          worst = Math.max(worst, most);
          continue;
        }
        more = true;
        if (to - from > 1) kept[Math.max(from + 1, Math.min(to - 1, at))] = true;
        else asItWas[from] = true;
      }
      if (!more) return new Reduced(now, worst);
    }
  }

  /** The largest error beside a sample: that of the parabola through it and its neighbours. */
  private static double peak(double[] e, int i, int from, int to) {
    double here = Math.abs(e[i]);
    if (i == from || i == to) return here;
    double bend = e[i - 1] - 2 * e[i] + e[i + 1], slope = (e[i + 1] - e[i - 1]) / 2;
    if (bend == 0 || Math.abs(slope) > Math.abs(bend)) return here;
    return Math.max(here, Math.abs(e[i] - slope * slope / (2 * bend)));
  }

  /** The kept keys with handles of a third, and those of the old curve where that stays. */
  private static List<Key> tangents(
      List<Key> all, boolean[] kept, boolean[] asItWas, CompiledCurve old, Tangent tangent) {
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
      boolean corner = i > 0 && asItWas[i - 1] || asItWas[i];
      double slope =
          tangent == Tangent.SLOPE || corner || tangent == Tangent.CHORD && (first || end)
              ? old.slope(end ? k.frame() - JUST_BEFORE : k.frame())
              : (b.value() - a.value()) / (b.frame() - a.frame());
      double before = corner ? old.slope(k.frame() - JUST_BEFORE) : slope;
      double in = last < 0 ? 0 : (k.frame() - all.get(last).frame()) / 3;
      double out = end ? 0 : (all.get(next).frame() - k.frame()) / 3;
      Handles drawn = new Handles(out, slope * out, in, -before * in);
      Handles arriving = i > 0 && asItWas[i - 1] ? Handles.of(all, i - 1) : drawn;
      Handles leaving = asItWas[i] ? Handles.of(all, i) : drawn;
      boolean holds = asItWas[i] && k.shape() == KeyShape.HOLD;
      keys.add(
          holds
              ? Key.of(k.frame(), k.value(), KeyShape.HOLD)
              : k.free(
                  arriving.inFrames(),
                  arriving.inValue(),
                  leaving.outFrames(),
                  leaving.outValue(),
                  !corner));
      last = i;
    }
    return keys;
  }
}
