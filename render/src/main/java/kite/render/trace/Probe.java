package kite.render.trace;

/** A ray in the axes of a mesh, in single precision, and what it has met. Belongs to one thread. */
final class Probe {
  /** A direction nearer to none than this along an axis is taken as this: no box is then missed. */
  private static final float LEAST = 1e-18f;

  float ox, oy, oz;

  /** One over the direction, for boxes. */
  float ix, iy, iz;

  /** Where a node's nearer and farther sides begin in its boxes. */
  int nearX, nearY, nearZ, farX, farY, farZ;

  /** Where the lanes of the ray's main axis and of the two others begin in a block. */
  int along, across, up;

  /** Origin along those. */
  float oAlong, oAcross, oUp;

  /** How far the ray leans: across and up for each step along; and one over its direction along. */
  float leanAcross, leanUp, scale;

  /** Where the ray begins and ends, in lengths of its direction; shortened to what it meets. */
  float near, far;

  /** The lane of the block that was met, or −1. */
  int hit;

  /** Shares of the second and third corner at what was met. */
  float u, v;

  final int[] stack = new int[TreeBuilder.DEPTH * WideTree.WIDTH];
  final float[] entry = new float[TreeBuilder.DEPTH * WideTree.WIDTH];

  /** What lanes hold, one after the other. */
  final float[] lanes = new float[9 * MeshTree.LANES];

  void set(double ox, double oy, double oz, double dx, double dy, double dz) {
    this.ox = (float) ox;
    this.oy = (float) oy;
    this.oz = (float) oz;
    ix = inverse((float) dx);
    iy = inverse((float) dy);
    iz = inverse((float) dz);
    int half = WideTree.BOXES / 2, w = WideTree.WIDTH;
    nearX = ix < 0 ? half : 0;
    farX = half - nearX;
    nearY = w + (iy < 0 ? half : 0);
    farY = 2 * w + half - nearY;
    nearZ = 2 * w + (iz < 0 ? half : 0);
    farZ = 4 * w + half - nearZ;
    double x = Math.abs(dx), y = Math.abs(dy), z = Math.abs(dz);
    int main = x > y && x > z ? 0 : y > z ? 1 : 2;
    double k = 1 / (main == 0 ? dx : main == 1 ? dy : dz);
    scale = (float) k;
    leanAcross = (float) ((main == 0 ? dy : main == 1 ? dz : dx) * k);
    leanUp = (float) ((main == 0 ? dz : main == 1 ? dx : dy) * k);
    oAlong = main == 0 ? this.ox : main == 1 ? this.oy : this.oz;
    oAcross = main == 0 ? this.oy : main == 1 ? this.oz : this.ox;
    oUp = main == 0 ? this.oz : main == 1 ? this.ox : this.oy;
    along = main * MeshTree.LANES;
    across = (main + 1) % 3 * MeshTree.LANES;
    up = (main + 2) % 3 * MeshTree.LANES;
    hit = -1;
  }

  private static float inverse(float d) {
    return 1 / (Math.abs(d) < LEAST ? Math.copySign(LEAST, d) : d);
  }
}
