package kite.render;

import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;

/**
 * A camera at one moment, as the renderer needs it.
 *
 * @param world world transform, 16 numbers
 * @param pupilRadiusM 0 for a picture sharp throughout
 */
public record CameraView(
    double[] world,
    DeliveryWindow window,
    double nearM,
    double farM,
    double focusM,
    double pupilRadiusM) {

  /** The camera as the plan last evaluated it. */
  public static CameraView of(Sequence s, Plan plan, Camera c) {
    int o = plan.slot(c.id()) * Plan.LENS;
    double[] l = plan.lens(), m = new double[Matrix.SIZE];
    System.arraycopy(plan.world(), plan.slot(c.id()) * Matrix.SIZE, m, 0, Matrix.SIZE);
    DepthOfField d = new DepthOfField(l[o], l[o + 1], s.header().packageOf(c).circleMm(), l[o + 2]);
    DeliveryWindow w = new DeliveryWindow(l[o + 8], l[o + 9], l[o + 10], l[o + 11]);
    return new CameraView(
        m, w, l[o + 3], l[o + 4], l[o + 2], c.depthOfField() ? d.pupilRadiusM() : 0);
  }
}
