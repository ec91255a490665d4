package kite.core.rig.trim;

import java.util.List;
import kite.core.curve.CompiledCurve;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.evaluate.TurnCurves;
import kite.core.math.Matrix;
import kite.core.rig.RigPart;
import kite.core.rig.slide.Slide;

/**
 * A small offset on the camera's own axes; its focal length is added before the stack is walked.
 */
final class TrimStep implements Step {
  private final CompiledCurve truck;
  private final CompiledCurve pedestal;
  private final CompiledCurve dolly;
  private final TurnCurves turn;
  private final CompiledCurve focal;
  private final CompiledCurve strength;
  private final Trim.Span span;
  private final List<String> takes; // none for all
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  TrimStep(Trim trim) {
    Channels c = trim.channels();
    truck = c.compiled(Slide.TRUCK);
    pedestal = c.compiled(Slide.PEDESTAL);
    dolly = c.compiled(Slide.DOLLY);
    turn = new TurnCurves(c);
    focal = c.compiled(Trim.FOCAL);
    strength = c.compiled(RigPart.STRENGTH);
    span = trim.span();
    takes = trim.takes();
  }

  private double share(double frame, Plan plan) {
    if (!takes.isEmpty() && !isLookedAt(plan.take())) return 0;
    double in = span == null ? 1 : span.at(frame);
    return in == 0 ? 0 : in * RigPart.STRENGTH.within(strength.value(frame));
  }

  private boolean isLookedAt(String take) {
    return take != null && takes.contains(take);
  }

  @Override
  public boolean changesLens() {
    return !focal.isFixed() || focal.value(0) != 0;
  }

  @Override
  public void lens(double frame, Plan plan, int o) {
    double[] lens = plan.lens();
    double k = share(frame, plan), longer = k == 0 ? 0 : k * focal.value(frame);
    lens[o + LensRow.FOCAL] = Camera.FOCAL_LENGTH.within(lens[o + LensRow.FOCAL] + longer);
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double k = share(frame, plan);
    if (k == 0) return;
    turn.write(frame, k, own);
    own[Matrix.OX] = k * truck.value(frame);
    own[Matrix.OY] = k * pedestal.value(frame);
    own[Matrix.OZ] = -k * dolly.value(frame);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }
}
