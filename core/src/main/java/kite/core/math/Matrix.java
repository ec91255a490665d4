package kite.core.math;

/**
 * Affine transforms as column-major arrays of 16 doubles, addressed by an offset so that many can
 * share one array. No method allocates unless its name says {@code new}.
 */
public final class Matrix {
  public static final int SIZE = 16;

  private Matrix() {}

  public static double[] newIdentity() {
    double[] m = new double[SIZE];
    identity(m, 0);
    return m;
  }

  public static void identity(double[] m, int at) {
    for (int i = 0; i < SIZE; i++) m[at + i] = 0;
    m[at] = m[at + 5] = m[at + 10] = m[at + 15] = 1;
  }

  /** out = a · b. {@code out} may not overlap {@code a} or {@code b}. */
  public static void multiply(double[] a, int ai, double[] b, int bi, double[] out, int oi) {
    for (int c = 0; c < 16; c += 4) {
      double b0 = b[bi + c], b1 = b[bi + c + 1], b2 = b[bi + c + 2], b3 = b[bi + c + 3];
      out[oi + c] = a[ai] * b0 + a[ai + 4] * b1 + a[ai + 8] * b2 + a[ai + 12] * b3;
      out[oi + c + 1] = a[ai + 1] * b0 + a[ai + 5] * b1 + a[ai + 9] * b2 + a[ai + 13] * b3;
      out[oi + c + 2] = a[ai + 2] * b0 + a[ai + 6] * b1 + a[ai + 10] * b2 + a[ai + 14] * b3;
      out[oi + c + 3] = b3;
    }
  }

  /** out = a moved along its own axes by so much. {@code out} may not overlap {@code a}. */
  public static void moved(double[] a, int ai, double x, double y, double z, double[] out, int oi) {
    for (int i = 0; i < 12; i++) out[oi + i] = a[ai + i];
    point(a, ai, x, y, z, out, oi + 12);
    out[oi + 15] = 1;
  }

  /** The point {@code (x, y, z)} carried by the transform, written to {@code out[oi..oi+2]}. */
  public static void point(double[] m, int at, double x, double y, double z, double[] out, int oi) {
    double px = m[at] * x + m[at + 4] * y + m[at + 8] * z + m[at + 12];
    double py = m[at + 1] * x + m[at + 5] * y + m[at + 9] * z + m[at + 13];
    out[oi + 2] = m[at + 2] * x + m[at + 6] * y + m[at + 10] * z + m[at + 14];
    out[oi] = px;
    out[oi + 1] = py;
  }

  public static Vec3 newPoint(double[] m, int at, Vec3 p) {
    double[] o = new double[3];
    point(m, at, p.x(), p.y(), p.z(), o, 0);
    return new Vec3(o[0], o[1], o[2]);
  }

  /** Where the transform puts the origin. */
  public static Vec3 newOrigin(double[] m, int at) {
    return new Vec3(m[at + 12], m[at + 13], m[at + 14]);
  }

  /**
   * The inverse of any affine transform with a non-zero volume.
   *
   * @throws ArithmeticException when the transform flattens space (a zero scale), naming the reason
   */
  public static double[] newInverse(double[] m, int at) {
    double a = m[at], b = m[at + 4], c = m[at + 8];
    double d = m[at + 1], e = m[at + 5], f = m[at + 9];
    double g = m[at + 2], h = m[at + 6], i = m[at + 10];
    double det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
    if (det == 0 || Double.isNaN(det))
      throw new ArithmeticException("a transform with a zero scale has no inverse");
    double k = 1 / det;
    double[] r = newIdentity();
    r[0] = (e * i - f * h) * k;
    r[4] = (c * h - b * i) * k;
    r[8] = (b * f - c * e) * k;
    r[1] = (f * g - d * i) * k;
    r[5] = (a * i - c * g) * k;
    r[9] = (c * d - a * f) * k;
    r[2] = (d * h - e * g) * k;
    r[6] = (b * g - a * h) * k;
    r[10] = (a * e - b * d) * k;
    double tx = m[at + 12], ty = m[at + 13], tz = m[at + 14];
    r[12] = -(r[0] * tx + r[4] * ty + r[8] * tz);
    r[13] = -(r[1] * tx + r[5] * ty + r[9] * tz);
    r[14] = -(r[2] * tx + r[6] * ty + r[10] * tz);
    return r;
  }

  /** Takes scale and shear out, leaving a pure rotation and place (Gram–Schmidt from Z, then Y). */
  public static void makeRigid(double[] m, int at) {
    double zl = length(m, at + 8);
    if (zl == 0) {
      double x = m[at + 12], y = m[at + 13], z = m[at + 14];
      identity(m, at);
      m[at + 12] = x;
      m[at + 13] = y;
      m[at + 14] = z;
      return;
    }
    scaleColumn(m, at + 8, 1 / zl);
    double d = m[at + 4] * m[at + 8] + m[at + 5] * m[at + 9] + m[at + 6] * m[at + 10];
    for (int i = 0; i < 3; i++) m[at + 4 + i] -= d * m[at + 8 + i];
    double yl = length(m, at + 4);
    if (yl < 1e-12) {
      Rotation.anyPerpendicular(m, at + 8, m, at + 4);
    } else {
      scaleColumn(m, at + 4, 1 / yl);
    }
    m[at] = m[at + 5] * m[at + 10] - m[at + 6] * m[at + 9];
    m[at + 1] = m[at + 6] * m[at + 8] - m[at + 4] * m[at + 10];
    m[at + 2] = m[at + 4] * m[at + 9] - m[at + 5] * m[at + 8];
  }

  private static double length(double[] m, int at) {
    return Math.sqrt(m[at] * m[at] + m[at + 1] * m[at + 1] + m[at + 2] * m[at + 2]);
  }

  private static void scaleColumn(double[] m, int at, double k) {
    m[at] *= k;
    m[at + 1] *= k;
    m[at + 2] *= k;
  }
}
