package kite.server.render;

import java.util.Map;
import java.util.NavigableMap;

/** How long frames to come will take, by those that are there. */
final class Estimate {
  private Estimate() {}

  /**
   * A frame between two that are there takes what lies between theirs; before the first and after
   * the last, what that took. So it gets better with every frame, soonest when the first are spread
   * over the shot.
   *
   * @param took seconds, by the numbers of frames
   * @param total frames that there will be, numbered from 1
   * @return seconds of work; 0 when nothing is known
   */
  static double ofTheRest(NavigableMap<Integer, Double> took, int total) {
    double sum = 0;
    if (took.isEmpty()) return sum;
    for (int n = 1; n <= total; n++) if (!took.containsKey(n)) sum += one(took, n);
    return sum;
  }

  private static double one(NavigableMap<Integer, Double> took, int n) {
    Map.Entry<Integer, Double> before = took.floorEntry(n), after = took.ceilingEntry(n);
    if (before == null) return after.getValue();
    if (after == null) return before.getValue();
    double share = (double) (n - before.getKey()) / (after.getKey() - before.getKey());
    return before.getValue() + share * (after.getValue() - before.getValue());
  }
}
