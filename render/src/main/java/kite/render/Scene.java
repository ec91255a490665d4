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
  private final boolean allSolid;

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
    boolean solid = true;
    for (Placed p : placed) solid &= p.surface().material().isSolid();
    allSolid = solid;
  }

  /** Everything by itself. */
  public static Scene of(List<Placed> all) {
    return new Scene(all, new boolean[all.size()], null);
  }

  /**
   * The cofactors of a place's axes: they turn normals as its inverse transposed does, flat or not.
   */
  static double[] turn(double[] m) {
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

  int count() {
    return placed.length;
  }

  /** Whether nothing can be seen through. */
  boolean allSolid() {
    return allSolid;
  }

  /** What a ray met, ready to be shaded. Reused; belongs to one thread. */
  public static final class Hit {
    /** Number of the placed surface. */
    public int placed;

    /** Its triangle, and the shares of that one's second and third corner. */
    int triangle;

    double shareB, shareC;

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
    h.triangle = triangle;
    h.shareB = r.u();
    h.shareC = r.v();
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

  /** Place in the textures of what a ray met, without the rest of {@link #meet}. */
  void meetTexture(SceneRay r, Hit h) {
    int p = of[r.placed()], triangle = r.triangle();
    if (p < 0) {
      p = merged.owner()[triangle];
      triangle = merged.triangle()[triangle];
    }
    h.placed = p;
    Surface s = placed[p].surface();
    double u = r.u(), v = r.v(), w = 1 - u - v;
    float[] q = s.places();
    int a = s.indices()[triangle * 3] * 2,
        b = s.indices()[triangle * 3 + 1] * 2,
        c = s.indices()[triangle * 3 + 2] * 2;
    h.textureU = q == null ? 0 : q[a] * w + q[b] * u + q[c] * v;
    h.textureV = q == null ? 0 : q[a + 1] * w + q[b + 1] * u + q[c + 1] * v;
  }

  /**
   * Turns a normal as a relief says, whose axes are those of the texture's places on the triangle.
   * It stays what it is where they have none.
   *
   * @param bump direction as the relief has it: along u, against v, outwards
   */
  void turn(Hit h, double[] bump) {
    Surface s = placed[h.placed].surface();
    float[] q = s.places(), x = s.positions();
    if (q == null) return;
    int a = s.indices()[h.triangle * 3],
        b = s.indices()[h.triangle * 3 + 1],
        c = s.indices()[h.triangle * 3 + 2];
    double u1 = q[b * 2] - q[a * 2], v1 = q[b * 2 + 1] - q[a * 2 + 1];
    double u2 = q[c * 2] - q[a * 2], v2 = q[c * 2 + 1] - q[a * 2 + 1];
    double area = u1 * v2 - u2 * v1;
    if (area == 0) return;
    double[] m = placed[h.placed].world(), along = new double[3], n = h.normal;
    for (int i = 0; i < 3; i++) {
      double e = 0;
      for (int k = 0; k < 3; k++)
        e +=
            m[k * 4 + i]
                * ((x[b * 3 + k] - x[a * 3 + k]) * v2 - (x[c * 3 + k] - x[a * 3 + k]) * v1)
                / area;
      along[i] = e;
    }
    // square to the normal, as the corners' normals have it
    double d = along[0] * n[0] + along[1] * n[1] + along[2] * n[2], l = 0;
    for (int i = 0; i < 3; i++) {
      along[i] -= d * n[i];
      l += along[i] * along[i];
    }
    if (l == 0) return;
    l = Math.sqrt(l);
    double side = Math.signum(area) * handed(m); // mirrored places have their third axis turned
    double[] t = new double[3];
    for (int i = 0; i < 3; i++) {
      int j = (i + 1) % 3, k = (i + 2) % 3;
      double across = (n[j] * along[k] - n[k] * along[j]) / l * side;
      // places count v downwards: against it is up
      t[i] = bump[0] * along[i] / l - bump[1] * across + bump[2] * n[i];
    }
    double r = Math.sqrt(t[0] * t[0] + t[1] * t[1] + t[2] * t[2]);
    if (r > 0) for (int i = 0; i < 3; i++) n[i] = t[i] / r;
  }

  /** 1 for a place that keeps hands, −1 for one that mirrors. */
  private static double handed(double[] m) {
    double volume =
        m[Matrix.XX] * (m[Matrix.YY] * m[Matrix.ZZ] - m[Matrix.YZ] * m[Matrix.ZY])
            - m[Matrix.YX] * (m[Matrix.XY] * m[Matrix.ZZ] - m[Matrix.XZ] * m[Matrix.ZY])
            + m[Matrix.ZX] * (m[Matrix.XY] * m[Matrix.YZ] - m[Matrix.XZ] * m[Matrix.YY]);
    return volume < 0 ? -1 : 1;
  }
}
