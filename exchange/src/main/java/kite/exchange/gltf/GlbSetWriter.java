package kite.exchange.gltf;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import kite.core.document.Sequence;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.render.Material;
import kite.render.SetOverTime;
import kite.render.SetOverTime.Part;
import kite.render.Surface;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A set as glTF 2.0: a node for each piece with its meshes where they stand in the world, keyed on
 * every frame where they move. What is bent has the shape of the first frame: glTF has no points
 * over time. Meshes that several are made of are in it once.
 */
public final class GlbSetWriter {
  /** A scale below this has no axes to turn. */
  private static final double FLAT = 1e-9;

  private final GltfBinary g = new GltfBinary();
  private final ArrayNode meshes = g.root.putArray("meshes");
  private final ArrayNode materials = g.root.putArray("materials");
  private final Map<Material, Integer> materialNumbers = new HashMap<>();
  private final Map<float[], Map<Integer, Integer>> meshNumbers = new IdentityHashMap<>();
  private final double[] frames;
  private final double perSecond;

  private GlbSetWriter(double[] frames, double perSecond) {
    this.frames = frames;
    this.perSecond = perSecond;
  }

  /** Second 0 is the first frame. */
  public static byte[] write(Sequence s, SetOverTime set) {
    return new GlbSetWriter(set.frames(), s.header().rate().perSecond()).all(s, set);
  }

  private byte[] all(Sequence s, SetOverTime set) {
    ArrayNode nodes = g.root.putArray("nodes");
    ArrayNode roots = g.root.putArray("scenes").addObject().putArray("nodes");
    g.root.put("scene", 0);
    ObjectNode animation = g.root.objectNode();
    ArrayNode samplers = animation.putArray("samplers"), channels = animation.putArray("channels");
    int time = -1;
    Map<String, ArrayNode> pieces = new LinkedHashMap<>();
    for (Part p : set.parts()) {
      ArrayNode children = pieces.get(p.piece());
      if (children == null) {
        ObjectNode piece = nodes.addObject().put("name", s.get(p.piece()).name());
        roots.add(nodes.size() - 1);
        children = piece.putArray("children");
        pieces.put(p.piece(), children);
      }
      ObjectNode node = nodes.addObject().put("mesh", mesh(p.surface()));
      int number = nodes.size() - 1;
      children.add(number);
      if (p.stays()) {
        ArrayNode m = node.putArray("matrix");
        for (double v : p.worlds()) m.add(v);
        continue;
      }
      if (time < 0) time = g.floats(seconds(), "SCALAR", 1, true);
      moves(p.worlds(), samplers, channels, time, number);
    }
    if (!channels.isEmpty()) {
      animation.put("name", "Scene");
      g.root.putArray("animations").add(animation);
    }
    return g.glb();
  }

  private float[] seconds() {
    float[] all = new float[frames.length];
    for (int i = 0; i < all.length; i++) all[i] = (float) ((frames[i] - frames[0]) / perSecond);
    return all;
  }

  /** Place, turn and scale on every frame; a shear, which glTF cannot key, is left out. */
  private void moves(double[] worlds, ArrayNode samplers, ArrayNode channels, int time, int node) {
    int n = frames.length;
    float[] places = new float[3 * n], turns = new float[4 * n], scales = new float[3 * n];
    double[] m = new double[Matrix.SIZE], q = new double[4], last = {0, 0, 0, 1};
    for (int i = 0; i < n; i++) {
      System.arraycopy(worlds, i * Matrix.SIZE, m, 0, Matrix.SIZE);
      for (int a = 0; a < 3; a++) {
        places[3 * i + a] = (float) m[Matrix.OX + a];
        double length = 0;
        for (int r = 0; r < 3; r++) length += m[a * Matrix.COLUMN + r] * m[a * Matrix.COLUMN + r];
        length = Math.sqrt(length);
        if (a == 0 && mirrors(m)) length = -length;
        scales[3 * i + a] = (float) length;
        for (int r = 0; r < 3; r++)
          m[a * Matrix.COLUMN + r] =
              Math.abs(length) < FLAT ? (a == r ? 1 : 0) : m[a * Matrix.COLUMN + r] / length;
      }
      Rotation.toQuaternion(m, 0, q);
      double dot = q[0] * last[0] + q[1] * last[1] + q[2] * last[2] + q[3] * last[3];
      for (int a = 0; a < 4; a++) {
        last[a] = dot < 0 ? -q[a] : q[a]; // one of ±q, so that readers do not turn the long way
        turns[4 * i + a] = (float) last[a];
      }
    }
    GlbCameraWriter.sampler(
        samplers, channels, node, time, g.floats(places, "VEC3", 3, false), "translation");
    GlbCameraWriter.sampler(
        samplers, channels, node, time, g.floats(turns, "VEC4", 4, false), "rotation");
    GlbCameraWriter.sampler(
        samplers, channels, node, time, g.floats(scales, "VEC3", 3, false), "scale");
  }

  private static boolean mirrors(double[] m) {
    return m[Matrix.XX] * (m[Matrix.YY] * m[Matrix.ZZ] - m[Matrix.YZ] * m[Matrix.ZY])
            - m[Matrix.XY] * (m[Matrix.YX] * m[Matrix.ZZ] - m[Matrix.YZ] * m[Matrix.ZX])
            + m[Matrix.XZ] * (m[Matrix.YX] * m[Matrix.ZY] - m[Matrix.YY] * m[Matrix.ZX])
        < 0;
  }

  private int mesh(Surface x) {
    int material = material(x.material());
    Map<Integer, Integer> there = meshNumbers.computeIfAbsent(x.positions(), k -> new HashMap<>());
    return there.computeIfAbsent(
        material,
        k -> {
          ObjectNode p = meshes.addObject().putArray("primitives").addObject();
          ObjectNode a = p.putObject("attributes");
          a.put("POSITION", g.floats(x.positions(), "VEC3", 3, true));
          a.put("NORMAL", g.floats(unit(x.normals()), "VEC3", 3, false));
          if (x.colours() != null) a.put("COLOR_0", g.floats(x.colours(), "VEC3", 3, false));
          p.put("indices", g.indices(x.indices())).put("material", material);
          return meshes.size() - 1;
        });
  }

  /** As glTF asks for them; a corner without one looks up. */
  private static float[] unit(float[] normals) {
    float[] out = new float[normals.length];
    for (int i = 0; i < out.length; i += 3) {
      double x = normals[i], y = normals[i + 1], z = normals[i + 2];
      double length = Math.sqrt(x * x + y * y + z * z);
      out[i] = length > 0 ? (float) (x / length) : 0;
      out[i + 1] = length > 0 ? (float) (y / length) : 1;
      out[i + 2] = length > 0 ? (float) (z / length) : 0;
    }
    return out;
  }

  private int material(Material m) {
    return materialNumbers.computeIfAbsent(
        m,
        k -> {
          ObjectNode node = materials.addObject().put("doubleSided", true);
          ObjectNode p = node.putObject("pbrMetallicRoughness");
          p.putArray("baseColorFactor").add(m.red()).add(m.green()).add(m.blue()).add(1);
          p.put("metallicFactor", m.metal()).put("roughnessFactor", m.roughness());
          return materials.size() - 1;
        });
  }
}
