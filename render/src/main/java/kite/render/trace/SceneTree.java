package kite.render.trace;

import java.util.List;
import kite.core.math.Matrix;

/**
 * The meshes of a scene where they stand: a small hierarchy over them, theirs below it. A mesh that
 * stands in many places is there once. Immutable, shared by threads.
 */
public final class SceneTree {
  /** Numbers of a place: three rows of a matrix from the world to the mesh. */
  private static final int ROWS = 12;

  /**
   * By how much the box about a place is made larger, as a share of its farthest coordinate: what
   * is lost when a ray is taken into the mesh's axes in single precision.
   */
  private static final float MARGIN = 1e-6f;

  /**
   * A place whose volume is less than this share of its edges' product has no inverse worth using.
   */
  private static final double FLAT = 1e-9;

  private final MeshTree[] mesh;
  private final double[] inverse;
  private final boolean[] atRest;
  private final WideTree tree;

  /**
   * @param mesh each where {@code world} puts it; one that is empty, or {@linkplain #flat
   *     flattened} to nothing, is never met
   * @param world 16 numbers for each
   */
  public SceneTree(List<MeshTree> mesh, List<double[]> world) {
    int n = mesh.size();
    this.mesh = mesh.toArray(new MeshTree[0]);
    inverse = new double[n * ROWS];
    atRest = new boolean[n];
    float[] box = new float[n * TreeBuilder.BOX];
    int[] kept = new int[n];
    int k = 0;
    for (int i = 0; i < n; i++) {
      double[] m = world.get(i);
      if (this.mesh[i].isEmpty() || !takeIn(i, m)) continue;
      place(this.mesh[i], m, box, k * TreeBuilder.BOX);
      kept[k++] = i;
    }
    WideTree t = TreeBuilder.build(java.util.Arrays.copyOf(box, k * TreeBuilder.BOX), 1);
    for (int i = 0; i < k; i++) t.number()[i] = kept[t.number()[i]];
    tree = t;
  }

  /** Keeps how a ray gets into a mesh; false where there is no way. */
  private boolean takeIn(int i, double[] m) {
    if (flat(m)) return false;
    double[] in = Matrix.newInverse(m, 0);
    boolean rest = true;
    for (int row = 0; row < 3; row++)
      for (int column = 0; column < 4; column++) {
        inverse[i * ROWS + row * 4 + column] = in[column * 4 + row];
        rest &= m[column * 4 + row] == (row == column ? 1 : 0);
      }
    atRest[i] = rest;
    return true;
  }

  /**
   * Whether a place flattens what stands there, or is none: rays find no way back from it. Its
   * triangles can still be put into the world by themselves.
   */
  public static boolean flat(double[] m) {
    double volume =
        m[Matrix.XX] * (m[Matrix.YY] * m[Matrix.ZZ] - m[Matrix.YZ] * m[Matrix.ZY])
            - m[Matrix.YX] * (m[Matrix.XY] * m[Matrix.ZZ] - m[Matrix.XZ] * m[Matrix.ZY])
            + m[Matrix.ZX] * (m[Matrix.XY] * m[Matrix.YZ] - m[Matrix.XZ] * m[Matrix.YY]);
    double edges = length(m, Matrix.XX) * length(m, Matrix.YX) * length(m, Matrix.ZX);
    return !(Math.abs(volume) > FLAT * edges && Double.isFinite(edges) && edges > 0);
  }

  private static double length(double[] m, int at) {
    return Math.sqrt(m[at] * m[at] + m[at + 1] * m[at + 1] + m[at + 2] * m[at + 2]);
  }

  /** The box about a mesh's box where it stands. */
  private static void place(MeshTree mesh, double[] m, float[] box, int o) {
    float[] about = mesh.about();
    double[] v = new double[3];
    float[] b = new float[TreeBuilder.BOX];
    TreeBuilder.empty(b);
    float reach = 0;
    for (int corner = 0; corner < 8; corner++) {
      Matrix.point(
          m,
          0,
          about[(corner & 1) * 3],
          about[(corner >> 1 & 1) * 3 + 1],
          about[(corner >> 2) * 3 + 2],
          v,
          0);
      for (int a = 0; a < 3; a++) {
        b[a] = Math.min(b[a], (float) v[a]);
        b[a + 3] = Math.max(b[a + 3], (float) v[a]);
        reach = Math.max(reach, (float) Math.abs(v[a]));
      }
    }
    for (int a = 0; a < 3; a++) {
      box[o + a] = b[a] - reach * MARGIN;
      box[o + a + 3] = b[a + 3] + reach * MARGIN;
    }
  }

  /** In words, how rays are traced in this JVM. */
  public static String tracedBy() {
    return MeshTracer.BEST instanceof PlainTracer ? "plain code" : "vectors";
  }

  /** What the places take in memory; the meshes not counted. */
  public long bytes() {
    return 8L * inverse.length
        + 5L * mesh.length
        + 4L * (tree.box().length + tree.link().length + tree.number().length);
  }

  /** Shortens the ray to the first thing it meets. */
  public boolean nearest(SceneRay r) {
    return trace(r, false);
  }

  /** Whether anything is in the ray's way. What it was is asked first the next time. */
  public boolean blocked(SceneRay r) {
    if (r.blocker >= 0) {
      MeshTree m = mesh[r.blocker];
      Probe q = intoMesh(r, r.blocker);
      // at another moment of an exposure the mesh may have other blocks
      if (r.blockerBlock < m.blocks() && MeshTracer.BEST.meets(m, q, r.blockerBlock)) {
        r.met(r.blocker, m, q);
        return true;
      }
    }
    if (trace(r, true)) return true;
    r.blocker = -1; // nothing is in the way here: what was need not be asked again
    return false;
  }

  private boolean trace(SceneRay r, boolean any) {
    if (tree.isEmpty()) return false;
    Probe p = r.world;
    boolean met = false;
    int top = 0, link = 0;
    while (true) {
      if (link >= 0) {
        top = MeshTracer.BEST.open(tree.box(), tree.link(), link, p, r.stack, r.entry, top);
      } else {
        int i = tree.number()[WideTree.from(link)];
        Probe q = intoMesh(r, i);
        if (MeshTracer.BEST.trace(mesh[i], q, any)) {
          r.met(i, mesh[i], q);
          met = true;
          if (any) {
            r.blocker = i;
            r.blockerBlock = q.hit / MeshTree.LANES;
            return true;
          }
        }
      }
      do {
        if (top == 0) return met;
        link = r.stack[--top];
      } while (r.entry[top] > p.far);
    }
  }

  /** The ray in a mesh's axes; a mesh at rest in the world has the world's. */
  private Probe intoMesh(SceneRay r, int i) {
    if (atRest[i]) return r.world;
    Probe p = r.inMesh;
    double[] m = inverse;
    int o = i * ROWS;
    p.set(
        m[o] * r.ox + m[o + 1] * r.oy + m[o + 2] * r.oz + m[o + 3],
        m[o + 4] * r.ox + m[o + 5] * r.oy + m[o + 6] * r.oz + m[o + 7],
        m[o + 8] * r.ox + m[o + 9] * r.oy + m[o + 10] * r.oz + m[o + 11],
        m[o] * r.dx + m[o + 1] * r.dy + m[o + 2] * r.dz,
        m[o + 4] * r.dx + m[o + 5] * r.dy + m[o + 6] * r.dz,
        m[o + 8] * r.dx + m[o + 9] * r.dy + m[o + 10] * r.dz);
    p.near = r.world.near;
    p.far = r.world.far;
    return p;
  }
}
