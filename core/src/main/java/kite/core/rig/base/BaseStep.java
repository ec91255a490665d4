package kite.core.rig.base;

import kite.core.curve.CompiledCurve;
import kite.core.document.Place;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.evaluate.TurnCurves;
import kite.core.math.Matrix;

/** The tripod, standing in the world or riding something. */
final class BaseStep implements Step {
  private final CompiledCurve x;
  private final CompiledCurve y;
  private final CompiledCurve z;
  private final TurnCurves turn;
  private final int rides;
  private final Base.Takes takes;
  private final double[] ride = Matrix.newIdentity();
  private final double[] own = Matrix.newIdentity();

  BaseStep(Base base, int rides) {
    x = base.channels().compiled(Place.X);
    y = base.channels().compiled(Place.Y);
    z = base.channels().compiled(Place.Z);
    turn = new TurnCurves(base.channels());
    this.rides = rides;
    takes = base.takes();
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    turn.write(frame, 1, own);
    own[Matrix.OX] = x.value(frame);
    own[Matrix.OY] = y.value(frame);
    own[Matrix.OZ] = z.value(frame);
    if (rides < 0) {
      System.arraycopy(m, 0, ride, 0, Matrix.SIZE);
    } else {
      System.arraycopy(plan.world(), rides * Matrix.SIZE, ride, 0, Matrix.SIZE);
      takes.leave(ride);
    }
    Matrix.multiply(ride, 0, own, 0, m, 0);
  }
}
