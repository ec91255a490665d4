package kite.render;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.model.ModelPose;
import kite.core.shape.Mesh;
import kite.core.shape.StandIns;

/** Everything shown in a sequence at one frame, as triangles in the world. */
public final class SceneBuilder {
  private final Function<String, ModelGeometry> models;
  private final Map<Piece, Mesh> standIns = new HashMap<>();

  /**
   * @param models geometry of an asset, or null when it is not to be had
   */
  public SceneBuilder(Function<String, ModelGeometry> models) {
    this.models = models;
  }

  /** The scene as the plan last evaluated it. */
  public Triangles build(Sequence s, Plan plan) {
    Triangles t = new Triangles();
    for (Piece p : s.all(Piece.class)) {
      if (!s.isRendered(p)) continue;
      double[] m = new double[Matrix.SIZE];
      System.arraycopy(plan.world(), plan.slot(p.id()) * Matrix.SIZE, m, 0, Matrix.SIZE);
      Piece like =
          p.shape() instanceof Shape.Instance i && s.get(i.of()) instanceof Piece q ? q : p;
      if (like.shape() instanceof Shape.StandIn shape) {
        Mesh mesh = standIns.computeIfAbsent(like, q -> StandIns.mesh(shape, q.colour()));
        add(
            t,
            t.material(Material.STAND_IN),
            mesh.positions(),
            mesh.normals(),
            mesh.colours(),
            null,
            mesh.indices(),
            m);
      } else if (like.shape() instanceof Shape.Model model) {
        ModelGeometry g = models.apply(model.asset());
        ModelPose pose = plan.pose(p.id());
        if (g != null && pose != null) addModel(t, g, pose, m, model);
      }
    }
    return t;
  }

  private static void addModel(
      Triangles t, ModelGeometry g, ModelPose pose, double[] piece, Shape.Model model) {
    double[] root = piece.clone();
    for (int c = 0; c < 3; c++) for (int r = 0; r < 3; r++) root[c * 4 + r] *= model.unitM();
    if (model.zUp()) { // the file's Z is our Y, its Y our −Z
      for (int r = 0; r < 3; r++) {
        double y = root[4 + r];
        root[4 + r] = -root[8 + r];
        root[8 + r] = y;
      }
    }
    double[] world = new double[Matrix.SIZE];
    for (ModelGeometry.Part p : g.parts()) {
      float[] positions = morphed(p, pose.weights(p.node())), normals = p.normals();
      int material = t.material(g.materials().get(p.material()));
      if (p.skin() >= 0) {
        normals = normals.clone();
        positions = skinned(p, g.skins().get(p.skin()), pose, positions, normals);
        System.arraycopy(root, 0, world, 0, Matrix.SIZE);
      } else {
        Matrix.multiply(root, 0, pose.world(), p.node() * Matrix.SIZE, world, 0);
      }
      add(t, material, positions, normals, p.colours(), p.places(), p.indices(), world);
    }
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
      java.util.Arrays.fill(m, 0);
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

  private static void add(
      Triangles t,
      int material,
      float[] p,
      float[] n,
      float[] c,
      float[] uv,
      int[] indices,
      double[] m) {
    float[] wp = new float[p.length], wn = new float[n.length];
    double[] v = new double[3];
    double[] it = Matrix.newInverse(m, 0);
    for (int i = 0; i < p.length; i += 3) {
      Matrix.point(m, 0, p[i], p[i + 1], p[i + 2], v, 0);
      for (int a = 0; a < 3; a++) wp[i + a] = (float) v[a];
      double x = it[0] * n[i] + it[1] * n[i + 1] + it[2] * n[i + 2];
      double y = it[4] * n[i] + it[5] * n[i + 1] + it[6] * n[i + 2];
      double z = it[8] * n[i] + it[9] * n[i + 1] + it[10] * n[i + 2];
      double l = Math.sqrt(x * x + y * y + z * z);
      wn[i] = (float) (x / l);
      wn[i + 1] = (float) (y / l);
      wn[i + 2] = (float) (z / l);
    }
    for (int i = 0; i + 2 < indices.length; i += 3) {
      t.begin(material);
      for (int k = 0; k < 3; k++)
        t.corner(
            k,
            wp,
            indices[i + k] * 3,
            wn,
            indices[i + k] * 3,
            c,
            indices[i + k] * 3,
            uv,
            indices[i + k] * 2);
    }
  }
}
