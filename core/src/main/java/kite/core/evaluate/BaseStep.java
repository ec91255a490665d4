package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.Base;

/** The tripod, standing in the world or riding something. */
final class BaseStep implements Step {
  /**
   * A Z axis whose part along the ground is no longer than this points straight up or down and has
   * no heading.
   */
  private static final double NO_HEADING = 1e-9;

  private final CompiledCurve[] c;
  private final int rides;
  private final Base.Takes takes;
  private final double[] ride = Matrix.newIdentity();
  private final double[] own = Matrix.newIdentity();

  BaseStep(Base base, int rides) {
    c = Node.compile(base.channels(), base.specs());
    this.rides = rides;
    takes = base.takes();
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    Rotation.panTiltRoll(
        Math.toRadians(c[3].value(frame)),
        Math.toRadians(c[4].value(frame)),
        Math.toRadians(c[5].value(frame)),
        own,
        0);
    for (int i = 0; i < 3; i++) own[12 + i] = c[i].value(frame);
    if (rides < 0) {
      System.arraycopy(m, 0, ride, 0, Matrix.SIZE);
    } else {
      System.arraycopy(plan.world, rides * Matrix.SIZE, ride, 0, Matrix.SIZE);
      taken(takes, ride);
    }
    Matrix.multiply(ride, 0, own, 0, m, 0);
  }

  /** Leaves of a ridden transform what a base takes of it; scale is never taken. */
  static void taken(Base.Takes takes, double[] m) {
    Matrix.makeRigid(m, 0);
    if (takes == Base.Takes.ALL) return;
    double x = m[Matrix.ZX], z = m[Matrix.ZZ], l = Math.hypot(x, z);
    boolean heading = takes == Base.Takes.HEADING && l > NO_HEADING;
    Rotation.panTiltRoll(heading ? Math.atan2(x, z) : 0, 0, 0, m, 0);
  }
}
