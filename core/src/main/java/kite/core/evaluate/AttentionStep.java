package kite.core.evaluate;

import kite.core.cue.CueTrack;
import kite.core.curve.CompiledCurve;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.Attention;
import kite.core.rig.RigPart;

/**
 * Turns the camera towards its subjects.
 *
 * <p>The upright aim is solved in closed form for the place in frame. Near the up axis, where an
 * upright aim would spin, it gives way to the shortest turn from the incoming orientation: both put
 * the subject on the same place, so their blend does too, and nothing flips.
 */
final class AttentionStep implements Step {
  /** Within this cosine of the up axis the shortest turn has taken over fully … */
  private static final double FREE_COS = Math.cos(Math.toRadians(4));

  /** … and beyond this one the upright aim holds alone. */
  private static final double LEVEL_COS = Math.cos(Math.toRadians(14));

  /** A subject nearer than this has no direction; the incoming orientation stays. */
  private static final double AT_THE_LENS_M = 1e-6;

  private final CompiledCurve[] c;
  private final CueTrack track;
  private final SubjectPoints subjects;
  private final int upSlot;
  private final Attention.Up up;
  private final boolean directions;
  private final double[] shares;
  private final double[] point = new double[3];
  private final double[] upAxis = new double[3];
  private final double[] q0 = new double[4];
  private final double[] q1 = new double[4];
  private final double[] q2 = new double[4];
  private final double[] q3 = new double[4];
  private final double[] basis = Matrix.newIdentity();
  private final double[] aimed = Matrix.newIdentity();

  AttentionStep(Attention a, SubjectPoints subjects, int upSlot) {
    c = Node.compile(a.channels(), a.specs());
    track = a.track();
    this.subjects = subjects;
    shares = new double[subjects.count()];
    this.upSlot = upSlot;
    up = a.up();
    directions = a.blend() == Attention.Blend.DIRECTIONS;
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    track.shares(frame, shares);
    double total = attended(frame, plan, m);
    double strength = Math.min(1, total) * Node.within(RigPart.STRENGTH, c[3].value(frame));
    if (strength <= 0) return;
    double l = Math.sqrt(point[0] * point[0] + point[1] * point[1] + point[2] * point[2]);
    if (l < AT_THE_LENS_M) return;
    double dx = point[0] / l, dy = point[1] / l, dz = point[2] / l;
    double across = c[0].value(frame), down = c[1].value(frame);
    double cx = sight.left + across * (sight.right - sight.left);
    double cy = sight.top + down * (sight.bottom - sight.top),
        cl = Math.sqrt(cx * cx + cy * cy + 1);
    Rotation.toQuaternion(m, 0, q0);
    shortest(m, cx / cl, cy / cl, -1 / cl, dx, dy, dz);
    if (up != Attention.Up.FREE) {
      upAxis(plan);
      // past this height an upright camera cannot put the subject on its place at all
      double reach = Math.hypot(cy, 1) / cl;
      double along = Math.abs(dx * upAxis[0] + dy * upAxis[1] + dz * upAxis[2]) / reach;
      double free = Math.max(0, Math.min(1, (along - LEVEL_COS) / (FREE_COS - LEVEL_COS)));
      if (free < 1) {
        upright(cx / cl, cy / cl, -1 / cl, dx, dy, dz);
        Rotation.blend(q2, q1, free * free * (3 - 2 * free), q1);
      }
    }
    double roll = Math.toRadians(c[2].value(frame)) / 2;
    if (roll != 0) {
      double[] turn = q2;
      turn[0] = dx * -Math.sin(roll);
      turn[1] = dy * -Math.sin(roll);
      turn[2] = dz * -Math.sin(roll);
      turn[3] = Math.cos(roll);
      Rotation.multiply(turn, q1, q1);
    }
    Rotation.blend(q0, q1, strength, q0);
    Rotation.toMatrix(q0, m, 0);
  }

  /** Fills {@code point} with the attended point relative to the camera; gives the shares' sum. */
  private double attended(double frame, Plan plan, double[] m) {
    double x = 0, y = 0, z = 0, sum = 0, total = 0;
    for (int i = 0; i < shares.length; i++) {
      if (shares[i] <= 0) continue;
      total += shares[i];
      subjects.world(i, frame, plan, point);
      double px = point[0] - m[12], py = point[1] - m[13], pz = point[2] - m[14];
      double k = shares[i];
      if (directions) {
        double l = Math.sqrt(px * px + py * py + pz * pz);
        k = l < AT_THE_LENS_M ? 0 : k / l;
      }
      x += px * k;
      y += py * k;
      z += pz * k;
      sum += shares[i];
    }
    point[0] = sum == 0 ? 0 : x / sum;
    point[1] = sum == 0 ? 0 : y / sum;
    point[2] = sum == 0 ? 0 : z / sum;
    return total;
  }

  /** q1 = the incoming orientation, turned the shortest way so that c points along d. */
  private void shortest(
      double[] m, double cx, double cy, double cz, double dx, double dy, double dz) {
    double fx = m[0] * cx + m[4] * cy + m[8] * cz;
    double fy = m[1] * cx + m[5] * cy + m[9] * cz;
    double fz = m[2] * cx + m[6] * cy + m[10] * cz;
    Rotation.between(fx, fy, fz, dx, dy, dz, q1);
    Rotation.multiply(q1, q0, q1);
  }

  private void upAxis(Plan plan) {
    upAxis[0] = upAxis[2] = 0;
    upAxis[1] = 1;
    if (up != Attention.Up.PIECE || upSlot < 0) return;
    int o = upSlot * Matrix.SIZE + 4;
    double l =
        Math.sqrt(
            plan.world[o] * plan.world[o]
                + plan.world[o + 1] * plan.world[o + 1]
                + plan.world[o + 2] * plan.world[o + 2]);
    if (l > 0) for (int i = 0; i < 3; i++) upAxis[i] = plan.world[o + i] / l;
  }

  /** q2 = the orientation with no roll about the up axis that sees direction d along c. */
  private void upright(double cx, double cy, double cz, double dx, double dy, double dz) {
    double ex = dx, ey = dy, ez = dz;
    if (up == Attention.Up.PIECE) {
      Rotation.between(0, 1, 0, upAxis[0], upAxis[1], upAxis[2], q2);
      Rotation.toMatrix(q2, basis, 0);
      ex = basis[0] * dx + basis[1] * dy + basis[2] * dz;
      ey = basis[4] * dx + basis[5] * dy + basis[6] * dz;
      ez = basis[8] * dx + basis[9] * dy + basis[10] * dz;
    }
    double reach = Math.hypot(cy, cz);
    double tilt = Math.asin(Math.max(-1, Math.min(1, ey / reach))) - Math.atan2(cy, -cz);
    double z = cy * Math.sin(tilt) + cz * Math.cos(tilt);
    double pan = Math.atan2(ex, ez) - Math.atan2(cx, z);
    Rotation.panTiltRoll(pan, tilt, 0, aimed, 0);
    if (up != Attention.Up.PIECE) {
      Rotation.toQuaternion(aimed, 0, q2);
      return;
    }
    Rotation.toQuaternion(aimed, 0, q3);
    Rotation.multiply(q2, q3, q2);
  }
}
