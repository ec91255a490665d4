package kite.core.evaluate;

import java.util.ArrayList;
import java.util.List;

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
  private final List<S> known = new ArrayList<>();

  Stretches(Depth depth) {
    this.depth = depth;
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
   * Finds the ends of the stretch round a frame that is inside, and keeps it.
   *
   * @param first the first whole frame looked at
   * @param last the last one
   */
  void find(double frame, int first, int last, S found) {
    double before = Math.ceil(frame) - 1, after = Math.floor(frame) + 1;
    // ends lie between whole frames where they can, so that they are the same from every frame
    double in = after <= last && depth.at(after) > 0 ? after : frame, k = Math.floor(frame);
    if (k == frame) in = k--;
    while (k >= first && depth.at(k) > 0) in = k--;
    found.opens = k >= first;
    found.from = found.opens ? edge(k, in) : first;
    if (found.from > frame) found.from = edge(Math.floor(frame), frame);
    in = before >= first && depth.at(before) > 0 ? before : frame;
    k = Math.ceil(frame);
    if (k == frame) in = k++;
    while (k <= last && depth.at(k) > 0) in = k++;
    found.closes = k <= last;
    found.to = found.closes ? edge(k, in) : last;
    if (found.to < frame) found.to = edge(Math.ceil(frame), frame);
    known.add(found);
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
