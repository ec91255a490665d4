package kite.core.rig.dollyzoom;

import kite.core.curve.CompiledCurve;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.evaluate.SubjectPoints;
import kite.core.math.Matrix;
import kite.core.math.Powers;
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
    strength = part.channels().compiled(RigPart.STRENGTH);
    this.subject = subject;
    lens = part.gives() == DollyZoom.Gives.LENS;
    mmPerM = part.mmPerM();
    focal = cameraSlot * LensRow.SIZE + LensRow.FOCAL;
  }

  @Override
  public boolean changesLens() {
    return lens;
  }

  @Override
  public boolean solvesLens() {
    return lens;
  }

  /** Holds the size, seen from the transform. */
  @Override
  public double focal(double frame, Plan plan, double[] m, double own) {
    double d = along(frame, plan, m), k = RigPart.STRENGTH.within(strength.value(frame));
    return d < NEAREST_M || k == 0 ? own : own * Powers.pow(mmPerM * d / own, k);
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
    double k = RigPart.STRENGTH.within(strength.value(frame));
    double ahead = k * (d - plan.lens()[focal] / mmPerM);
    for (int i = 0; i < 3; i++) // along() left the subject in p
    m[Matrix.OX + i] += aimed ? (p[i] - m[Matrix.OX + i]) * ahead / d : -m[Matrix.ZX + i] * ahead;
  }
}
