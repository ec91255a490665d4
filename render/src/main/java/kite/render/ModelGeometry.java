package kite.render;

import java.util.Arrays;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
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
      List<float[]> morphs) {

    /** The same on another node; its numbers are shared. */
    public Part on(int otherNode) {
      return new Part(
          otherNode, material, positions, normals, places, colours, indices, skin, joints, weights,
          morphs);
    }
  }

  /**
   * @param joints nodes of the rig
   * @param inverseBind 16 numbers per joint
   */
  public record Skin(int[] joints, double[] inverseBind) {}

  /** What it takes in memory, in bytes; what several parts share counts once. */
  public long bytes() {
    Set<Object> counted = Collections.newSetFromMap(new IdentityHashMap<>());
    long n = 0;
    for (Part p : parts) {
      for (float[] f :
          Arrays.asList(p.positions(), p.normals(), p.places(), p.colours(), p.weights()))
        if (f != null && counted.add(f)) n += 4L * f.length;
      for (int[] i : Arrays.asList(p.indices(), p.joints()))
        if (i != null && counted.add(i)) n += 4L * i.length;
      for (float[] f : p.morphs()) if (counted.add(f)) n += 4L * f.length;
    }
    for (Material m : materials)
      for (Texture t : m.textures()) if (counted.add(t)) n += 4L * t.argb().length;
    return n + rig.bytes();
  }

  public int triangles() {
    int n = 0;
    for (Part p : parts) n += p.indices().length / 3;
    return n;
  }
}
