package kite.exchange.cut;

/**
 * A speed as a ratio of whole numbers, the simplest that is as near as it was told.
 *
 * @param scene frames that pass in so many of the {@code programme}
 */
record Ratio(int scene, int programme) {
  private static final int MOST = 100_000;

  /** Faster than this, or slower than one of so many, is no speed of a shot. */
  private static final double FASTEST = 50;

  static boolean isSpeed(double value) {
    return value <= FASTEST && value * FASTEST >= 1;
  }

  /** What is said of another: how a sentence about it goes on. */
  static String noSpeed(double value) {
    String how =
        value < 0
            ? "runs backwards"
            : value == 0 ? "stands still" : "runs faster or slower than fifty times";
    return how + ", which a shot cannot. It is taken at its own speed.";
  }

  /** By continued fractions (Khinchin, 1964): each step is the best of its size. */
  static Ratio of(double value, double tolerance) {
    if (!(value > 0 && value < MOST)) throw new IllegalArgumentException("no speed: " + value);
    long n0 = 0, d0 = 1, n1 = 1, d1 = 0;
    double rest = value;
    for (; ; ) {
      long whole = (long) Math.floor(rest);
      long n = whole * n1 + n0, d = whole * d1 + d0;
      if (n > MOST || d > MOST) return new Ratio((int) n1, (int) d1);
      if (n > 0 && Math.abs((double) n / d - value) <= tolerance)
        return new Ratio((int) n, (int) d);
      n0 = n1;
      d0 = d1;
      n1 = n;
      d1 = d;
      rest = 1 / (rest - whole);
    }
  }
}
