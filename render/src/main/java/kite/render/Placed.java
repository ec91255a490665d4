package kite.render;

import kite.core.math.Matrix;

/**
 * A surface where it stands.
 *
 * @param piece id of the piece that it belongs to
 * @param world place and axes, 16 numbers
 * @param key what tells its mesh from any other; null for one of this frame alone, such as a skin
 */
public record Placed(String piece, Surface surface, double[] world, Object key) {
  /** Where in the world the point of the surface is that was met, at this or another moment. */
  void point(Scene.Hit h, double[] out) {
    double w = 1 - h.shareB - h.shareC;
    float[] x = surface.positions();
    int[] corner = surface.indices();
    int a = corner[h.triangle * 3] * 3,
        b = corner[h.triangle * 3 + 1] * 3,
        c = corner[h.triangle * 3 + 2] * 3;
    Matrix.point(
        world,
        0,
        x[a] * w + x[b] * h.shareB + x[c] * h.shareC,
        x[a + 1] * w + x[b + 1] * h.shareB + x[c + 1] * h.shareC,
        x[a + 2] * w + x[b + 2] * h.shareB + x[c + 2] * h.shareC,
        out,
        0);
  }
}
