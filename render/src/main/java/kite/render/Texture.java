package kite.render;

import java.awt.image.BufferedImage;

/**
 * An image that repeats.
 *
 * @param argb rows from the top, sRGB
 */
public record Texture(int width, int height, int[] argb) {

  /**
   * A picture as a texture.
   *
   * @param widest pixels it may have each way: a wider one is made smaller by a whole number, each
   *     pixel the mean of the light of those it stands for
   */
  public static Texture of(BufferedImage picture, int widest) {
    int w = picture.getWidth(), h = picture.getHeight();
    int by = Math.max(1, (Math.max(w, h) + widest - 1) / widest);
    int[] rows = new int[w * Math.min(by, h)];
    int width = Math.max(1, w / by), height = Math.max(1, h / by);
    int[] argb = new int[width * height];
    for (int y = 0; y < height; y++) {
      int high = Math.min(by, h);
      picture.getRGB(0, y * by, w, high, rows, 0, w);
      for (int x = 0; x < width; x++)
        argb[y * width + x] = by == 1 ? rows[x] : mean(rows, w, x * by, Math.min(by, w), high);
    }
    return new Texture(width, height, argb);
  }

  private static int mean(int[] rows, int w, int from, int wide, int high) {
    double r = 0, g = 0, b = 0, a = 0;
    for (int y = 0; y < high; y++)
      for (int x = from; x < from + wide; x++) {
        int c = rows[y * w + x];
        a += c >>> 24;
        r += Light.LINEAR[c >> 16 & 255];
        g += Light.LINEAR[c >> 8 & 255];
        b += Light.LINEAR[c & 255];
      }
    int n = wide * high;
    return (int) Math.round(a / n) << 24
        | Light.nearScreen(r / n) << 16
        | Light.nearScreen(g / n) << 8
        | Light.nearScreen(b / n);
  }

  /** Writes linear red, green, blue at (u, v), v downwards, blended between the nearest texels. */
  void sample(double u, double v, double[] out) {
    blend(u, v, Light.LINEAR, out);
  }

  /** As above of an image that holds numbers and not light: each as it is, 0 to 1. */
  void numbers(double u, double v, double[] out) {
    blend(u, v, AS_IT_IS, out);
  }

  /** The value of each 8-bit number where it stands for a share. */
  private static final double[] AS_IT_IS = new double[256];

  static {
    for (int i = 0; i < 256; i++) AS_IT_IS[i] = i / 255.0;
  }

  private void blend(double u, double v, double[] value, double[] out) {
    double x = (u - Math.floor(u)) * width - 0.5, y = (v - Math.floor(v)) * height - 0.5;
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    double fx = x - x0, fy = y - y0;
    out[0] = out[1] = out[2] = 0;
    for (int k = 0; k < 4; k++) {
      int dx = k & 1, dy = k >> 1;
      double share = (dx == 0 ? 1 - fx : fx) * (dy == 0 ? 1 - fy : fy);
      int c = argb[Math.floorMod(y0 + dy, height) * width + Math.floorMod(x0 + dx, width)];
      out[0] += share * value[c >> 16 & 255];
      out[1] += share * value[c >> 8 & 255];
      out[2] += share * value[c & 255];
    }
  }

  /** What the image covers at (u, v), 0 to 1, blended between the nearest texels. */
  double alpha(double u, double v) {
    double x = (u - Math.floor(u)) * width - 0.5, y = (v - Math.floor(v)) * height - 0.5;
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    double fx = x - x0, fy = y - y0, a = 0;
    for (int k = 0; k < 4; k++) {
      int dx = k & 1, dy = k >> 1;
      double share = (dx == 0 ? 1 - fx : fx) * (dy == 0 ? 1 - fy : fy);
      a +=
          share
              * (argb[Math.floorMod(y0 + dy, height) * width + Math.floorMod(x0 + dx, width)]
                  >>> 24);
    }
    return a / 255;
  }
}
