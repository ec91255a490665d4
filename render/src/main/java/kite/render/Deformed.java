package kite.render;

import java.util.Arrays;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.render.trace.MeshTree;

/**
 * A part of a model that is bent by joints or shapes, from frame to frame. Its hierarchy is
 * refitted, and built anew only when that has made it poor.
 */
final class Deformed {
  /** A refitted hierarchy that costs a ray so many times what it did when it was built is poor. */
  private static final double POOR = 1.6;

  private MeshTree built;
  private double cost;

  /** As it was the last time: what stands in its pose is made once. */
  private Surface last;

  Deformed(MeshTree rest) {
    built = rest;
    cost = rest.cost();
  }

  static boolean deforms(ModelGeometry.Part p, ModelPose pose) {
    if (p.skin() >= 0) return true;
    double[] w = pose.weights(p.node());
    for (int k = 0; k < Math.min(w.length, p.morphs().size()); k++) if (w[k] != 0) return true;
    return false;
  }

  /** The part as it is in a pose. */
  Surface at(ModelGeometry g, ModelGeometry.Part p, ModelPose pose, Surface still) {
    float[] positions = morphed(p, pose.weights(p.node())), normals = p.normals();
    if (p.skin() >= 0) {
      normals = normals.clone();
      positions = skinned(p, g.skins().get(p.skin()), pose, positions, normals);
    }
    if (last != null
        && Arrays.equals(positions, last.positions())
        && Arrays.equals(normals, last.normals())) return last;
    MeshTree t = built.refitted(positions, p.indices());
    if (!(t.cost() <= POOR * cost)) {
      t = MeshTree.of(positions, p.indices());
      built = t;
      cost = t.cost();
    }
    last =
        new Surface(
            positions,
            normals,
            still.places(),
            still.colours(),
            still.indices(),
            still.material(),
            t);
    return last;
  }

  private static float[] morphed(ModelGeometry.Part p, double[] weights) {
    if (p.morphs().isEmpty()) return p.positions();
    float[] out = p.positions().clone();
    for (int k = 0; k < Math.min(weights.length, p.morphs().size()); k++) {
      if (weights[k] == 0) continue;
      float[] by = p.morphs().get(k);
      for (int i = 0; i < out.length; i++) out[i] += (float) (by[i] * weights[k]);
    }
    return out;
  }

  /** Linear blend skinning in the model's own axes; normals are turned in place. */
  private static float[] skinned(
      ModelGeometry.Part p,
      ModelGeometry.Skin skin,
      ModelPose pose,
      float[] positions,
      float[] normals) {
    int n = skin.joints().length;
    double[] joint = new double[n * Matrix.SIZE];
    for (int j = 0; j < n; j++)
      Matrix.multiply(
          pose.world(),
          skin.joints()[j] * Matrix.SIZE,
          skin.inverseBind(),
          j * Matrix.SIZE,
          joint,
          j * Matrix.SIZE);
    float[] out = new float[positions.length];
    double[] m = new double[Matrix.SIZE], v = new double[3];
    for (int i = 0; i < positions.length / 3; i++) {
      Arrays.fill(m, 0);
      for (int k = 0; k < 4; k++) {
        double w = p.weights()[i * 4 + k];
        if (w == 0) continue;
        int o = p.joints()[i * 4 + k] * Matrix.SIZE;
        for (int e = 0; e < Matrix.SIZE; e++) m[e] += joint[o + e] * w;
      }
      Matrix.point(m, 0, positions[i * 3], positions[i * 3 + 1], positions[i * 3 + 2], v, 0);
      for (int a = 0; a < 3; a++) out[i * 3 + a] = (float) v[a];
      double nx = normals[i * 3], ny = normals[i * 3 + 1], nz = normals[i * 3 + 2];
      for (int a = 0; a < 3; a++)
        normals[i * 3 + a] = (float) (m[a] * nx + m[4 + a] * ny + m[8 + a] * nz);
    }
    return out;
  }
}
