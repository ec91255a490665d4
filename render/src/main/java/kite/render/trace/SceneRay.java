package kite.render.trace;

/** A ray through a scene and what it met. Reused from ray to ray; belongs to one thread. */
public final class SceneRay {
  double ox, oy, oz, dx, dy, dz;

  final Probe world = new Probe();
  final Probe inMesh = new Probe();
  final int[] stack = new int[TreeBuilder.DEPTH * WideTree.WIDTH];
  final float[] entry = new float[TreeBuilder.DEPTH * WideTree.WIDTH];

  /** What was met last by a ray that only asked whether anything is in its way. */
  int blocker = -1, blockerBlock;

  /** Where the ray ends: what it met, in lengths of its direction. */
  private double far;

  private int placed;
  private int triangle;
  private double u;
  private double v;

  /**
   * Aims the ray; the direction need not be of unit length.
   *
   * @param near where it begins to see, in lengths of its direction
   * @param far where it ends
   */
  public SceneRay set(
      double ox, double oy, double oz, double dx, double dy, double dz, double near, double far) {
    this.ox = ox;
    this.oy = oy;
    this.oz = oz;
    this.dx = dx;
    this.dy = dy;
    this.dz = dz;
    this.far = far;
    world.set(ox, oy, oz, dx, dy, dz);
    world.near = (float) near;
    world.far = (float) far;
    placed = -1;
    return this;
  }

  void met(int placed, MeshTree mesh, Probe p) {
    this.placed = placed;
    triangle = mesh.triangle[p.hit];
    far = p.far;
    u = p.u;
    v = p.v;
    world.far = p.far;
  }

  /** The number of the placed mesh that was met, or −1. */
  public int placed() {
    return placed;
  }

  /** The triangle of that mesh. */
  public int triangle() {
    return triangle;
  }

  /** Where the ray ends, in lengths of its direction: at what it met, if it met anything. */
  public double far() {
    return far;
  }

  /** The share of the triangle's second corner. */
  public double u() {
    return u;
  }

  /** The share of the triangle's third corner. */
  public double v() {
    return v;
  }
}
