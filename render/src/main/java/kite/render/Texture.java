package kite.render;

/**
 * An image that repeats.
 *
 * @param argb rows from the top, sRGB
 */
public record Texture(int width, int height, int[] argb) {

  /** Writes linear red, green, blue at (u, v), v downwards, blended between the nearest texels. */
  void sample(double u, double v, double[] out) {
    double x = (u - Math.floor(u)) * width - 0.5, y = (v - Math.floor(v)) * height - 0.5;
    int x0 = (int) Math.floor(x), y0 = (int) Math.floor(y);
    double fx = x - x0, fy = y - y0;
    out[0] = out[1] = out[2] = 0;
    for (int k = 0; k < 4; k++) {
      int dx = k & 1, dy = k >> 1;
      double share = (dx == 0 ? 1 - fx : fx) * (dy == 0 ? 1 - fy : fy);
      int c = argb[Math.floorMod(y0 + dy, height) * width + Math.floorMod(x0 + dx, width)];
      out[0] += share * Light.LINEAR[c >> 16 & 255];
      out[1] += share * Light.LINEAR[c >> 8 & 255];
      out[2] += share * Light.LINEAR[c & 255];
    }
  }
}
