package kite.core.rig.head;

import kite.core.curve.CompiledCurve;
import kite.core.document.Place;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.Matrix;
import kite.core.math.Rotation;

/** Pan, tilt and roll on the axes of the part below. */
final class HeadStep implements Step {
  private final CompiledCurve pan;
  private final CompiledCurve tilt;
  private final CompiledCurve roll;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  HeadStep(Head head) {
    pan = head.channels().compiled(Place.PAN);
    tilt = head.channels().compiled(Place.TILT);
    roll = head.channels().compiled(Place.ROLL);
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    Rotation.panTiltRoll(
        Math.toRadians(pan.value(frame)),
        Math.toRadians(tilt.value(frame)),
        Math.toRadians(roll.value(frame)),
        own,
        0);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
