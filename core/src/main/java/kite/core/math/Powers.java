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
    int half = k / 2; // 2^k itself may be out of reach where the result is not
    return y * twoTo(half) * twoTo(k - half);
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
    return k * LN2 - ((square - (s * (square + r) + k * LN2_REST)) - f);
  }

  /**
   * x^y for x from 0 on. It is x where y is 1; else wrong by no more than 3·|y·ln x| + 2 units of
   * the last place.
   */
  public static double pow(double x, double y) {
    if (y == 1) return x;
    if (y == 0) return 1;
    return exp(y * log(x));
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
