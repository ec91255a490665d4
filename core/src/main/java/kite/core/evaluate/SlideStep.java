package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.rig.Slide;

/** Metres along the axes of the part below. */
final class SlideStep implements Step {
  private final CompiledCurve[] c;

  SlideStep(Slide slide) {
    c = Node.compile(slide.channels(), slide.specs());
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double x = c[0].value(frame), y = c[1].value(frame), z = -c[2].value(frame);
    for (int i = 0; i < 3; i++) m[12 + i] += m[i] * x + m[4 + i] * y + m[8 + i] * z;
  }
}
