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

  /** Below this roughness a mirror is perfect. */
  private static final double MIRROR = 1e-3;

  /**
   * What is no metal mirrors from this roughness on nothing, and all it does up to the other: what
   * it would mirror is a few hundredths of what stands about it.
   */
  private static final double DULL = 0.6, SHINY = 0.4;

  /** What is reflected when looked at straight, red, green, blue. */
  final double[] f0 = new double[3];

  /** How much of what it mirrors is worked out, 0 to 1. */
  double mirrors;

  /** Unit way of a mirrored ray. */
  final double[] way = new double[3];

  private double alpha;
  private double a2;
  private double facing;
  private double eye;

  /**
   * @param base linear colour
   * @param facing cosine between the normal and the way to the eye
   */
  void of(double roughness, double metal, double[] base, double facing) {
    alpha = roughness * roughness;
    double a = Math.max(SMOOTHEST, alpha);
    a2 = a * a;
    this.facing = Math.max(GRAZING, facing);
    eye = Math.sqrt(this.facing * this.facing * (1 - a2) + a2);
    for (int i = 0; i < 3; i++) f0[i] = PLAIN + (base[i] - PLAIN) * metal;
    double shines = Math.max(0, Math.min(1, (DULL - roughness) / (DULL - SHINY)));
    mirrors = metal + (1 - metal) * shines;
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

  /**
   * Chooses a {@link #way} that is mirrored, as often as facets that are seen mirror it (Heitz,
   * Sampling the GGX Distribution of Visible Normals, JCGT 7(4), 2018).
   *
   * @param n normal
   * @param dir unit way of the ray that arrives
   * @return what a way counts for beside Fresnel's share of it; 0 where it leads into the surface
   */
  double mirror(double[] n, double[] dir, double u, double v) {
    double hx = n[0], hy = n[1], hz = n[2];
    if (alpha > MIRROR) {
      // two directions square to the normal (Duff et al., JCGT 6(1), 2017)
      double sign = Math.copySign(1, n[2]), a = -1 / (sign + n[2]), b = n[0] * n[1] * a;
      double tx = 1 + sign * n[0] * n[0] * a, ty = sign * b, tz = -sign * n[0];
      double bx = b, by = sign + n[1] * n[1] * a, bz = -n[1];
      double ex = -(dir[0] * tx + dir[1] * ty + dir[2] * tz),
          ey = -(dir[0] * bx + dir[1] * by + dir[2] * bz),
          ez = Math.max(GRAZING, -(dir[0] * n[0] + dir[1] * n[1] + dir[2] * n[2]));
      // the eye's way where the surface is stretched to a hemisphere
      double sx = alpha * ex, sy = alpha * ey, sz = ez, l = Math.sqrt(sx * sx + sy * sy + sz * sz);
      sx /= l;
      sy /= l;
      sz /= l;
      double flat = sx * sx + sy * sy;
      double px = flat > 0 ? -sy / Math.sqrt(flat) : 1, py = flat > 0 ? sx / Math.sqrt(flat) : 0;
      double qx = -sz * py, qy = sz * px, qz = sx * py - sy * px;
      double r = Math.sqrt(u), turn = 2 * Math.PI * v;
      double c = r * Math.cos(turn), d = r * Math.sin(turn), s = 0.5 * (1 + sz);
      d = (1 - s) * Math.sqrt(1 - c * c) + s * d;
      double e = Math.sqrt(Math.max(0, 1 - c * c - d * d));
      double mx = alpha * (c * px + d * qx + e * sx),
          my = alpha * (c * py + d * qy + e * sy),
          mz = Math.max(0, d * qz + e * sz);
      l = Math.sqrt(mx * mx + my * my + mz * mz);
      mx /= l;
      my /= l;
      mz /= l;
      hx = mx * tx + my * bx + mz * n[0];
      hy = mx * ty + my * by + mz * n[1];
      hz = mx * tz + my * bz + mz * n[2];
    }
    double k = 2 * (dir[0] * hx + dir[1] * hy + dir[2] * hz);
    way[0] = dir[0] - k * hx;
    way[1] = dir[1] - k * hy;
    way[2] = dir[2] - k * hz;
    double lit = way[0] * n[0] + way[1] * n[1] + way[2] * n[2];
    if (lit <= 0) return 0;
    if (alpha <= MIRROR) return 1;
    // shadowing of both ways over that of the eye's
    double a = alpha * alpha;
    double gl = Math.sqrt(a + (1 - a) * lit * lit), gv = Math.sqrt(a + (1 - a) * facing * facing);
    return lit * (facing + gv) / (lit * gv + facing * gl);
  }

  /** Fresnel's share for a channel (Schlick, 1994), by the cosine to the facet. */
  double fresnel(int channel, double facet) {
    double k = 1 - Math.min(1, Math.max(0, facet)), k2 = k * k;
    return f0[channel] + (1 - f0[channel]) * k2 * k2 * k;
  }
}
