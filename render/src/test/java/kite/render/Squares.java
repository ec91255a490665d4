package kite.render;

import kite.core.math.Matrix;
import kite.core.optics.DeliveryWindow;
import kite.render.trace.MeshTree;

/** Squares and what looks at them, for tests. */
final class Squares {
  /** A quarter of the distance each way. */
  static final DeliveryWindow WINDOW = new DeliveryWindow(-0.5, 0.5, -0.5, 0.5);

  static final Sky DARK = sky(0, 0);

  private Squares() {}

  /** A sky that is even, with a sun straight behind the camera. */
  static Sky sky(double even, double sun) {
    double[] all = {even, even, even};
    return new Sky(new double[] {0, 0, 1}, new double[] {sun, sun, sun}, all, all, 0);
  }

  static Material plain(double colour) {
    return new Material(colour, colour, colour, 1, 0, null);
  }

  static Material glowing(double r, double g, double b) {
    return new Material(
        0, 0, 0, 1, 0, null, null, null, Material.SeeThrough.NOT, new Material.Glow(r, g, b, null));
  }

  static Material covering(Material.SeeThrough.Kind kind, double alpha) {
    return new Material(
        1,
        1,
        1,
        1,
        0,
        null,
        null,
        null,
        new Material.SeeThrough(kind, alpha, 0.5),
        Material.Glow.NONE);
  }

  /** A square of a piece that faces the camera at z = 0, put somewhere. */
  static Placed square(String piece, Material material, double half, double[] world) {
    float h = (float) half;
    float[] p = {-h, -h, 0, h, -h, 0, h, h, 0, -h, h, 0};
    float[] n = {0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1}, uv = {0, 1, 1, 1, 1, 0, 0, 0};
    int[] corners = {0, 1, 2, 0, 2, 3};
    Surface s = new Surface(p, n, uv, null, corners, material, MeshTree.of(p, corners));
    return new Placed(piece, s, world, null);
  }

  static double[] at(double x, double y, double z) {
    double[] m = Matrix.newIdentity();
    m[Matrix.OX] = x;
    m[Matrix.OY] = y;
    m[Matrix.OZ] = z;
    return m;
  }

  /** Lying flat with its face up. */
  static double[] lying(double x, double y, double z) {
    double[] m = at(x, y, z);
    m[Matrix.YY] = 0;
    m[Matrix.YZ] = -1;
    m[Matrix.ZY] = 1;
    m[Matrix.ZZ] = 0;
    return m;
  }

  static CameraView eye() {
    return new CameraView(Matrix.newIdentity(), WINDOW, 0.1, 1000, 4, 0);
  }
}
