package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.math.Matrix;
import kite.core.rig.DollyZoom;
import kite.core.rig.RigPart;

/**
 * Keeps focal length over distance as it was: a thing at distance d along the axis is drawn at a
 * size proportional to f/d. Where the camera gives way it travels along its optical axis: how far
 * off the axis the thing is then stays the same, and with f/d its place in the frame as well.
 */
final class DollyZoomStep implements Step {
  /** A subject nearer than this, or behind, is not held: the camera is as without the part. */
  private static final double NEAREST_M = 0.01;

  private final CompiledCurve strength;
  private final SubjectPoints subject;
  private final boolean lens;
  private final double mmPerM;
  private final int focal;
  private final boolean aimed;
  private final double[] p = new double[3];

  /**
   * @param aimed whether an attention below holds the subject on its place in the frame
   */
  DollyZoomStep(DollyZoom part, SubjectPoints subject, int cameraSlot, boolean aimed) {
    this.aimed = aimed;
    strength = CompiledCurve.of(part.channels().get(RigPart.STRENGTH));
    this.subject = subject;
    lens = part.gives() == DollyZoom.Gives.LENS;
    mmPerM = part.mmPerM();
    focal = cameraSlot * LensRow.SIZE + LensRow.FOCAL;
  }

  boolean solvesLens() {
    return lens;
  }

  /**
   * The focal length in mm that holds the size, seen from a transform.
   *
   * @param own what it is without this part
   */
  double focal(double frame, Plan plan, double[] m, double own) {
    double d = along(frame, plan, m), k = Node.within(RigPart.STRENGTH, strength.value(frame));
    return d < NEAREST_M || k == 0 ? own : own * Math.pow(mmPerM * d / own, k);
  }

  private double along(double frame, Plan plan, double[] m) {
    subject.world(0, frame, plan, p);
    return -(m[Matrix.ZX] * (p[0] - m[Matrix.OX])
        + m[Matrix.ZY] * (p[1] - m[Matrix.OY])
        + m[Matrix.ZZ] * (p[2] - m[Matrix.OZ]));
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    if (lens) return; // was solved before the stack is walked, see CameraNode
    double d = along(frame, plan, m);
    if (d < NEAREST_M) return;
    double k = Node.within(RigPart.STRENGTH, strength.value(frame));
    double ahead = k * (d - plan.lens[focal] / mmPerM);
    for (int i = 0; i < 3; i++) // along() left the subject in p
    m[12 + i] += aimed ? (p[i] - m[12 + i]) * ahead / d : -m[8 + i] * ahead;
  }
}
