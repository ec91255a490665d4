package kite.core.evaluate;

import java.util.List;
import kite.core.curve.CompiledCurve;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.math.Matrix;
import kite.core.optics.DeliveryWindow;

/** A camera: its lens first, then its stack from the ground up. */
final class CameraNode extends Node {
  private static final ChannelSpec[] LENS = Camera.LENS.toArray(new ChannelSpec[0]);
  private final CompiledCurve[] lens;
  private final Step[] steps;
  private final double unitLeft;
  private final double unitRight;
  private final double unitBottom;
  private final double unitTop;
  private final double squeeze;
  private final double[] m = Matrix.newIdentity();

  /** Edges of the delivery window at the frame being evaluated, as slopes. */
  double left;

  double right;
  double bottom;
  double top;

  CameraNode(Camera c, int slot, CameraPackage pack, List<Step> steps, Object... madeFrom) {
    super(c, slot, madeFrom);
    lens = compile(c.channels(), Camera.LENS);
    this.steps = steps.toArray(new Step[0]);
    DeliveryWindow unit = DeliveryWindow.of(1, pack.filmBack(), pack.aspect(), pack.fit(), 0, 0);
    unitLeft = unit.left();
    unitRight = unit.right();
    unitBottom = unit.bottom();
    unitTop = unit.top();
    squeeze = pack.filmBack().squeeze();
  }

  @Override
  void evaluate(double frame, Plan plan) {
    int o = slot * Plan.LENS;
    for (int i = 0; i < lens.length; i++) plan.lens[o + i] = within(LENS[i], lens[i].value(frame));
    double f = plan.lens[o], sx = plan.lens[o + 6] * squeeze, sy = plan.lens[o + 7];
    left = (unitLeft + sx) / f;
    right = (unitRight + sx) / f;
    bottom = (unitBottom + sy) / f;
    top = (unitTop + sy) / f;
    plan.lens[o + 8] = left;
    plan.lens[o + 9] = right;
    plan.lens[o + 10] = bottom;
    plan.lens[o + 11] = top;
    Matrix.identity(m, 0);
    for (Step s : steps) s.apply(frame, plan, this, m);
    System.arraycopy(m, 0, plan.world, slot * Matrix.SIZE, Matrix.SIZE);
  }
}
