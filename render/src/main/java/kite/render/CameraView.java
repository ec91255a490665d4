package kite.render;

import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
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
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double[] l = plan.lens(), m = new double[Matrix.SIZE];
    System.arraycopy(plan.world(), plan.slot(c.id()) * Matrix.SIZE, m, 0, Matrix.SIZE);
    DepthOfField d =
        new DepthOfField(
            l[o + LensRow.FOCAL],
            l[o + LensRow.F_STOP],
            s.header().packageOf(c).circleMm(),
            l[o + LensRow.FOCUS]);
    DeliveryWindow w =
        new DeliveryWindow(
            l[o + LensRow.LEFT], l[o + LensRow.RIGHT], l[o + LensRow.BOTTOM], l[o + LensRow.TOP]);
    return new CameraView(
        m,
        w,
        l[o + LensRow.NEAR],
        l[o + LensRow.FAR],
        l[o + LensRow.FOCUS],
        c.depthOfField() ? d.pupilRadiusM() : 0);
  }

  /**
   * Where a point of the world is in the frame.
   *
   * @param out shares of the frame from the left and from the top
   */
  void frameOf(double[] p, double[] out) {
    double x = 0, y = 0, z = 0;
    for (int i = 0; i < 3; i++) {
      double d = p[i] - world[Matrix.OX + i];
      x += d * world[Matrix.XX + i];
      y += d * world[Matrix.YX + i];
      z += d * world[Matrix.ZX + i];
    }
    out[0] = window.across(x, z);
    out[1] = window.down(y, z);
  }
}
