package kite.core.math;

/** A number's upper half of digits: the product of two such is exact (Veltkamp). */
final class UpperHalf {
  private static final double SPLIT = 0x1p27 + 1;

  private UpperHalf() {}

  static double of(double x) {
    double wide = x * SPLIT;
    return wide - (wide - x);
  }
}
