package kite.render;

import java.util.List;
import kite.core.math.Matrix;
import kite.render.trace.MeshTree;

/**
 * Small surfaces that stand still, as one mesh in the world: a ray goes through one hierarchy
 * instead of into hundreds. What they look like stays with each of them.
 *
 * @param owner for each triangle, which placed surface it belongs to
 * @param triangle its number there
 */
record Merged(MeshTree tree, int[] owner, int[] triangle) {

  /**
   * @param all placed surfaces
   * @param together which of them
   */
  static MeshTree tree(List<Placed> all, boolean[] together) {
    int corners = 0, indices = 0;
    for (int i = 0; i < together.length; i++)
      if (together[i]) {
        corners += all.get(i).surface().positions().length;
        indices += all.get(i).surface().indices().length;
      }
    float[] positions = new float[corners];
    int[] index = new int[indices];
    double[] v = new double[3];
    int c = 0, k = 0;
    for (int i = 0; i < together.length; i++) {
      if (!together[i]) continue;
      Placed p = all.get(i);
      float[] x = p.surface().positions();
      for (int j : p.surface().indices()) index[k++] = c / 3 + j;
      for (int j = 0; j < x.length; j += 3) {
        Matrix.point(p.world(), 0, x[j], x[j + 1], x[j + 2], v, 0);
        for (int a = 0; a < 3; a++) positions[c++] = (float) v[a];
      }
    }
    return MeshTree.of(positions, index);
  }

  static Merged of(MeshTree tree, List<Placed> all, boolean[] together) {
    int n = 0;
    for (int i = 0; i < together.length; i++)
      if (together[i]) n += all.get(i).surface().triangles();
    int[] owner = new int[n], triangle = new int[n];
    int k = 0;
    for (int i = 0; i < together.length; i++)
      for (int t = 0; together[i] && t < all.get(i).surface().triangles(); t++) {
        owner[k] = i;
        triangle[k++] = t;
      }
    return new Merged(tree, owner, triangle);
  }
}
