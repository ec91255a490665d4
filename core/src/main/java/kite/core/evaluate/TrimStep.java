package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.RigPart;
import kite.core.rig.Trim;

/**
 * A small offset on the camera's own axes; its focal length is added before the stack is walked.
 */
final class TrimStep implements Step {
  private static final int FOCAL = 6;
  private static final int STRENGTH = 7;

  private final CompiledCurve[] c;
  private final Trim.Span span;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  TrimStep(Trim trim) {
    c = Node.compile(trim.channels(), trim.specs());
    span = trim.span();
  }

  private double share(double frame) {
    double in = span == null ? 1 : span.at(frame);
    return in == 0 ? 0 : in * Node.within(RigPart.STRENGTH, c[STRENGTH].value(frame));
  }

  boolean changesLens() {
    return !c[FOCAL].isFixed() || c[FOCAL].value(0) != 0;
  }

  /** Millimetres it adds to the focal length. */
  double focal(double frame) {
    double k = share(frame);
    return k == 0 ? 0 : k * c[FOCAL].value(frame);
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double k = share(frame);
    if (k == 0) return;
    Rotation.panTiltRoll(
        k * Math.toRadians(c[3].value(frame)),
        k * Math.toRadians(c[4].value(frame)),
        k * Math.toRadians(c[5].value(frame)),
        own,
        0);
    own[12] = k * c[0].value(frame);
    own[13] = k * c[1].value(frame);
    own[14] = -k * c[2].value(frame);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
