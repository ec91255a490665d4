package kite.exchange.gltf;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.render.Material;
import kite.render.ModelGeometry;
import kite.render.Texture;
import tools.jackson.databind.JsonNode;

/** Meshes, skins and materials of the shown nodes. */
final class GltfMeshes {
  /** Corners on all nodes: each is looked at to know how far the model reaches. */
  private static final long MOST_CORNERS = 20_000_000;

  /** What a part takes beside its numbers. */
  private static final int BYTES_PER_PART = 200;

  private final JsonNode root;
  private final GltfBuffers buffers;
  private final GltfNodes nodes;
  private final Budget budget;
  private final Set<String> warnings;
  private final List<ModelGeometry.Part> parts = new ArrayList<>();
  private final Map<Integer, List<ModelGeometry.Part>> partsOfNode = new HashMap<>();
  private final List<ModelGeometry.Skin> skins = new ArrayList<>();
  private final List<Material> materials = new ArrayList<>();

  /** Pictures by where their bytes are: several images often name the same. */
  private final Map<Object, Texture> textures = new HashMap<>();

  /** What several nodes draw with the same skin (−1 for none) is read once. */
  private final Map<Integer, Map<JsonNode, ModelGeometry.Part>> read = new HashMap<>();

  private long triangles;
  private long corners;

  GltfMeshes(
      JsonNode root, GltfBuffers buffers, GltfNodes nodes, Budget budget, Set<String> warnings)
      throws BadFile {
    this.root = root;
    this.buffers = buffers;
    this.nodes = nodes;
    this.budget = budget;
    this.warnings = warnings;
    for (JsonNode m : Numbers.objects(root, "materials", "file")) materials.add(material(m));
    materials.add(new Material(0.8, 0.8, 0.8, 0.9, 0, null));
    for (JsonNode s : Numbers.objects(root, "skins", "file")) skins.add(skin(s));
    for (int i = 0; i < nodes.count(); i++) {
      JsonNode n = nodes.node(i);
      if (!n.has("mesh")) continue;
      JsonNode mesh = Numbers.item(root, "meshes", Numbers.whole(n, "mesh", "node"));
      long skin = Numbers.wholeOr(n, "skin", -1, "node");
      if (skin < -1 || skin >= skins.size())
        throw new BadFile("The model refers to skin " + skin + ", which is not there.");
      for (JsonNode p : Numbers.objects(mesh, "primitives", "mesh")) {
        budget.step();
        part(i, (int) skin, p);
      }
    }
  }

  List<ModelGeometry.Part> parts() {
    return parts;
  }

  List<ModelGeometry.Skin> skins() {
    return skins;
  }

  List<Material> materials() {
    return materials;
  }

  private void part(int node, int skin, JsonNode p) throws BadFile {
    if (Numbers.wholeOr(p, "mode", 4, "mesh") != 4) {
      warnings.add("Points, lines and triangle strips are left out.");
      return;
    }
    Map<JsonNode, ModelGeometry.Part> ofSkin =
        read.computeIfAbsent(skin, k -> new IdentityHashMap<>());
    ModelGeometry.Part known = ofSkin.get(p);
    if (known == null) ofSkin.put(p, known = mesh(skin, p));
    triangles += known.indices().length / 3;
    if (triangles > GlbReader.MOST_TRIANGLES)
      throw new BadFile(
          "The model has more than "
              + GlbReader.MOST_TRIANGLES
              + " triangles. Bring a lighter version.");
    corners += known.positions().length / 3;
    if (corners > MOST_CORNERS)
      throw new BadFile(
          "The model has more than " + MOST_CORNERS + " corners. Bring a lighter version.");
    budget.take(BYTES_PER_PART, "What the model is made of");
    ModelGeometry.Part part = known.on(node);
    parts.add(part);
    partsOfNode.computeIfAbsent(node, n -> new ArrayList<>()).add(part);
  }

  /** What a primitive draws, on no node yet. */
  private ModelGeometry.Part mesh(int skin, JsonNode p) throws BadFile {
    JsonNode a = p.path("attributes");
    if (!a.has("POSITION")) throw new BadFile("A mesh of the model has no positions.");
    float[] positions = buffers.floats(Numbers.whole(a, "POSITION", "mesh"), 3);
    int corners = positions.length / 3;
    int[] indices = indices(p, corners);
    float[] normals =
        a.has("NORMAL")
            ? sized(buffers.floats(Numbers.whole(a, "NORMAL", "mesh"), 3), corners * 3, "normals")
            : faceNormals(positions, indices, budget);
    float[] places =
        a.has("TEXCOORD_0")
            ? sized(
                buffers.floats(Numbers.whole(a, "TEXCOORD_0", "mesh"), 2),
                corners * 2,
                "texture places")
            : null;
    float[] colours =
        a.has("COLOR_0") ? colours(Numbers.whole(a, "COLOR_0", "mesh"), corners) : null;
    long material = Numbers.wholeOr(p, "material", materials.size() - 1L, "mesh");
    if (material < 0 || material >= materials.size())
      throw new BadFile("The model refers to material " + material + ", which is not there.");
    int[] joints = null;
    float[] weights = null;
    if (skin >= 0 && a.has("JOINTS_0") && a.has("WEIGHTS_0")) {
      float[] j =
          sized(buffers.floats(Numbers.whole(a, "JOINTS_0", "mesh"), 4), corners * 4, "joints");
      weights =
          sized(
              buffers.floats(Numbers.whole(a, "WEIGHTS_0", "mesh"), 4),
              corners * 4,
              "joint weights");
      budget.take(4L * j.length, "The model's joints");
      joints = new int[j.length];
      for (int i = 0; i < j.length; i++) {
        joints[i] = (int) j[i];
        if (joints[i] < 0 || joints[i] >= skins.get(skin).joints().length)
          throw new BadFile(
              "A mesh of the model hangs on joint "
                  + joints[i]
                  + ", which its skin does not have.");
      }
    }
    List<float[]> morphs = new ArrayList<>();
    for (JsonNode t : Numbers.objects(p, "targets", "mesh")) {
      if (!t.has("POSITION")) budget.take(12L * corners, "The model's morph targets");
      morphs.add(
          t.has("POSITION")
              ? sized(
                  buffers.floats(Numbers.whole(t, "POSITION", "mesh"), 3),
                  corners * 3,
                  "morph target")
              : new float[corners * 3]);
    }
    return new ModelGeometry.Part(
        -1,
        (int) material,
        positions,
        normals,
        places,
        colours,
        indices,
        joints == null ? -1 : skin,
        joints,
        weights,
        morphs);
  }

  private static float[] sized(float[] all, int wanted, String what) throws BadFile {
    if (all.length != wanted)
      throw new BadFile(
          "A mesh of the model has a different count of " + what + " than of positions.");
    return all;
  }

  private float[] colours(long accessor, int corners) throws BadFile {
    int width = buffers.width(accessor);
    if (width < 3) throw new BadFile("A mesh of the model has colours of " + width + " numbers.");
    budget.take(12L * corners, "The model's colours");
    float[] all = sized(buffers.floats(accessor, width), corners * width, "colours"),
        out = new float[corners * 3];
    for (int i = 0; i < corners; i++) System.arraycopy(all, i * width, out, i * 3, 3);
    return out;
  }

  private int[] indices(JsonNode p, int corners) throws BadFile {
    if (p.has("indices")) {
      int[] all = buffers.wholes(Numbers.whole(p, "indices", "mesh"));
      for (int i : all)
        if (i < 0 || i >= corners)
          throw new BadFile(
              "A triangle of the model uses corner "
                  + (i < 0 ? "−1" : i)
                  + ", but its mesh has "
                  + corners
                  + ".");
      return all.length % 3 == 0 ? all : Arrays.copyOf(all, all.length / 3 * 3);
    }
    budget.take(4L * corners, "The model's faces");
    int[] out = new int[corners / 3 * 3];
    for (int i = 0; i < out.length; i++) out[i] = i;
    return out;
  }

  private static float[] faceNormals(float[] p, int[] indices, Budget budget) throws BadFile {
    budget.take(4L * p.length, "The model's faces");
    float[] n = new float[p.length];
    for (int i = 0; i + 2 < indices.length; i += 3) {
      int a = indices[i] * 3, b = indices[i + 1] * 3, c = indices[i + 2] * 3;
      float ux = p[b] - p[a], uy = p[b + 1] - p[a + 1], uz = p[b + 2] - p[a + 2];
      float vx = p[c] - p[a], vy = p[c + 1] - p[a + 1], vz = p[c + 2] - p[a + 2];
      float x = uy * vz - uz * vy, y = uz * vx - ux * vz, z = ux * vy - uy * vx;
      for (int k : new int[] {a, b, c}) {
        n[k] += x;
        n[k + 1] += y;
        n[k + 2] += z;
      }
    }
    return n;
  }

  private ModelGeometry.Skin skin(JsonNode s) throws BadFile {
    List<JsonNode> list = Numbers.array(s, "joints", "skin");
    int[] joints = new int[list.size()];
    for (int i = 0; i < joints.length; i++)
      joints[i] = nodes.rigIndex((long) Numbers.number(list.get(i)));
    budget.take(8L * 16 * joints.length, "A skin of the model");
    double[] inverse = new double[joints.length * 16];
    if (s.has("inverseBindMatrices")) {
      double[] all = buffers.numbers(Numbers.whole(s, "inverseBindMatrices", "skin"), 16);
      if (all.length < inverse.length)
        throw new BadFile("A skin of the model has fewer bind matrices than joints.");
      System.arraycopy(all, 0, inverse, 0, inverse.length);
    } else {
      for (int i = 0; i < joints.length; i++)
        for (int k = 0; k < 4; k++) inverse[i * 16 + k * 5] = 1;
    }
    return new ModelGeometry.Skin(joints, inverse);
  }

  private Material material(JsonNode m) throws BadFile {
    JsonNode pbr = m.path("pbrMetallicRoughness");
    double[] c = Numbers.list(pbr, "baseColorFactor", new double[] {1, 1, 1, 1}, "material");
    return new Material(
        c[0],
        c[1],
        c[2],
        Numbers.share(pbr, "roughnessFactor", 1),
        Numbers.share(pbr, "metallicFactor", 1),
        image(pbr, "baseColorTexture"),
        image(pbr, "metallicRoughnessTexture"),
        relief(m),
        seeThrough(m, c[3]),
        glow(m));
  }

  /** An image that a material names, or null. */
  private Texture image(JsonNode of, String name) throws BadFile {
    return of.has(name) ? texture(Numbers.whole(of.get(name), "index", "material")) : null;
  }

  private Material.Relief relief(JsonNode m) throws BadFile {
    Texture t = image(m, "normalTexture");
    if (t == null) return null;
    JsonNode scale = m.get("normalTexture").path("scale");
    return new Material.Relief(t, scale.isNumber() ? Numbers.number(scale) : 1);
  }

  private static Material.SeeThrough seeThrough(JsonNode m, double alpha) throws BadFile {
    return switch (Numbers.text(m, "alphaMode", "OPAQUE")) {
      case "MASK" ->
          new Material.SeeThrough(
              Material.SeeThrough.Kind.CUT_OUT, alpha, Numbers.share(m, "alphaCutoff", 0.5));
      case "BLEND" -> new Material.SeeThrough(Material.SeeThrough.Kind.BLENDED, alpha, 0);
      default -> Material.SeeThrough.NOT;
    };
  }

  private Material.Glow glow(JsonNode m) throws BadFile {
    double[] e = Numbers.list(m, "emissiveFactor", new double[3], "material");
    JsonNode strength =
        m.path("extensions").path("KHR_materials_emissive_strength").path("emissiveStrength");
    double k = strength.isNumber() ? Math.max(0, Numbers.number(strength)) : 1;
    if (k * (e[0] + e[1] + e[2]) == 0) return Material.Glow.NONE;
    return new Material.Glow(k * e[0], k * e[1], k * e[2], image(m, "emissiveTexture"));
  }

  private Texture texture(long index) throws BadFile {
    JsonNode t = Numbers.item(root, "textures", index);
    if (!t.has("source")) return null;
    long source = Numbers.whole(t, "source", "texture");
    JsonNode image = Numbers.item(root, "images", source);
    boolean inside = image.has("uri");
    Object where =
        inside ? Numbers.text(image, "uri", "") : Numbers.whole(image, "bufferView", "image");
    Texture known = textures.get(where);
    if (known != null) return known;
    ByteBuffer b =
        inside
            ? GltfBuffers.embedded((String) where, "image " + source, budget)
            : buffers.view((Long) where);
    String what = "Image " + source + " of the model";
    budget.take(b.remaining(), what);
    byte[] bytes = new byte[b.remaining()];
    b.get(bytes);
    Texture read = Pictures.texture(bytes, what, budget);
    budget.giveBack(bytes.length);
    textures.put(where, read);
    return read;
  }

  /** The middle of what a node draws, in its own axes (for a skin: those of its first joint). */
  double[] bounds(int node) {
    float inf = Float.POSITIVE_INFINITY;
    float[] b = {inf, inf, inf, -inf, -inf, -inf};
    ModelGeometry.Part last = null;
    for (ModelGeometry.Part p : partsOfNode.getOrDefault(node, List.of())) {
      last = p;
      for (int i = 0; i < p.positions().length; i++) {
        b[i % 3] = Math.min(b[i % 3], p.positions()[i]);
        b[i % 3 + 3] = Math.max(b[i % 3 + 3], p.positions()[i]);
      }
    }
    if (last == null) return null;
    double[] out = new double[6];
    for (int i = 0; i < 6; i++) out[i] = b[i];
    return last.skin() < 0 || skins.get(last.skin()).joints().length == 0
        ? out
        : carried(skins.get(last.skin()).inverseBind(), out);
  }

  /** A box that holds another after a transform. */
  private static double[] carried(double[] m, double[] box) {
    double inf = Double.POSITIVE_INFINITY;
    double[] out = {inf, inf, inf, -inf, -inf, -inf}, p = new double[3];
    for (int k = 0; k < 8; k++) {
      kite.core.math.Matrix.point(
          m, 0, box[(k & 1) * 3], box[(k >> 1 & 1) * 3 + 1], box[(k >> 2) * 3 + 2], p, 0);
      for (int i = 0; i < 3; i++) {
        out[i] = Math.min(out[i], p[i]);
        out[i + 3] = Math.max(out[i + 3], p[i]);
      }
    }
    return out;
  }

  int follows(int node) {
    for (ModelGeometry.Part p : partsOfNode.getOrDefault(node, List.of()))
      if (p.skin() >= 0 && skins.get(p.skin()).joints().length > 0)
        return skins.get(p.skin()).joints()[0];
    return node;
  }

  double[] weights(int node) throws BadFile {
    JsonNode n = nodes.node(node);
    if (!n.has("mesh")) return new double[0];
    JsonNode mesh = Numbers.item(root, "meshes", Numbers.whole(n, "mesh", "node"));
    int count = morphTargets(mesh);
    budget.take(8L * count, "The model's morph targets");
    double[] none = new double[count];
    return n.has("weights")
        ? Numbers.list(n, "weights", none, "node")
        : Numbers.list(mesh, "weights", none, "mesh");
  }

  /** Morph targets of a mesh, which all its primitives have alike. */
  static int morphTargets(JsonNode mesh) throws BadFile {
    return Numbers.array(mesh.path("primitives").path(0), "targets", "mesh").size();
  }
}
