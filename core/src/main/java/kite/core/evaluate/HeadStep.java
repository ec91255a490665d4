package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.Head;

/** Pan, tilt and roll on the axes of the part below. */
final class HeadStep implements Step {
  private final CompiledCurve[] c;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  HeadStep(Head head) {
    c = Node.compile(head.channels(), head.specs());
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    Rotation.panTiltRoll(
        Math.toRadians(c[0].value(frame)),
        Math.toRadians(c[1].value(frame)),
        Math.toRadians(c[2].value(frame)),
        own,
        0);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
