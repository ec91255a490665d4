package kite.render;

import java.awt.image.BufferedImage;
import kite.core.document.Plate;
import kite.core.frame.PlatePlace;

/**
 * An image that lies in the frame.
 *
 * @param argb rows from the top, sRGB, not premultiplied
 * @param depthM where it stands along the axis; 0 behind everything
 */
public record PlateLayer(
    PlatePlace place,
    double opacity,
    double depthM,
    boolean inFront,
    int width,
    int height,
    int[] argb) {

  static PlateLayer of(Plate p, double frame, double delivery, BufferedImage image) {
    int w = image.getWidth(), h = image.getHeight();
    return new PlateLayer(
        PlatePlace.of(p, frame, (double) w / h, delivery),
        p.channel("opacity").at(frame),
        p.channel("depth").at(frame),
        p.inFront(),
        w,
        h,
        image.getRGB(0, 0, w, h, null, 0, w));
  }

  /**
   * The image at a place of the frame.
   *
   * @param colour linear, multiplied with what it hides
   * @return what it hides of what lies behind, 0 to 1; 0 outside the image
   */
  double at(double across, double down, double[] colour) {
    double x = (across - place.left()) / place.width() * width - 0.5;
    double y = (down - place.top()) / place.height() * height - 0.5;
    if (x < -0.5 || y < -0.5 || x > width - 0.5 || y > height - 0.5) return 0;
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    double fx = x - x0, fy = y - y0, r = 0, g = 0, b = 0, a = 0;
    for (int k = 0; k < 4; k++) {
      int cx = Math.max(0, Math.min(width - 1, x0 + (k & 1)));
      int cy = Math.max(0, Math.min(height - 1, y0 + (k >> 1)));
      double share = ((k & 1) == 0 ? 1 - fx : fx) * (k >> 1 == 0 ? 1 - fy : fy);
      int c = argb[cy * width + cx];
      double alpha = share * (c >>> 24) / 255;
      r += alpha * kite.render.Light.LINEAR[c >> 16 & 255];
      g += alpha * kite.render.Light.LINEAR[c >> 8 & 255];
      b += alpha * kite.render.Light.LINEAR[c & 255];
      a += alpha;
    }
    colour[0] = r * opacity;
    colour[1] = g * opacity;
    colour[2] = b * opacity;
    return a * opacity;
  }
}
