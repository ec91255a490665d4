package kite.core.bake;

import kite.core.document.CameraPackage;
import kite.core.evaluate.LensRow;
import kite.core.math.Matrix;

/**
 * Where a place is in the delivered picture, frame by frame.
 *
 * @param pixels across from the left edge and down from the upper one, two a frame, outside the
 *     picture too; not numbers where it lies beside or behind the lens
 * @param depthM metres from the lens along its axis, one a frame; below 0 behind it
 */
public record InPicture(double[] pixels, double[] depthM) {

  /** A place that a baked camera looks at, or not; both of the same frames. */
  public static InPicture of(Bake bake, PlaceTrack place, CameraPackage delivery) {
    int n = bake.frames().length;
    double[] pixels = new double[n * 2], depth = new double[n];
    double[] w = bake.world(), l = bake.lens(), p = place.places();
    for (int i = 0; i < n; i++) {
      int m = i * Matrix.SIZE, o = i * LensRow.SIZE;
      double x = p[i * 3] - w[m + Matrix.OX];
      double y = p[i * 3 + 1] - w[m + Matrix.OY];
      double z = p[i * 3 + 2] - w[m + Matrix.OZ];
      double right = w[m + Matrix.XX] * x + w[m + Matrix.XY] * y + w[m + Matrix.XZ] * z;
      double up = w[m + Matrix.YX] * x + w[m + Matrix.YY] * y + w[m + Matrix.YZ] * z;
      depth[i] = -(w[m + Matrix.ZX] * x + w[m + Matrix.ZY] * y + w[m + Matrix.ZZ] * z);
      boolean ahead = depth[i] > 0;
      double left = l[o + LensRow.LEFT], top = l[o + LensRow.TOP];
      double across = (right / depth[i] - left) / (l[o + LensRow.RIGHT] - left);
      double down = (top - up / depth[i]) / (top - l[o + LensRow.BOTTOM]);
      pixels[i * 2] = ahead ? across * delivery.deliveryWidth() : Double.NaN;
      pixels[i * 2 + 1] = ahead ? down * delivery.deliveryHeight() : Double.NaN;
    }
    return new InPicture(pixels, depth);
  }

  /** Whether it falls into the picture on a row's frame. */
  public boolean isIn(int row, CameraPackage delivery) {
    double x = pixels[row * 2], y = pixels[row * 2 + 1];
    return x >= 0 && x <= delivery.deliveryWidth() && y >= 0 && y <= delivery.deliveryHeight();
  }
}
