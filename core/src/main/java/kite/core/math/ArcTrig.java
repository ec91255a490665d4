package kite.core.math;

/**
 * Angles of sines, cosines and directions, in radians, the same to the last digit in the page and
 * on the server. Within one unit of the last place.
 *
 * <p>After fdlibm 5.3, developed at Sun Microsystems ("Permission to use, copy, modify, and
 * distribute this software is freely granted, provided that this notice is preserved.").
 */
public final class ArcTrig {
  /** π and its half, and what these numbers leave out of them. */
  private static final double PI = Math.PI,
      HALF = Math.PI / 2,
      EIGHTH = Math.PI / 4,
      PI_REST = 1.2246467991473531772E-16,
      HALF_REST = 6.12323399573676603587e-17;

  private static final double P0 = 1.66666666666666657415e-01,
      P1 = -3.25565818622400915405e-01,
      P2 = 2.01212532134862925881e-01,
      P3 = -4.00555345006794114027e-02,
      P4 = 7.91534994289814532176e-04,
      P5 = 3.47933107596021167570e-05,
      Q1 = -2.40339491173441421878e+00,
      Q2 = 2.02094576023350569471e+00,
      Q3 = -6.88283971605453293030e-01,
      Q4 = 7.70381505559019352791e-02;
  private static final double T0 = 3.33333333333329318027e-01,
      T1 = -1.99999999998764832476e-01,
      T2 = 1.42857142725034663711e-01,
      T3 = -1.11111104054623557880e-01,
      T4 = 9.09088713343650656196e-02,
      T5 = -7.69187620504482999495e-02,
      T6 = 6.66107313738753120669e-02,
      T7 = -5.83357013379057348645e-02,
      T8 = 4.97687799461593236017e-02,
      T9 = -3.65315727442169155270e-02,
      T10 = 1.62858201153657823623e-02;

  /** Arc tangents of 1/2, 1 and 3/2, with what they leave out. */
  private static final double OF_HALF = 4.63647609000806093515e-01,
      OF_HALF_REST = 2.26987774529616870924e-17,
      OF_ONE = 7.85398163397448278999e-01,
      OF_ONE_REST = 3.06161699786838301793e-17,
      OF_THREE_HALVES = 9.82793723247329054082e-01,
      OF_THREE_HALVES_REST = 1.39033110312309984516e-17;

  /** Where the arc tangent goes over from one of them to the next; beyond the last it is π/2. */
  private static final double FROM_HALF = 7.0 / 16,
      FROM_ONE = 11.0 / 16,
      FROM_THREE_HALVES = 19.0 / 16,
      FROM_QUARTER = 39.0 / 16,
      ENDLESS = 0x1p66;

  /** From this sine on its root needs no two parts. */
  private static final double STEEP = 0.975;

  /** From this slope on a direction is straight up or down. */
  private static final double UPRIGHT = 0x1p60;

  private ArcTrig() {}

  /** The angle of a sine, −π/2 to π/2; NaN outside −1 to 1. */
  public static double asin(double x) {
    double size = Math.abs(x);
    if (!(size <= 1)) return Double.NaN;
    if (size < 0.5) return x + x * ratio(x * x);
    double z = (1 - size) * 0.5, s = Math.sqrt(z), angle;
    if (size >= STEEP) angle = HALF - (2 * (s + s * ratio(z)) - HALF_REST);
    else {
      double few = UpperHalf.of(s), left = (z - few * few) / (s + few);
      angle = EIGHTH - (2 * s * ratio(z) - (HALF_REST - 2 * left) - (EIGHTH - 2 * few));
    }
    return x > 0 ? angle : -angle;
  }

  /** The angle of a cosine, 0 to π; NaN outside −1 to 1. */
  public static double acos(double x) {
    if (!(Math.abs(x) <= 1)) return Double.NaN;
    if (Math.abs(x) < 0.5) return HALF - (x - (HALF_REST - x * ratio(x * x)));
    if (x < 0) {
      double z = (1 + x) * 0.5, s = Math.sqrt(z);
      return PI - 2 * (ratio(z) * s - HALF_REST + s);
    }
    double z = (1 - x) * 0.5, s = Math.sqrt(z);
    if (z == 0) return 0;
    double few = UpperHalf.of(s), left = (z - few * few) / (s + few);
    return 2 * (ratio(z) * s + left + few);
  }

  /** What the arc sine of √z adds to it, by it. */
  private static double ratio(double z) {
    return z
        * (P0 + z * (P1 + z * (P2 + z * (P3 + z * (P4 + z * P5)))))
        / (1 + z * (Q1 + z * (Q2 + z * (Q3 + z * Q4))));
  }

  /** The angle of a tangent, −π/2 to π/2. */
  public static double atan(double x) {
    double size = Math.abs(x), angle;
    if (size < FROM_HALF) return x - series(x);
    if (size < FROM_ONE) angle = from((2 * size - 1) / (2 + size), OF_HALF, OF_HALF_REST);
    else if (size < FROM_THREE_HALVES) angle = from((size - 1) / (size + 1), OF_ONE, OF_ONE_REST);
    else if (size < FROM_QUARTER)
      angle = from((size - 1.5) / (1 + 1.5 * size), OF_THREE_HALVES, OF_THREE_HALVES_REST);
    else if (size < ENDLESS) angle = from(-1 / size, HALF, HALF_REST);
    else if (size >= ENDLESS) angle = HALF;
    else return Double.NaN;
    return x < 0 ? -angle : angle;
  }

  private static double from(double x, double angle, double rest) {
    return angle - ((series(x) - rest) - x);
  }

  /** What the arc tangent of x, |x| below 7/16, falls short of x. */
  private static double series(double x) {
    double z = x * x, w = z * z;
    double odd = z * (T0 + w * (T2 + w * (T4 + w * (T6 + w * (T8 + w * T10)))));
    double even = w * (T1 + w * (T3 + w * (T5 + w * (T7 + w * T9))));
    return x * (odd + even);
  }

  /**
   * The direction of (x, y) from +x towards +y, −π to π. Of (0, 0) it is 0 or ±π, as the signs of
   * the zeros say; NaN where both are without bounds.
   */
  public static double atan2(double y, double x) {
    if (Double.isNaN(x) || Double.isNaN(y)) return Double.NaN;
    boolean back = x < 0 || x == 0 && 1 / x < 0, down = y < 0 || y == 0 && 1 / y < 0;
    if (y == 0) return back ? (down ? -PI : PI) : y;
    if (x == 0) return down ? -HALF : HALF;
    double slope = Math.abs(y / x);
    if (Double.isNaN(slope)) return Double.NaN;
    if (slope > UPRIGHT) return down ? -HALF : HALF;
    double angle = atan(slope);
    if (back) angle = PI - (angle - PI_REST);
    return down ? -angle : angle;
  }
}
