package kite.core.math;

/**
 * Affine transforms as column-major arrays of 16 doubles, addressed by an offset so that many can
 * share one array. No method allocates unless its name says {@code new}.
 */
public final class Matrix {
  /** A Y axis that is no longer than this after what it shares with Z is taken off lies along Z. */
  private static final double FLAT = 1e-12;

  public static final int SIZE = 16;

  /** Numbers of a column: x, y, z, and 0, or 1 for the origin's. */
  public static final int COLUMN = 4;

  /** Where x, y and z of the X axis stand; XX is the first of all. */
  public static final int XX = 0, XY = 1, XZ = 2, XW = 3;

  /** Where x, y and z of the Y axis stand. */
  public static final int YX = 4, YY = 5, YZ = 6, YW = 7;

  /** Where x, y and z of the Z axis stand: it points back, out of a lens. */
  public static final int ZX = 8, ZY = 9, ZZ = 10, ZW = 11;

  /** Where x, y and z of the origin stand, and the 1 that ends it all. */
  public static final int OX = 12, OY = 13, OZ = 14, OW = 15;

  private Matrix() {}

  public static double[] newIdentity() {
    double[] m = new double[SIZE];
    identity(m, 0);
    return m;
  }

  public static void identity(double[] m, int at) {
    for (int i = 0; i < SIZE; i++) m[at + i] = 0;
    m[at] = m[at + YY] = m[at + ZZ] = m[at + OW] = 1;
  }

  /** out = a · b. {@code out} may not overlap {@code a} or {@code b}. */
  public static void multiply(double[] a, int ai, double[] b, int bi, double[] out, int oi) {
    for (int c = 0; c < SIZE; c += COLUMN) {
      double b0 = b[bi + c], b1 = b[bi + c + 1], b2 = b[bi + c + 2], b3 = b[bi + c + 3];
      out[oi + c] = a[ai] * b0 + a[ai + YX] * b1 + a[ai + ZX] * b2 + a[ai + OX] * b3;
      out[oi + c + 1] = a[ai + XY] * b0 + a[ai + YY] * b1 + a[ai + ZY] * b2 + a[ai + OY] * b3;
      out[oi + c + 2] = a[ai + XZ] * b0 + a[ai + YZ] * b1 + a[ai + ZZ] * b2 + a[ai + OZ] * b3;
      out[oi + c + 3] = b3;
    }
  }

  /** out = a moved along its own axes by so much. {@code out} may not overlap {@code a}. */
  public static void moved(double[] a, int ai, double x, double y, double z, double[] out, int oi) {
    for (int i = 0; i < OX; i++) out[oi + i] = a[ai + i];
    point(a, ai, x, y, z, out, oi + OX);
    out[oi + OW] = 1;
  }

  /** The point {@code (x, y, z)} carried by the transform, written to {@code out[oi..oi+2]}. */
  public static void point(double[] m, int at, double x, double y, double z, double[] out, int oi) {
    double px = m[at] * x + m[at + YX] * y + m[at + ZX] * z + m[at + OX];
    double py = m[at + XY] * x + m[at + YY] * y + m[at + ZY] * z + m[at + OY];
    out[oi + 2] = m[at + XZ] * x + m[at + YZ] * y + m[at + ZZ] * z + m[at + OZ];
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
    return new Vec3(m[at + OX], m[at + OY], m[at + OZ]);
  }

  /**
   * The inverse of any affine transform with a non-zero volume.
   *
   * @throws ArithmeticException when the transform flattens space (a zero scale), naming the reason
   */
  public static double[] newInverse(double[] m, int at) {
    double a = m[at], b = m[at + YX], c = m[at + ZX];
    double d = m[at + XY], e = m[at + YY], f = m[at + ZY];
    double g = m[at + XZ], h = m[at + YZ], i = m[at + ZZ];
    double det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
    if (det == 0 || Double.isNaN(det))
      throw new ArithmeticException("a transform with a zero scale has no inverse");
    double k = 1 / det;
    double[] r = newIdentity();
    r[XX] = (e * i - f * h) * k;
    r[YX] = (c * h - b * i) * k;
    r[ZX] = (b * f - c * e) * k;
    r[XY] = (f * g - d * i) * k;
    r[YY] = (a * i - c * g) * k;
    r[ZY] = (c * d - a * f) * k;
    r[XZ] = (d * h - e * g) * k;
    r[YZ] = (b * g - a * h) * k;
    r[ZZ] = (a * e - b * d) * k;
    double tx = m[at + OX], ty = m[at + OY], tz = m[at + OZ];
    r[OX] = -(r[XX] * tx + r[YX] * ty + r[ZX] * tz);
    r[OY] = -(r[XY] * tx + r[YY] * ty + r[ZY] * tz);
    r[OZ] = -(r[XZ] * tx + r[YZ] * ty + r[ZZ] * tz);
    return r;
  }

  /** Takes scale and shear out, leaving a pure rotation and place (Gram–Schmidt from Z, then Y). */
  public static void makeRigid(double[] m, int at) {
    double zl = length(m, at + ZX);
    if (zl == 0) {
      double x = m[at + OX], y = m[at + OY], z = m[at + OZ];
      identity(m, at);
      m[at + OX] = x;
      m[at + OY] = y;
      m[at + OZ] = z;
      return;
    }
    scaleColumn(m, at + ZX, 1 / zl);
    double d = m[at + YX] * m[at + ZX] + m[at + YY] * m[at + ZY] + m[at + YZ] * m[at + ZZ];
    for (int i = 0; i < 3; i++) m[at + YX + i] -= d * m[at + ZX + i];
    double yl = length(m, at + YX);
    if (yl < FLAT) {
      Rotation.anyPerpendicular(m, at + ZX, m, at + YX);
    } else {
      scaleColumn(m, at + YX, 1 / yl);
    }
    m[at] = m[at + YY] * m[at + ZZ] - m[at + YZ] * m[at + ZY];
    m[at + XY] = m[at + YZ] * m[at + ZX] - m[at + YX] * m[at + ZZ];
    m[at + XZ] = m[at + YX] * m[at + ZY] - m[at + YY] * m[at + ZX];
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
