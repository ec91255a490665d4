package kite.render;

import java.util.List;
import kite.core.model.ModelRig;

/** A model's triangles, to be posed by its rig. */
public record ModelGeometry(
    ModelRig rig, List<Part> parts, List<Skin> skins, List<Material> materials) {

  /**
   * One mesh of one material on one node. Three floats per corner for positions and normals, two
   * for texture places.
   *
   * @param places texture places, v downwards, or null
   * @param colours linear red, green, blue per corner, or null
   * @param skin index of a skin, or −1
   * @param joints four joints per corner, or null
   * @param weights four weights per corner, or null
   * @param morphs position offsets per morph target, each as long as {@code positions}
   */
  public record Part(
      int node,
      int material,
      float[] positions,
      float[] normals,
      float[] places,
      float[] colours,
      int[] indices,
      int skin,
      int[] joints,
      float[] weights,
      List<float[]> morphs) {}

  /**
   * @param joints nodes of the rig
   * @param inverseBind 16 numbers per joint
   */
  public record Skin(int[] joints, double[] inverseBind) {}

  public int triangles() {
    int n = 0;
    for (Part p : parts) n += p.indices().length / 3;
    return n;
  }
}
