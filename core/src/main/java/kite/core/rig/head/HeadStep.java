package kite.core.rig.head;

import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.evaluate.TurnCurves;
import kite.core.math.Matrix;

/** Pan, tilt and roll on the axes of the part below. */
final class HeadStep implements Step {
  private final TurnCurves turn;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  HeadStep(Head head) {
    turn = new TurnCurves(head.channels());
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    turn.write(frame, 1, own);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
