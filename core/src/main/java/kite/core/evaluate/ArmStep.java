package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.Arm;

/** A crane: carries the stack above to the end of its arm. */
final class ArmStep implements Step {
  private final CompiledCurve[] c;
  private final boolean level;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  ArmStep(Arm arm) {
    c = Node.compile(arm.channels(), arm.specs());
    level = arm.level();
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double length = Node.within(Arm.LENGTH, c[0].value(frame));
    double swing = Math.toRadians(c[1].value(frame)), lift = Math.toRadians(c[2].value(frame));
    Rotation.panTiltRoll(swing, level ? 0 : lift, 0, own, 0);
    double along = level ? Math.cos(lift) * length : length; // own's −Z points along the arm
    own[12] = -own[8] * along;
    own[13] = level ? Math.sin(lift) * length : -own[9] * along;
    own[14] = -own[10] * along;
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
