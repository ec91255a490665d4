package kite.core.rig.slide;

import kite.core.curve.CompiledCurve;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.Matrix;

/** Metres along the axes of the part below. */
final class SlideStep implements Step {
  private final CompiledCurve truck;
  private final CompiledCurve pedestal;
  private final CompiledCurve dolly;

  SlideStep(Slide slide) {
    truck = slide.channels().compiled(Slide.TRUCK);
    pedestal = slide.channels().compiled(Slide.PEDESTAL);
    dolly = slide.channels().compiled(Slide.DOLLY);
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double x = truck.value(frame), y = pedestal.value(frame), z = -dolly.value(frame);
    for (int i = 0; i < 3; i++)
      m[Matrix.OX + i] =
          m[Matrix.XX + i] * x + m[Matrix.YX + i] * y + m[Matrix.ZX + i] * z + m[Matrix.OX + i];
  }
}
