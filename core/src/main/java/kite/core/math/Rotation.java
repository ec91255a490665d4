package kite.core.math;

/** Rotations between angles, matrices and unit quaternions (x, y, z, w). Angles in radians. */
public final class Rotation {
  /** Sines nearer to 1 than this are a turn by 90°: the two other angles turn about one axis. */
  private static final double UPRIGHT = 1e-12;

  /** Below this a half turn has no axis of its own between the directions: any across will do. */
  private static final double OPPOSITE = 1e-12;

  /** Below this cosine distance two quaternions are blended straight: the arc is flat to 1e-12. */
  private static final double FLAT_ARC = 1e-12;

  private Rotation() {}

  /** The shortest turn to an angle: the same angle between −π and π. */
  public static double shortestTurn(double angle) {
    return angle - 2 * Math.PI * Math.rint(angle / (2 * Math.PI));
  }

  /** Writes the 3×3 part of a pan, tilt, roll rotation (Ry·Rx·Rz), leaving the rest as it was. */
  public static void panTiltRoll(double pan, double tilt, double roll, double[] m, int at) {
    // most angles of most things are 0, and the browser build leaves itself for a sine
    double cp = pan == 0 ? 1 : Trig.cos(pan), sp = pan == 0 ? 0 : Trig.sin(pan);
    double ct = tilt == 0 ? 1 : Trig.cos(tilt), st = tilt == 0 ? 0 : Trig.sin(tilt);
    double cr = roll == 0 ? 1 : Trig.cos(roll), sr = roll == 0 ? 0 : Trig.sin(roll);
    m[at] = cp * cr + sp * st * sr;
    m[at + Matrix.XY] = ct * sr;
    m[at + Matrix.XZ] = -sp * cr + cp * st * sr;
    m[at + Matrix.YX] = -cp * sr + sp * st * cr;
    m[at + Matrix.YY] = ct * cr;
    m[at + Matrix.YZ] = sp * sr + cp * st * cr;
    m[at + Matrix.ZX] = sp * ct;
    m[at + Matrix.ZY] = -st;
    m[at + Matrix.ZZ] = cp * ct;
  }

  /** Writes the 3×3 part of a pan and tilt, given by their sines and cosines. */
  public static void panTilt(double sp, double cp, double st, double ct, double[] m, int at) {
    m[at] = cp;
    m[at + Matrix.XY] = 0;
    m[at + Matrix.XZ] = -sp;
    m[at + Matrix.YX] = sp * st;
    m[at + Matrix.YY] = ct;
    m[at + Matrix.YZ] = cp * st;
    m[at + Matrix.ZX] = sp * ct;
    m[at + Matrix.ZY] = -st;
    m[at + Matrix.ZZ] = cp * ct;
  }

  /** Writes the 3×3 part of a rotation in any order of its three angles. */
  public static void angles(
      AxisOrder order, double pan, double tilt, double roll, double[] m, int at) {
    if (order == AxisOrder.PAN_TILT_ROLL) {
      panTiltRoll(pan, tilt, roll, m, at);
      return;
    }
    for (int i = 0; i < 3; i++) for (int j = 0; j < 3; j++) m[at + j * 4 + i] = i == j ? 1 : 0;
    about(order.first, pan, tilt, roll, m, at);
    about(order.second, pan, tilt, roll, m, at);
    about(order.third, pan, tilt, roll, m, at);
  }

  /** m = m · the turn about one of its axes: the two columns across that axis turn. */
  private static void about(int axis, double pan, double tilt, double roll, double[] m, int at) {
    double angle = axis == 0 ? tilt : axis == 1 ? pan : roll;
    double c = Trig.cos(angle), s = Trig.sin(angle);
    int j = at + (axis + 1) % 3 * 4, k = at + (axis + 2) % 3 * 4;
    for (int i = 0; i < 3; i++) {
      double a = m[j + i], b = m[k + i];
      m[j + i] = c * a + s * b;
      m[k + i] = c * b - s * a;
    }
  }

  /**
   * Pan, tilt and roll of a pure rotation, in radians. Tilt is in ±90°. Looking straight up or
   * down, where pan and roll turn about one axis, roll is given as 0 and pan takes the whole turn.
   */
  public static double[] newPanTiltRoll(double[] m, int at) {
    double st = Math.max(-1, Math.min(1, -m[at + Matrix.ZY]));
    double tilt = ArcTrig.asin(st);
    if (Math.abs(st) > 1 - UPRIGHT) {
      return new double[] {ArcTrig.atan2(-m[at + Matrix.XZ], m[at]), tilt, 0};
    }
    return new double[] {
      ArcTrig.atan2(m[at + Matrix.ZX], m[at + Matrix.ZZ]),
      tilt,
      ArcTrig.atan2(m[at + Matrix.XY], m[at + Matrix.YY])
    };
  }

  /**
   * Pan, tilt and roll, in radians, that {@link #angles} makes this pure rotation of in an order.
   * Where the middle angle is ±90° the last one is 0 and the first takes the whole turn.
   */
  public static double[] newAngles(AxisOrder order, double[] m, int at) {
    int i = order.first, j = order.second, k = order.third;
    double sign = (j - i + 3) % 3 == 1 ? 1 : -1;
    double sin = Math.max(-1, Math.min(1, sign * m[at + k * 4 + i]));
    double[] found = new double[3]; // by axis
    found[j] = ArcTrig.asin(sin);
    if (Math.abs(sin) > 1 - UPRIGHT) {
      found[i] = ArcTrig.atan2(sign * m[at + j * 4 + k], m[at + j * 4 + j]);
    } else {
      found[i] = ArcTrig.atan2(-sign * m[at + k * 4 + j], m[at + k * 4 + k]);
      found[k] = ArcTrig.atan2(-sign * m[at + j * 4 + i], m[at + i * 4 + i]);
    }
    return new double[] {found[1], found[0], found[2]};
  }

  /** out = a ∘ b for quaternions; {@code out} may be {@code a} or {@code b}. */
  public static void multiply(double[] a, double[] b, double[] out) {
    double x = a[3] * b[0] + a[0] * b[3] + a[1] * b[2] - a[2] * b[1];
    double y = a[3] * b[1] - a[0] * b[2] + a[1] * b[3] + a[2] * b[0];
    double z = a[3] * b[2] + a[0] * b[1] - a[1] * b[0] + a[2] * b[3];
    double w = a[3] * b[3] - a[0] * b[0] - a[1] * b[1] - a[2] * b[2];
    out[0] = x;
    out[1] = y;
    out[2] = z;
    out[3] = w;
  }

  /** Writes the 3×3 part of the rotation a unit quaternion stands for. */
  public static void toMatrix(double[] q, double[] m, int at) {
    double x = q[0], y = q[1], z = q[2], w = q[3];
    m[at] = 1 - 2 * (y * y + z * z);
    m[at + Matrix.XY] = 2 * (x * y + w * z);
    m[at + Matrix.XZ] = 2 * (x * z - w * y);
    m[at + Matrix.YX] = 2 * (x * y - w * z);
    m[at + Matrix.YY] = 1 - 2 * (x * x + z * z);
    m[at + Matrix.YZ] = 2 * (y * z + w * x);
    m[at + Matrix.ZX] = 2 * (x * z + w * y);
    m[at + Matrix.ZY] = 2 * (y * z - w * x);
    m[at + Matrix.ZZ] = 1 - 2 * (x * x + y * y);
  }

  /** The unit quaternion of a pure rotation (Shepperd's method: the largest pivot is taken). */
  public static void toQuaternion(double[] m, int at, double[] q) {
    double trace = m[at] + m[at + Matrix.YY] + m[at + Matrix.ZZ];
    if (trace > 0) {
      double s = Math.sqrt(trace + 1) * 2;
      set(
          q,
          (m[at + Matrix.YZ] - m[at + Matrix.ZY]) / s,
          (m[at + Matrix.ZX] - m[at + Matrix.XZ]) / s,
          (m[at + Matrix.XY] - m[at + Matrix.YX]) / s,
          s / 4);
    } else if (m[at] > m[at + Matrix.YY] && m[at] > m[at + Matrix.ZZ]) {
      double s = Math.sqrt(1 + m[at] - m[at + Matrix.YY] - m[at + Matrix.ZZ]) * 2;
      set(
          q,
          s / 4,
          (m[at + Matrix.XY] + m[at + Matrix.YX]) / s,
          (m[at + Matrix.ZX] + m[at + Matrix.XZ]) / s,
          (m[at + Matrix.YZ] - m[at + Matrix.ZY]) / s);
    } else if (m[at + Matrix.YY] > m[at + Matrix.ZZ]) {
      double s = Math.sqrt(1 + m[at + Matrix.YY] - m[at] - m[at + Matrix.ZZ]) * 2;
      set(
          q,
          (m[at + Matrix.XY] + m[at + Matrix.YX]) / s,
          s / 4,
          (m[at + Matrix.YZ] + m[at + Matrix.ZY]) / s,
          (m[at + Matrix.ZX] - m[at + Matrix.XZ]) / s);
    } else {
      double s = Math.sqrt(1 + m[at + Matrix.ZZ] - m[at] - m[at + Matrix.YY]) * 2;
      set(
          q,
          (m[at + Matrix.ZX] + m[at + Matrix.XZ]) / s,
          (m[at + Matrix.YZ] + m[at + Matrix.ZY]) / s,
          s / 4,
          (m[at + Matrix.XY] - m[at + Matrix.YX]) / s);
    }
  }

  /**
   * Blends two rotations along the shortest arc; {@code t} 0 gives {@code a}, 1 gives {@code b}.
   */
  public static void blend(double[] a, double[] b, double t, double[] out) {
    double dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3];
    double sign = dot < 0 ? -1 : 1;
    dot = Math.min(1, Math.abs(dot));
    double ka = 1 - t, kb = t;
    if (t > 0 && t < 1 && 1 - dot > FLAT_ARC) {
      double angle = ArcTrig.acos(dot), s = Trig.sin(angle);
      ka = Trig.sin((1 - t) * angle) / s;
      kb = Trig.sin(t * angle) / s;
    }
    kb *= sign;
    set(
        out,
        ka * a[0] + kb * b[0],
        ka * a[1] + kb * b[1],
        ka * a[2] + kb * b[2],
        ka * a[3] + kb * b[3]);
    normalise(out);
  }

  public static void normalise(double[] q) {
    double l = Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
    if (l == 0) {
      set(q, 0, 0, 0, 1);
      return;
    }
    for (int i = 0; i < 4; i++) q[i] /= l;
  }

  /**
   * The shortest rotation that takes unit direction {@code f} onto unit direction {@code t}, as a
   * quaternion. For opposite directions the axis is not defined; any perpendicular one is used.
   */
  public static void between(
      double fx, double fy, double fz, double tx, double ty, double tz, double[] q) {
    double w = 1 + fx * tx + fy * ty + fz * tz;
    if (w < OPPOSITE) {
      double[] f = {fx, fy, fz};
      anyPerpendicular(f, 0, q, 0);
      q[3] = 0;
      return;
    }
    set(q, fy * tz - fz * ty, fz * tx - fx * tz, fx * ty - fy * tx, w);
    normalise(q);
  }

  /** Writes some unit vector at right angles to the one at {@code v[vi]}. */
  static void anyPerpendicular(double[] v, int vi, double[] out, int oi) {
    double x = v[vi], y = v[vi + 1], z = v[vi + 2];
    double ax = Math.abs(x) < 0.6 ? 1 : 0, ay = ax == 1 ? 0 : 1;
    double cx = -z * ay, cy = z * ax, cz = x * ay - y * ax;
    double l = Math.sqrt(cx * cx + cy * cy + cz * cz);
    out[oi] = cx / l;
    out[oi + 1] = cy / l;
    out[oi + 2] = cz / l;
  }

  private static void set(double[] q, double x, double y, double z, double w) {
    q[0] = x;
    q[1] = y;
    q[2] = z;
    q[3] = w;
  }
}
