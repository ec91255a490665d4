package kite.core.math;

/**
 * Sines and what belongs to them, the same to the last digit in the page and on the server: the
 * platforms' own differ there. Angles are in radians.
 *
 * <p>After fdlibm 5.3, developed at Sun Microsystems ("Permission to use, copy, modify, and
 * distribute this software is freely granted, provided that this notice is preserved."): an angle
 * is taken to within an eighth of a turn by a multiple of π/2 in three pieces, and a polynomial
 * does the rest. Sines and cosines are within one unit of the last place.
 */
public final class Trig {
  private static final double TURN = 2 * Math.PI, EIGHTH = Math.PI / 4;

  /** Up to it a multiple of π/2 is exact in pieces, rad: 47 million degrees. */
  private static final double FAR = 0x1p19 * Math.PI / 2;

  /** π/2 in pieces of 33 bits, each with what is left after it. */
  private static final double QUARTER_1 = 1.57079632673412561417e+00,
      REST_1 = 6.07710050650619224932e-11,
      QUARTER_2 = 6.07710050630396597660e-11,
      REST_2 = 2.02226624879595063154e-21,
      QUARTER_3 = 2.02226624871116645580e-21,
      REST_3 = 8.47842766036889956997e-32;

  /** Quarter turns in a radian. */
  private static final double QUARTERS = 6.36619772367581382433e-01;

  /** So near to a quarter turn, by what it was before, the next piece of π/2 counts. */
  private static final double NEAR = 0x1p-16, VERY_NEAR = 0x1p-49;

  private static final double S1 = -1.66666666666666324348e-01,
      S2 = 8.33333333332248946124e-03,
      S3 = -1.98412698298579493134e-04,
      S4 = 2.75573137070700676789e-06,
      S5 = -2.50507602534068634195e-08,
      S6 = 1.58969099521155010221e-10;
  private static final double C1 = 4.16666666666666019037e-02,
      C2 = -1.38888888888741095749e-03,
      C3 = 2.48015872894767294178e-05,
      C4 = -2.75573143513906633035e-07,
      C5 = 2.08757232129817482790e-09,
      C6 = -1.13596475577881948265e-11;

  /** Below it the cosine's first two terms are summed as they are, rad; above in two parts. */
  private static final double PLAIN = 0.3, PARTED = 0.78125, MIDDLE = 0.28125;

  /** Degrees in a radian, and radians in a degree. */
  private static final double DEGREES = 180 / Math.PI, RADIANS = Math.PI / 180;

  private Trig() {}

  public static double radians(double degrees) {
    return degrees * RADIANS;
  }

  public static double degrees(double radians) {
    return radians * DEGREES;
  }

  /** The sine; NaN of what is not finite. */
  public static double sin(double x) {
    if (Math.abs(x) <= EIGHTH) return sine(x, 0);
    return turned(x, 0);
  }

  /** The cosine; NaN of what is not finite. */
  public static double cos(double x) {
    if (Math.abs(x) <= EIGHTH) return cosine(x, 0);
    return turned(x, 1);
  }

  /** The tangent, within two units of the last place; NaN of what is not finite. */
  public static double tan(double x) {
    return sin(x) / cos(x);
  }

  /** The long side of a right triangle. Sides are neither below 1e-150 nor above 1e150. */
  public static double hypot(double x, double y) {
    return Math.sqrt(x * x + y * y);
  }

  /**
   * The sine of an angle and so many quarter turns. What is left of the angle is held in two
   * numbers, of which the second is what the first leaves out.
   */
  private static double turned(double x, int quarters) {
    if (!(Math.abs(x) < Double.POSITIVE_INFINITY)) return Double.NaN;
    // whole turns off, wrong by 4e-17 of what is taken: nobody sees which way it stands
    while (Math.abs(x) > FAR) x -= TURN * Math.rint(x / TURN);
    double t = Math.abs(x);
    int n = (int) (t * QUARTERS + 0.5);
    double r = t - n * QUARTER_1, w = n * REST_1, y = r - w;
    if (Math.abs(y) < NEAR * t) {
      double before = r;
      w = n * QUARTER_2;
      r = before - w;
      w = n * REST_2 - ((before - r) - w);
      y = r - w;
      if (Math.abs(y) < VERY_NEAR * t) {
        before = r;
        w = n * QUARTER_3;
        r = before - w;
        w = n * REST_3 - ((before - r) - w);
        y = r - w;
      }
    }
    double rest = (r - y) - w;
    if (x < 0) {
      n = -n;
      y = -y;
      rest = -rest;
    }
    int to = (n + quarters) & 3;
    double size = (to & 1) == 0 ? sine(y, rest) : cosine(y, rest);
    return (to & 2) == 0 ? size : -size;
  }

  /** The sine of x + rest, |x| at most an eighth of a turn. */
  private static double sine(double x, double rest) {
    double z = x * x, v = z * x, r = S2 + z * (S3 + z * (S4 + z * (S5 + z * S6)));
    if (rest == 0) return x + v * (S1 + z * r);
    return x - ((z * (0.5 * rest - v * r) - rest) - v * S1);
  }

  /** The cosine of x + rest, |x| at most an eighth of a turn. */
  private static double cosine(double x, double rest) {
    double z = x * x, size = Math.abs(x);
    double r = z * (C1 + z * (C2 + z * (C3 + z * (C4 + z * (C5 + z * C6)))));
    if (size < PLAIN) return 1 - (0.5 * z - (z * r - x * rest));
    double part = size > PARTED ? MIDDLE : Math.rint(size * 64) / 256; // 1 − part is exact
    return (1 - part) - ((0.5 * z - part) - (z * r - x * rest));
  }
}
