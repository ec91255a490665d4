package kite.render;

import kite.core.shape.BoxPlaces;
import kite.core.shape.Mesh;
import kite.render.trace.MeshTree;

/**
 * A mesh of one material, as rays see it.
 *
 * @param positions x, y, z of each corner, in its own axes
 * @param normals likewise
 * @param places texture places, v downwards, or null
 * @param colours linear red, green, blue of each corner, or null for white
 * @param indices three corners for each triangle
 * @param tree of those triangles
 */
public record Surface(
    float[] positions,
    float[] normals,
    float[] places,
    float[] colours,
    int[] indices,
    Material material,
    MeshTree tree) {

  /** A stand-in, whose colour is in its corners. */
  static Surface of(Mesh m, MeshTree tree) {
    return new Surface(
        m.positions(),
        m.normals(),
        BoxPlaces.of(m),
        m.colours(),
        m.indices(),
        Material.STAND_IN,
        tree);
  }

  /** The same mesh of something else. */
  Surface of(Material other) {
    return new Surface(positions, normals, places, colours, indices, other, tree);
  }

  public int triangles() {
    return indices.length / 3;
  }
}
