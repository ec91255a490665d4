package kite.core.rig.attention;

import kite.core.evaluate.Elsewhere;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.evaluate.SubjectPoints;
import kite.core.math.Rotation;

/**
 * Turns the camera towards its subjects: in which direction they lie ({@link AimDirection}), which
 * way is up ({@link AimUpright}), and how much of the turn is taken ({@link AimStrength}).
 *
 * <p>Away from the places where these have no single answer, each follows from the frame alone.
 * Near them the motion around the frame is looked at, so that the camera turns by no more than some
 * multiple of what its subjects, its own place and the eases do.
 */
final class AttentionStep implements Step {
  private final AimMoments moments;
  private final AimDirection direction;
  private final AimUpright upright;
  private final AimStrength strength;
  private final double[] d = new double[3];
  private final double[] full = new double[4];
  private final double[] q = new double[4];
  private final double[] otherD = new double[3];

  AttentionStep(
      Attention a, SubjectPoints subjects, int upSlot, double firstFrame, double lastFrame) {
    moments = new AimMoments(a, subjects, upSlot, firstFrame, lastFrame);
    direction = new AimDirection(a, moments);
    upright = new AimUpright(moments, direction, a.up());
    strength = new AimStrength(moments, this::aimedAt);
  }

  @Override
  public void standsOn(Elsewhere owner) {
    moments.standsOn(owner);
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    if (moments.isGathering()) {
      plainly(frame, sight, plan, m);
      return;
    }
    double[] row = moments.begin(frame, plan, sight, m);
    if (row[AimMoments.STRENGTH] <= 0) return;
    boolean plain = direction.isPlain(frame, row);
    if (plain) {
      if (!direction.plain(frame, row, d)) return;
      if (upright.isPlain(row, d)) {
        finish(row, d, full);
        if (strength.isPlain(row, full)) {
          AimStrength.plain(row, full, q);
          Rotation.toMatrix(q, m, 0);
          return;
        }
      }
    }
    if (!moments.canLookAlong()) {
      plainly(frame, sight, plan, m);
      return;
    }
    if (moments.isStale()) {
      direction.forget();
      upright.forget();
      strength.forget();
    }
    boolean there = aimedAt(frame, full);
    if (there) strength.at(frame, full, q);
    moments.end();
    if (there) Rotation.toMatrix(q, m, 0);
  }

  private void finish(double[] row, double[] to, double[] out) {
    upright.plain(row, to, out);
    upright.rolled(to, -row[AimMoments.ROLL], out);
  }

  /** The full aim at a frame, looking along the motion. */
  private boolean aimedAt(double frame, double[] out) {
    if (!direction.at(frame, otherD)) return false;
    upright.at(frame, otherD, out);
    upright.rolled(otherD, -moments.at(frame)[AimMoments.ROLL], out);
    return true;
  }

  /**
   * The aim from this frame alone: far outside the sequence, and where a lens is being solved for
   * another frame that is looked at. It has arrays of its own, since that happens within a frame.
   */
  private void plainly(double frame, Sight sight, Plan plan, double[] m) {
    double[] row = moments.alone(frame, plan, sight, m), to = new double[3];
    if (row[AimMoments.STRENGTH] <= 0 || !direction.plain(frame, row, to)) return;
    double[] aim = new double[4], taken = new double[4];
    finish(row, to, aim);
    AimStrength.plain(row, aim, taken);
    Rotation.toMatrix(taken, m, 0);
  }
}
