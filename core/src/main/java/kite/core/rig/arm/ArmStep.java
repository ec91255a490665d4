package kite.core.rig.arm;

import kite.core.curve.CompiledCurve;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/** A crane: carries the stack above to the end of its arm. */
final class ArmStep implements Step {
  private final CompiledCurve length;
  private final CompiledCurve swing;
  private final CompiledCurve lift;
  private final boolean level;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  ArmStep(Arm arm) {
    length = arm.channels().compiled(Arm.LENGTH);
    swing = arm.channels().compiled(Arm.SWING);
    lift = arm.channels().compiled(Arm.LIFT);
    level = arm.level();
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double metres = Arm.LENGTH.within(length.value(frame));
    double round = Trig.radians(swing.value(frame)), raised = Trig.radians(lift.value(frame));
    Rotation.panTiltRoll(round, level ? 0 : raised, 0, own, 0);
    double along = level ? Trig.cos(raised) * metres : metres; // own's −Z points along the arm
    own[Matrix.OX] = -own[Matrix.ZX] * along;
    own[Matrix.OY] = level ? Trig.sin(raised) * metres : -own[Matrix.ZY] * along;
    own[Matrix.OZ] = -own[Matrix.ZZ] * along;
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
