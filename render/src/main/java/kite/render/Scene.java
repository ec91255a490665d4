package kite.render;

import java.util.ArrayList;
import java.util.List;
import kite.core.math.Matrix;
import kite.render.trace.MeshTree;
import kite.render.trace.SceneRay;
import kite.render.trace.SceneTree;

/** What rays meet on a frame. Immutable, shared by threads. */
public final class Scene {
  private final Placed[] placed;

  /** For each placed surface, the way of its normals into the world: nine numbers by rows. */
  private final double[][] turn;

  private final Merged merged;

  /** Of the tree's meshes the placed surface that it is; the merged ones come first, as −1. */
  private final int[] of;

  private final SceneTree tree;

  /**
   * @param together those whose triangles are put into one mesh in the world
   * @param merged that mesh, or null for none
   */
  Scene(List<Placed> all, boolean[] together, Merged merged) {
    placed = all.toArray(new Placed[0]);
    this.merged = merged;
    turn = new double[placed.length][];
    for (int i = 0; i < placed.length; i++) turn[i] = turn(placed[i].world());
    List<MeshTree> meshes = new ArrayList<>();
    List<double[]> world = new ArrayList<>();
    of = new int[placed.length + 1];
    if (merged != null) {
      of[0] = -1;
      meshes.add(merged.tree());
      world.add(Matrix.newIdentity());
    }
    for (int i = 0; i < placed.length; i++) {
      if (together[i]) continue;
      of[meshes.size()] = i;
      meshes.add(placed[i].surface().tree());
      world.add(placed[i].world());
    }
    tree = new SceneTree(meshes, world);
  }

  /** Everything by itself. */
  public static Scene of(List<Placed> all) {
    return new Scene(all, new boolean[all.size()], null);
  }

  /**
   * The cofactors of a place's axes: they turn normals as its inverse transposed does, flat or not.
   */
  private static double[] turn(double[] m) {
    double[] t = new double[9];
    for (int row = 0; row < 3; row++)
      for (int column = 0; column < 3; column++) {
        int r = (row + 1) % 3, s = (row + 2) % 3, c = (column + 1) % 3, d = (column + 2) % 3;
        t[row * 3 + column] = m[c * 4 + r] * m[d * 4 + s] - m[c * 4 + s] * m[d * 4 + r];
      }
    double volume =
        m[Matrix.XX] * t[0] + m[Matrix.XY] * t[3] + m[Matrix.XZ] * t[6]; // mirrored where negative
    if (volume < 0) for (int i = 0; i < 9; i++) t[i] = -t[i];
    return t;
  }

  public boolean nearest(SceneRay r) {
    return tree.nearest(r);
  }

  public boolean blocked(SceneRay r) {
    return tree.blocked(r);
  }

  public Placed placed(int i) {
    return placed[i];
  }

  /** What a ray met, ready to be shaded. Reused; belongs to one thread. */
  public static final class Hit {
    /** Number of the placed surface. */
    public int placed;

    /** Where it is in the world. */
    public final double[] at = new double[3];

    /** The blended normal, of unit length, as the surface has it. */
    public final double[] normal = new double[3];

    /** The blended colour of the corners. */
    public final double[] colour = new double[3];

    /** Place in the textures. */
    public double textureU, textureV;

    private final double[] local = new double[3];
  }

  /** Says what a ray met. */
  public void meet(SceneRay r, Hit h) {
    int p = of[r.placed()], triangle = r.triangle();
    if (p < 0) {
      p = merged.owner()[triangle];
      triangle = merged.triangle()[triangle];
    }
    h.placed = p;
    Surface s = placed[p].surface();
    double u = r.u(), v = r.v(), w = 1 - u - v;
    int a = s.indices()[triangle * 3],
        b = s.indices()[triangle * 3 + 1],
        c = s.indices()[triangle * 3 + 2];
    float[] x = s.positions(), n = s.normals();
    for (int i = 0; i < 3; i++) {
      h.at[i] = x[a * 3 + i] * w + x[b * 3 + i] * u + x[c * 3 + i] * v;
      h.local[i] = n[a * 3 + i] * w + n[b * 3 + i] * u + n[c * 3 + i] * v;
    }
    Matrix.point(placed[p].world(), 0, h.at[0], h.at[1], h.at[2], h.at, 0);
    double[] t = turn[p];
    double l = 0;
    for (int i = 0; i < 3; i++) {
      h.normal[i] = t[i * 3] * h.local[0] + t[i * 3 + 1] * h.local[1] + t[i * 3 + 2] * h.local[2];
      l += h.normal[i] * h.normal[i];
    }
    l = Math.sqrt(l);
    for (int i = 0; i < 3; i++) h.normal[i] = l == 0 ? (i == 1 ? 1 : 0) : h.normal[i] / l;
    float[] k = s.colours();
    for (int i = 0; i < 3; i++)
      h.colour[i] = k == null ? 1 : k[a * 3 + i] * w + k[b * 3 + i] * u + k[c * 3 + i] * v;
    float[] q = s.places();
    h.textureU = q == null ? 0 : q[a * 2] * w + q[b * 2] * u + q[c * 2] * v;
    h.textureV = q == null ? 0 : q[a * 2 + 1] * w + q[b * 2 + 1] * u + q[c * 2 + 1] * v;
  }
}
