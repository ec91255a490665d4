package kite.core.evaluate;

import java.util.Arrays;

/** The last places and quaternions found at steps of time: seven numbers each. */
final class Samples {
  private static final int KEPT = 512;
  private static final int SIZE = 7;

  private final double[] all = new double[KEPT * SIZE];
  private final long[] of = new long[KEPT];

  Samples() {
    forget();
  }

  void forget() {
    Arrays.fill(of, Long.MIN_VALUE);
  }

  /** Writes what is kept of a step; false when nothing is. */
  boolean get(long step, double[] out) {
    int place = Math.floorMod(step, KEPT);
    if (of[place] != step) return false;
    System.arraycopy(all, place * SIZE, out, 0, SIZE);
    return true;
  }

  void put(long step, double[] sample) {
    int place = Math.floorMod(step, KEPT);
    System.arraycopy(sample, 0, all, place * SIZE, SIZE);
    of[place] = step;
  }
}
