package kite.core.cue;

import java.util.Map;
import java.util.TreeMap;

/**
 * From {@code frame}, go to {@code mix} over {@code travel} frames.
 *
 * @param frame where the travel begins
 * @param travel frames it takes; 0 is a jump
 * @param mix share per subject id, each 0–1, together at most 1
 */
public record Cue(double frame, double travel, Ease ease, Map<String, Double> mix) {
  public Cue {
    mix = java.util.Collections.unmodifiableMap(new TreeMap<>(mix));
  }
}
