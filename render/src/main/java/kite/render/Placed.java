package kite.render;

import kite.core.math.Matrix;
import kite.render.trace.MeshTree;

/**
 * A surface where it stands.
 *
 * @param piece id of the piece that it belongs to
 * @param world place and axes, 16 numbers
 * @param key what tells its mesh from any other, for one that stays where it is on every frame;
 *     else null
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

  /**
   * The same as a mesh in the world: what is flattened to nothing along an axis leaves rays no way
   * back into its own axes.
   */
  Placed inWorld() {
    float[] x = surface.positions(), n = surface.normals();
    float[] there = new float[x.length], up = new float[n.length];
    double[] v = new double[3], turn = Scene.turn(world);
    for (int j = 0; j < x.length; j += 3) {
      Matrix.point(world, 0, x[j], x[j + 1], x[j + 2], v, 0);
      for (int a = 0; a < 3; a++) there[j + a] = (float) v[a];
      for (int a = 0; a < 3; a++)
        up[j + a] =
            (float) (turn[a * 3] * n[j] + turn[a * 3 + 1] * n[j + 1] + turn[a * 3 + 2] * n[j + 2]);
    }
    Surface s =
        new Surface(
            there,
            up,
            surface.places(),
            surface.colours(),
            surface.indices(),
            surface.material(),
            MeshTree.of(there, surface.indices()));
    return new Placed(piece, s, Matrix.newIdentity(), null);
  }
}
