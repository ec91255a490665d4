package kite.render;

/**
 * How a surface shines: GGX distribution with Smith's height-correlated shadowing (Heitz,
 * Understanding the Masking-Shadowing Function, 2014), without Fresnel. Belongs to one thread.
 */
final class Gloss {
  /** The least cosine to the eye that a highlight is worked out for. */
  private static final double GRAZING = 1e-3;

  /** Smoother than this, a highlight would be smaller than samples find. */
  private static final double SMOOTHEST = 0.02;

  /** What a surface that is no metal reflects when it is looked at straight. */
  private static final double PLAIN = 0.04;

  /** What is reflected when looked at straight, red, green, blue. */
  final double[] f0 = new double[3];

  private double a2;
  private double facing;
  private double eye;

  /**
   * @param base linear colour
   * @param facing cosine between the normal and the way to the eye
   */
  void of(Material m, double[] base, double facing) {
    double a = Math.max(SMOOTHEST, m.roughness() * m.roughness());
    a2 = a * a;
    this.facing = Math.max(GRAZING, facing);
    eye = Math.sqrt(this.facing * this.facing * (1 - a2) + a2);
    for (int i = 0; i < 3; i++) f0[i] = PLAIN + (base[i] - PLAIN) * m.metal();
  }

  /**
   * @param lit cosine between the normal and the way to the light
   * @param half cosine between the normal and the middle of both ways
   */
  double shine(double lit, double half) {
    double d = half * half * (a2 - 1) + 1;
    double gv = lit * eye, gl = facing * Math.sqrt(lit * lit * (1 - a2) + a2);
    return a2 / (Math.PI * d * d) * 0.5 / (gv + gl);
  }
}
