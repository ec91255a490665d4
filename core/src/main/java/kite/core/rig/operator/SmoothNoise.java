package kite.core.rig.operator;

/**
 * Smooth noise of time in seconds: fixed random heights at even moments, joined by quintic steps
 * (twice differentiable), with a second layer at twice and a bit the rate. About −1 to 1, mean 0.
 * The same numbers on every machine, at any frame rate.
 */
final class SmoothNoise {
  private SmoothNoise() {}

  /** The layers' rates must not be multiples of each other, or their knots would coincide. */
  private static final double SECOND_RATE = 2.17;

  private static final double SECOND_SHARE = 0.4;

  static double at(double seconds, double hz, int seed, int lane) {
    return (layer(seconds * hz, seed, lane)
            + SECOND_SHARE * layer(seconds * hz * SECOND_RATE + 0.37, seed, lane + 64))
        / (1 + SECOND_SHARE);
  }

  private static double layer(double t, int seed, int lane) {
    double i = Math.floor(t), x = t - i;
    double a = height((int) i, seed, lane), b = height((int) i + 1, seed, lane);
    return a + (b - a) * x * x * x * (x * (x * 6 - 15) + 10);
  }

  /** Bits mixed as by MurmurHash3's finaliser, to −1 … 1. */
  private static double height(int i, int seed, int lane) {
    int h = i * 0x9e3779b1 ^ seed * 0x85ebca6b ^ lane * 0xc2b2ae35;
    h ^= h >>> 16;
    h *= 0x85ebca6b;
    h ^= h >>> 13;
    h *= 0xc2b2ae35;
    h ^= h >>> 16;
    return h / 2147483648.0;
  }
}
