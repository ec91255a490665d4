package kite.core.rig.attention;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/**
 * Stretches of frames within which something holds, found by walking whole frames either way from
 * one of them and closing in on the ends. What is found serves all the frames inside it.
 *
 * @param <S> what is known of a stretch
 */
final class Stretches<S extends Stretches.Stretch> {
  /** Where the two looks beside a false position are, as a share of what is left. */
  private static final double BESIDE = 1e-3;

  /** Says how far inside a frame is: above 0 inside, 0 or less outside. */
  interface Depth {
    double at(double frame);
  }

  /** A stretch from one frame to another. */
  static class Stretch {
    /** Where it begins: not inside any more, unless it is the first frame looked at. */
    double from;

    /** Where it ends, likewise. */
    double to;

    /** Whether it begins where the rule begins to hold, not where looking ends. */
    boolean opens;

    /** Whether it ends where the rule ceases to hold. */
    boolean closes;
  }

  private final Depth depth;
  private final Supplier<S> making;
  private final List<S> known = new ArrayList<>();

  Stretches(Depth depth, Supplier<S> making) {
    this.depth = depth;
    this.making = making;
  }

  void forget() {
    known.clear();
  }

  /** The known stretch that holds a frame, or null. */
  S of(double frame) {
    for (int i = 0; i < known.size(); i++) {
      S s = known.get(i);
      if (s.from <= frame && frame <= s.to) return s;
    }
    return null;
  }

  /**
   * Finds the ends of the stretch round a frame that is inside, and keeps it. Whole frames alone
   * say what is inside, so that a stretch is the same from all its frames; one that comes and goes
   * between two of them is none.
   *
   * @param first the first whole frame looked at
   * @param last the last one
   * @return the one found, with only its ends filled, or null where there is none
   */
  S find(double frame, int first, int last) {
    double in = Math.floor(frame);
    if (depth.at(in) <= 0 && depth.at(in = Math.ceil(frame)) <= 0) return null;
    if (in < first || in > last || of(in) != null) return null;
    S found = making.get();
    double k = in - 1, from = in;
    while (k >= first && depth.at(k) > 0) from = k--;
    found.opens = k >= first;
    found.from = found.opens ? edge(k, from) : first;
    double to = in;
    k = in + 1;
    while (k <= last && depth.at(k) > 0) to = k++;
    found.closes = k <= last;
    found.to = found.closes ? edge(k, to) : last;
    if (found.to <= found.from) return null;
    known.add(found);
    return found;
  }

  /**
   * The end between a frame outside and one inside, to the last digit so that it is the same from
   * every frame. Where the depth changes evenly two looks beside the false position close in
   * quickly; where it jumps, halving does.
   */
  private double edge(double out, double in) {
    double dOut = depth.at(out), dIn = depth.at(in);
    while (dOut < 0) {
      double mid = (out + in) / 2;
      if (mid == out || mid == in) break;
      double guess = out + (in - out) * dOut / (dOut - dIn), beside = (in - out) * BESIDE;
      double[] looks = {guess - beside, guess + beside, mid};
      for (int i = 0; i < looks.length && dOut < 0; i++) {
        double at = looks[i];
        if (i == 2 && Math.abs(in - out) < Math.abs(beside) * 4) break;
        if (at == out || at == in || (at - out) * (at - in) > 0) continue;
        double d = depth.at(at);
        if (d > 0) {
          in = at;
          dIn = d;
        } else {
          out = at;
          dOut = d;
        }
      }
    }
    return out;
  }
}
