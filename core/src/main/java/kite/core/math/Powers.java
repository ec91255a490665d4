package kite.core.math;

/**
 * Powers and logarithms, the same to the last digit in the page and on the server.
 *
 * <p>After fdlibm 5.3, developed at Sun Microsystems ("Permission to use, copy, modify, and
 * distribute this software is freely granted, provided that this notice is preserved.").
 */
public final class Powers {
  /** ln 2 in two pieces: multiples of the first are exact. */
  private static final double LN2 = 6.93147180369123816490e-01,
      LN2_REST = 1.90821492927058770002e-10,
      BY_LN2 = 1.44269504088896338700e+00;

  /** The largest and smallest x of which e^x is neither endless nor 0. */
  private static final double LARGEST = 7.09782712893383973096e+02,
      SMALLEST = -7.45133219101941108420e+02;

  private static final double P1 = 1.66666666666666019037e-01,
      P2 = -2.77777777770155933842e-03,
      P3 = 6.61375632143793436117e-05,
      P4 = -1.65339022054652515390e-06,
      P5 = 4.13813679705723846039e-08;
  private static final double L1 = 6.666666666666735130e-01,
      L2 = 3.999999999940941908e-01,
      L3 = 2.857142874366239149e-01,
      L4 = 2.222219843214978396e-01,
      L5 = 1.818357216161805012e-01,
      L6 = 1.531383769920937332e-01,
      L7 = 1.479819860511658591e-01;

  /** The series of the logarithm to the base 2, by 3/2. */
  private static final double M1 = 5.99999999999994648725e-01,
      M2 = 4.28571428578550184252e-01,
      M3 = 3.33333329818377432918e-01,
      M4 = 2.72728123808534006489e-01,
      M5 = 2.30660745775561754067e-01,
      M6 = 2.06975017800338417784e-01;

  /** Where it is taken about 3/2 instead of 1, and about the next power of two. */
  private static final double ROOT_OF_3_HALVES = Math.sqrt(1.5), ROOT_OF_3 = Math.sqrt(3);

  private static final double LOG2_OF_3_HALVES = 5.84962487220764160156e-01,
      LOG2_OF_3_HALVES_REST = 1.35003920212974897128e-08;

  /** 2 / (3 ln 2), whole and in two pieces. */
  private static final double TWO_THIRDS_LN2_WHOLE = 9.61796693925975554329e-01,
      TWO_THIRDS_LN2 = 9.61796700954437255859e-01,
      TWO_THIRDS_LN2_REST = -7.02846165095275826516e-09;

  /** ln 2, whole and in pieces of which the first has few digits. */
  private static final double LN2_WHOLE = 6.93147180559945286227e-01,
      LN2_FEW = 6.93147182464599609375e-01,
      LN2_FEW_REST = -1.90465429995776804525e-09;

  /** The logarithm is taken of what is within it of 1, up or down. */
  private static final double ROOT = Math.sqrt(2);

  /** Below it a hyperbolic sine is its first terms: what follows is under its last place. */
  private static final double SMALL = 0.5;

  private Powers() {}

  /** e^x, within one unit of the last place. */
  public static double exp(double x) {
    if (Double.isNaN(x)) return x;
    if (x > LARGEST) return Double.POSITIVE_INFINITY;
    if (x < SMALLEST) return 0;
    int k = Math.abs(x) > 0.5 * LN2 ? (int) (BY_LN2 * x + (x < 0 ? -0.5 : 0.5)) : 0;
    double high = x - k * LN2, low = k * LN2_REST, r = high - low, t = r * r;
    double c = r - t * (P1 + t * (P2 + t * (P3 + t * (P4 + t * P5))));
    if (k == 0) return 1 - ((x * c) / (c - 2) - x);
    double y = 1 - ((low - (r * c) / (2 - c)) - high);
    return scaled(y, k);
  }

  /** 2^k, k −1022 to 1023. */
  private static double twoTo(int k) {
    return Double.longBitsToDouble((long) (k + 1023) << 52);
  }

  /** The natural logarithm, within one unit of the last place; NaN below 0. */
  public static double log(double x) {
    if (!(x > 0)) return x == 0 ? Double.NEGATIVE_INFINITY : Double.NaN;
    if (x == Double.POSITIVE_INFINITY) return x;
    int k = Math.getExponent(x);
    if (k < Double.MIN_EXPONENT) return log(x * 0x1p54) - 54 * (LN2 + LN2_REST);
    double m = x / twoTo(k); // 1 to 2, exact
    if (m > ROOT) {
      m /= 2;
      k++;
    }
    double f = m - 1, s = f / (2 + f), z = s * s, w = z * z;
    double r = w * (L2 + w * (L4 + w * L6)) + z * (L1 + w * (L3 + w * (L5 + w * L7)));
    double square = 0.5 * f * f;
    return k * LN2 - ((square - (s * (r + square) + k * LN2_REST)) - f);
  }

  /**
   * x^y for x from 0 on, within one unit of the last place; NaN below.
   *
   * <p>The logarithm to the base 2 is taken in two numbers, about 1 or 3/2, so that nothing of it
   * is lost when it is multiplied.
   */
  public static double pow(double x, double y) {
    if (y == 0) return 1;
    if (!(x >= 0) || Double.isNaN(y)) return Double.NaN;
    if (x == 0 || x == Double.POSITIVE_INFINITY)
      return x == 0 == y > 0 ? 0 : Double.POSITIVE_INFINITY;
    if (y == 1) return x;
    int n = 0;
    if (x < Double.MIN_NORMAL) {
      x *= 0x1p54;
      n = -54;
    }
    int exponent = Math.getExponent(x);
    n += exponent;
    double m = x / twoTo(exponent), about = 1, log = 0, rest = 0; // 1 to 2, exact
    if (m > ROOT_OF_3) {
      m /= 2;
      n++;
    } else if (m > ROOT_OF_3_HALVES) {
      about = 1.5;
      log = LOG2_OF_3_HALVES;
      rest = LOG2_OF_3_HALVES_REST;
    }
    double u = m - about, v = 1 / (m + about), s = u * v, few = UpperHalf.of(s);
    double sum = UpperHalf.of(m + about), left = m - (sum - about);
    double sRest = v * ((u - few * sum) - few * left);
    double z = s * s;
    double r = z * z * (M1 + z * (M2 + z * (M3 + z * (M4 + z * (M5 + z * M6)))));
    r += sRest * (few + s);
    z = few * few;
    double three = UpperHalf.of(3 + z + r), threeRest = r - ((three - 3) - z);
    u = few * three;
    v = sRest * three + threeRest * s;
    double p = UpperHalf.of(u + v), pRest = v - (p - u);
    double by = TWO_THIRDS_LN2 * p;
    double byRest = TWO_THIRDS_LN2_REST * p + pRest * TWO_THIRDS_LN2_WHOLE + rest;
    double t = UpperHalf.of(((by + byRest) + log) + n), tRest = byRest - (((t - n) - log) - by);
    double yFew = UpperHalf.of(y);
    return twoTo(yFew * t, (y - yFew) * t + y * tRest);
  }

  /** 2 to a power in two numbers, the second of which is what the first leaves out. */
  private static double twoTo(double high, double low) {
    double whole = high + low;
    if (whole >= 1025) return Double.POSITIVE_INFINITY;
    if (!(whole > -1080)) return Double.isNaN(whole) ? whole : 0;
    int k = (int) Math.rint(whole);
    double left = high - k, t = UpperHalf.of(low + left);
    double u = t * LN2_FEW, v = (low - (t - left)) * LN2_WHOLE + t * LN2_FEW_REST;
    double z = u + v, w = v - (z - u), q = z * z;
    double c = z - q * (P1 + q * (P2 + q * (P3 + q * (P4 + q * P5))));
    double y = 1 - (((z * c) / (c - 2) - (w + z * w)) - z);
    return scaled(y, k);
  }

  private static double scaled(double y, int k) {
    int half = k / 2; // 2^k itself may be out of reach where the result is not
    return y * twoTo(half) * twoTo(k - half);
  }

  /** 10^n, exact for n from 0 to 22. */
  public static double tenTo(int n) {
    double whole = 1;
    for (int i = Math.abs(n); i > 0; i--) whole *= 10;
    return n < 0 ? 1 / whole : whole;
  }

  /** The hyperbolic cosine. */
  public static double cosh(double x) {
    double e = exp(Math.abs(x));
    return 0.5 * e + 0.5 / e;
  }

  /** The hyperbolic sine, exact to the last places also near 0. */
  public static double sinh(double x) {
    if (Math.abs(x) >= SMALL) {
      double e = exp(Math.abs(x)), s = 0.5 * e - 0.5 / e;
      return x < 0 ? -s : s;
    }
    double z = x * x;
    // x + x³/3! + … + x¹³/13!
    double sum = 1 + z / 156;
    for (int n = 11; n > 1; n -= 2) sum = 1 + z / (n * (n - 1)) * sum;
    return x * sum;
  }
}
