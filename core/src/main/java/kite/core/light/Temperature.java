package kite.core.light;

/**
 * The colour of a glowing black body. Chromaticity after Kim, Kim, Kang and Choi (2002), valid from
 * 1667 to 25000 K and held beyond; then to linear Rec. 709 with its brightest channel at 1.
 */
public final class Temperature {
  private Temperature() {}

  /** Linear red, green and blue, the largest of them 1. */
  public static double[] linear(double kelvin) {
    double t = Math.max(1667, Math.min(25000, kelvin)), t2 = t * t, t3 = t2 * t;
    double x =
        t <= 4000
            ? -0.2661239e9 / t3 - 0.2343589e6 / t2 + 0.8776956e3 / t + 0.179910
            : -3.0258469e9 / t3 + 2.1070379e6 / t2 + 0.2226347e3 / t + 0.240390;
    double x2 = x * x, x3 = x2 * x;
    double y =
        t <= 2222
            ? -1.1063814 * x3 - 1.34811020 * x2 + 2.18555832 * x - 0.20219683
            : t <= 4000
                ? -0.9549476 * x3 - 1.37418593 * x2 + 2.09137015 * x - 0.16748867
                : 3.0817580 * x3 - 5.87338670 * x2 + 3.75112997 * x - 0.37001483;
    double cx = x / y, cz = (1 - x - y) / y;
    double r = 3.2404542 * cx - 1.5371385 - 0.4985314 * cz;
    double g = -0.9692660 * cx + 1.8760108 + 0.0415560 * cz;
    double b = 0.0556434 * cx - 0.2040259 + 1.0572252 * cz;
    double most = Math.max(r, Math.max(g, b));
    return new double[] {Math.max(0, r / most), Math.max(0, g / most), Math.max(0, b / most)};
  }
}
