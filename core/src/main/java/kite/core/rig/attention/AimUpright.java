package kite.core.rig.attention;

import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.PassageRoll;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/**
 * The orientation that sees a direction on a place in the frame, as upright as it may be.
 *
 * <p>Upright is solved in closed form. Near the up axis, where it has no limit, the picture is
 * carried from frame to frame and rolls as {@link PassageRoll} says, by the share of the way that
 * was gone. An aim that circles the axis turns with it. The same holds for a free up where the
 * direction passes behind the incoming orientation.
 *
 * <p>So no passage rolls by more than some {@link PassageRoll#MOST} times what the direction itself
 * turns, and what a frame shows follows from the motion alone.
 */
final class AimUpright {
  /** Where a passage begins with a free up: a shortest turn rolls twice as fast as upright. */
  private static final double BEHIND = Trig.radians(40);

  /** Within this cosine of the up axis the shortest turn stands in for upright fully … */
  private static final double FREE_COS = Trig.cos(Trig.radians(4));

  /** … and beyond this one upright holds alone. */
  private static final double LEVEL_COS = Trig.cos(Trig.radians(14));

  /** Frames over which the roll at a passage's ends is measured. */
  private static final double SLOPE_FRAMES = 0.02;

  /** A way shorter than this, radians, is none. */
  private static final double NO_WAY = 1e-9;

  private final AimMoments moments;
  private final AimDirection direction;
  private final Attention.Up up;
  private final double steep;
  private final Stretches<Passage> passages;
  private final double[] q2 = new double[4];
  private final double[] q3 = new double[4];
  private final double[] basis = Matrix.newIdentity();
  private final double[] aimed = Matrix.newIdentity();
  private final double[] there = new double[3];

  /** A passage by an axis: the carried orientation, the way gone and the direction by frames. */
  private static final class Passage extends Stretches.Stretch {
    double[][] carried;
    double[] way;
    double roll;
    double slopeIn;
    double slopeOut;
  }

  AimUpright(AimMoments moments, AimDirection direction, Attention.Up up) {
    this.moments = moments;
    this.direction = direction;
    this.up = up;
    steep = up == Attention.Up.FREE ? BEHIND : PassageRoll.STEEP;
    passages = new Stretches<>(this::depth, Passage::new);
  }

  void forget() {
    passages.forget();
  }

  private double depth(double frame) {
    return direction.at(frame, there) ? steep - fromAxis(moments.at(frame), there) : -1;
  }

  /** Whether a direction is far enough from the axis for upright to hold alone. */
  boolean isPlain(double[] row, double[] d) {
    return up == Attention.Up.FREE
        ? fromAxis(row, d) >= steep
        : along(row, d) <= PassageRoll.STEEP_COS;
  }

  /** The angle to the nearest direction in which there is no telling what is upright. */
  private double fromAxis(double[] row, double[] d) {
    if (up == Attention.Up.FREE) {
      forward(row, q3);
      return AimDirection.angle(-q3[0], -q3[1], -q3[2], d[0], d[1], d[2]);
    }
    return ArcTrig.acos(Math.min(1, along(row, d)));
  }

  /**
   * The cosine to the up axis, of the most that an upright camera can look up with its subject on
   * that place in the frame.
   */
  private static double along(double[] row, double[] d) {
    double y = row[AimMoments.SEEN + 1], z = row[AimMoments.SEEN + 2];
    double reach = Math.sqrt(y * y + z * z);
    return Math.abs(
            d[0] * row[AimMoments.UP]
                + d[1] * row[AimMoments.UP + 1]
                + d[2] * row[AimMoments.UP + 2])
        / reach;
  }

  /** The orientation at a frame, where other frames may be looked at. */
  void at(double frame, double[] d, double[] out) {
    double[] row = moments.at(frame);
    if (isPlain(row, d)) {
      plain(row, d, out);
      return;
    }
    Passage p = passages.of(frame);
    if (p == null) {
      p = passages.find(frame, moments.first, moments.last);
      if (p != null) carry(p);
      if (p == null || frame < p.from || frame > p.to) {
        plain(row, d, out);
        return;
      }
    }
    int k = before(p, frame);
    double way = p.way[k] + follow(p.carried[k], row, d, out);
    double whole = p.way[p.way.length - 1];
    rolled(d, whole < NO_WAY ? 0 : madeUp(p, way / whole, whole), out);
  }

  /** The kept row of a passage at or before a frame. */
  private static int before(Passage p, double frame) {
    return Math.max(
        0, Math.min(p.carried.length - 2, (int) (Math.floor(frame) - Math.floor(p.from))));
  }

  private static double frameOf(Passage p, int row) {
    return row == 0 ? p.from : Math.min(p.to, Math.floor(p.from) + row);
  }

  private void carry(Passage p) {
    int rows = (int) (Math.ceil(p.to) - Math.floor(p.from)) + 1;
    p.carried = new double[rows][CARRIED];
    p.way = new double[rows];
    double[] d = new double[3], upright = new double[4], q = new double[4];
    double turned = 0, last = 0;
    for (int k = 0; k < rows; k++) {
      double f = frameOf(p, k);
      double[] row = moments.at(f);
      if (!direction.at(f, d)) System.arraycopy(p.carried[Math.max(0, k - 1)], TO, d, 0, 3);
      plain(row, d, upright);
      if (k == 0) System.arraycopy(upright, 0, q, 0, 4);
      else p.way[k] = p.way[k - 1] + follow(p.carried[k - 1], row, d, q);
      keep(p.carried[k], q, d, row);
      double roll = rollBetween(q, upright, d);
      turned += Rotation.shortestTurn(roll - last);
      last = roll;
    }
    p.roll = PassageRoll.missing(turned, p.way[rows - 1]);
    p.slopeIn = p.opens ? slope(p, p.from, Math.min(SLOPE_FRAMES, (p.to - p.from) / 4)) : 0;
    p.slopeOut = p.closes ? slope(p, p.to, -Math.min(SLOPE_FRAMES, (p.to - p.from) / 4)) : 0;
  }

  /** How an upright camera rolls against a carried one at an end of a passage, per way gone. */
  private double slope(Passage p, double end, double by) {
    double[] d = new double[3], e = new double[3], q = new double[4], r = new double[4];
    if (!direction.at(end, d) || !direction.at(end + by, e)) return 0;
    double[] kept = new double[CARRIED];
    plain(moments.at(end), d, q);
    keep(kept, q, d, moments.at(end));
    double way = follow(kept, moments.at(end + by), e, r);
    plain(moments.at(end + by), e, q);
    if (way < NO_WAY) return 0;
    double slope = rollBetween(r, q, e) / way * Math.signum(by);
    return Math.max(-PassageRoll.MOST, Math.min(PassageRoll.MOST, slope));
  }

  private static double madeUp(Passage p, double share, double whole) {
    return PassageRoll.at(share, p.roll, p.slopeIn * whole, p.slopeOut * whole);
  }

  /** A carried row: the orientation, a quaternion, … */
  private static final int WAY = 0;

  /** … its direction, … */
  private static final int TO = 4;

  /** … where that is seen, … */
  private static final int SEEN = 7;

  /** … its up, … */
  private static final int UP = 10;

  /** … and how many numbers that makes. */
  private static final int CARRIED = 13;

  private static void keep(double[] to, double[] q, double[] d, double[] row) {
    System.arraycopy(q, 0, to, WAY, 4);
    System.arraycopy(d, 0, to, TO, 3);
    System.arraycopy(row, AimMoments.SEEN, to, SEEN, 3);
    System.arraycopy(row, AimMoments.UP, to, UP, 3);
  }

  private static double angle(double[] a, int i, double[] b, int j) {
    return AimDirection.angle(a[i], a[i + 1], a[i + 2], b[j], b[j + 1], b[j + 2]);
  }

  /** Carries an orientation on to another direction; gives the way gone, radians. */
  private double follow(double[] from, double[] row, double[] d, double[] out) {
    System.arraycopy(from, WAY, out, 0, 4);
    onto(row, d, out);
    return angle(from, TO, d, 0)
        + angle(from, SEEN, row, AimMoments.SEEN)
        + angle(from, UP, row, AimMoments.UP);
  }

  /** The turn about a direction that takes one orientation to another which sees it alike. */
  private double rollBetween(double[] a, double[] b, double[] d) {
    double[] r = q3;
    for (int i = 0; i < 3; i++) r[i] = -a[i];
    r[3] = a[3];
    Rotation.multiply(b, r, r);
    return 2 * ArcTrig.atan2(r[0] * d[0] + r[1] * d[1] + r[2] * d[2], r[3]);
  }

  /** Turns an orientation about a direction. */
  void rolled(double[] d, double angle, double[] q) {
    if (angle == 0) return;
    double s = Trig.sin(angle / 2);
    for (int i = 0; i < 3; i++) q3[i] = d[i] * s;
    q3[3] = Trig.cos(angle / 2);
    Rotation.multiply(q3, q, q);
  }

  /**
   * The orientation that needs no other frame: upright, giving way near the axis to the shortest
   * turn from the incoming one.
   */
  void plain(double[] row, double[] d, double[] out) {
    double free = 1;
    if (up != Attention.Up.FREE) free = (along(row, d) - LEVEL_COS) / (FREE_COS - LEVEL_COS);
    if (free <= 0) {
      upright(row, d, out);
      return;
    }
    System.arraycopy(row, AimMoments.INCOMING, out, 0, 4);
    onto(row, d, out);
    if (free >= 1) return;
    upright(row, d, q2);
    Rotation.blend(q2, out, free * free * (3 - 2 * free), out);
  }

  /** Where an orientation that is still the incoming one sees its place in the frame. */
  private void forward(double[] row, double[] out) {
    Rotation.toMatrix(row, basis, 0); // the incoming quaternion is a row's first four numbers
    double x = row[AimMoments.SEEN], y = row[AimMoments.SEEN + 1], z = row[AimMoments.SEEN + 2];
    for (int i = 0; i < 3; i++)
      out[i] = basis[Matrix.XX + i] * x + basis[Matrix.YX + i] * y + basis[Matrix.ZX + i] * z;
  }

  /** Turns an orientation the shortest way so that it sees a direction on its place. */
  private void onto(double[] row, double[] d, double[] q) {
    Rotation.toMatrix(q, basis, 0);
    double x = row[AimMoments.SEEN], y = row[AimMoments.SEEN + 1], z = row[AimMoments.SEEN + 2];
    double fx = basis[Matrix.XX] * x + basis[Matrix.YX] * y + basis[Matrix.ZX] * z;
    double fy = basis[Matrix.XY] * x + basis[Matrix.YY] * y + basis[Matrix.ZY] * z;
    double fz = basis[Matrix.XZ] * x + basis[Matrix.YZ] * y + basis[Matrix.ZZ] * z;
    Rotation.between(fx, fy, fz, d[0], d[1], d[2], q3);
    Rotation.multiply(q3, q, q);
  }

  /** The orientation with no roll about the up axis that sees a direction on its place. */
  private void upright(double[] row, double[] d, double[] out) {
    double cx = row[AimMoments.SEEN], cy = row[AimMoments.SEEN + 1], cz = row[AimMoments.SEEN + 2];
    double ex = d[0], ey = d[1], ez = d[2];
    boolean piece = up == Attention.Up.PIECE;
    if (piece) {
      Rotation.between(
          0, 1, 0, row[AimMoments.UP], row[AimMoments.UP + 1], row[AimMoments.UP + 2], out);
      Rotation.toMatrix(out, basis, 0);
      ex = basis[Matrix.XX] * d[0] + basis[Matrix.XY] * d[1] + basis[Matrix.XZ] * d[2];
      ey = basis[Matrix.YX] * d[0] + basis[Matrix.YY] * d[1] + basis[Matrix.YZ] * d[2];
      ez = basis[Matrix.ZX] * d[0] + basis[Matrix.ZY] * d[1] + basis[Matrix.ZZ] * d[2];
    }
    // tilt is asin(ey / reach) − atan2(cy, −cz), pan atan2(ex, ez) − atan2(cx, z)
    double reach = Math.sqrt(cy * cy + cz * cz);
    double sin = Math.max(-1, Math.min(1, ey / reach)), cos = Math.sqrt(1 - sin * sin);
    double sinTilt = (-sin * cz - cos * cy) / reach, cosTilt = (sin * cy - cos * cz) / reach;
    double z = cy * sinTilt + cz * cosTilt;
    double l = Math.sqrt((ex * ex + ez * ez) * (cx * cx + z * z));
    double sinPan = l == 0 ? 0 : (ex * z - ez * cx) / l,
        cosPan = l == 0 ? 1 : (ez * z + ex * cx) / l;
    Rotation.panTilt(sinPan, cosPan, sinTilt, cosTilt, aimed, 0);
    if (!piece) {
      Rotation.toQuaternion(aimed, 0, out);
      return;
    }
    Rotation.toQuaternion(aimed, 0, q3);
    Rotation.multiply(out, q3, out);
  }
}
