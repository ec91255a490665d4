package kite.exchange.gltf;

import java.util.ArrayList;
import java.util.List;
import kite.core.shape.Mesh;
import kite.exchange.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a model of painted meshes on animated nodes as glTF 2.0. */
public final class GlbModelWriter {
  private final GltfBinary g = new GltfBinary();
  private final ArrayNode nodes = g.root.putArray("nodes");
  private final ArrayNode meshes = g.root.putArray("meshes");
  private final List<ObjectNode> channels = new ArrayList<>();
  private final List<ObjectNode> samplers = new ArrayList<>();

  public GlbModelWriter(double roughness, double metal) {
    ObjectNode m = g.root.putArray("materials").addObject().put("name", "paint");
    m.putObject("pbrMetallicRoughness")
        .put("roughnessFactor", roughness)
        .put("metallicFactor", metal);
  }

  /** Adds a node under a parent (−1 for none) at a place; gives its number. */
  public int node(String name, int parent, double x, double y, double z, Mesh mesh) {
    ObjectNode n = nodes.addObject().put("name", name);
    n.putArray("translation").add(x).add(y).add(z);
    int number = nodes.size() - 1;
    if (mesh != null) n.put("mesh", mesh(name, mesh));
    if (parent >= 0) {
      ObjectNode p = (ObjectNode) nodes.get(parent);
      (p.has("children") ? (ArrayNode) p.get("children") : p.putArray("children")).add(number);
    }
    return number;
  }

  private int mesh(String name, Mesh mesh) {
    ObjectNode p = meshes.addObject().put("name", name).putArray("primitives").addObject();
    ObjectNode a = p.putObject("attributes");
    a.put("POSITION", g.floats(mesh.positions(), "VEC3", 3, true));
    a.put("NORMAL", g.floats(mesh.normals(), "VEC3", 3, false));
    a.put("COLOR_0", g.floats(mesh.colours(), "VEC3", 3, false));
    p.put("indices", g.indices(mesh.indices())).put("material", 0);
    return meshes.size() - 1;
  }

  /** Turns a node: one quaternion (x, y, z, w) per time, blended straight. */
  public void turn(int node, float[] seconds, float[] quaternions) {
    track(
        node,
        "rotation",
        g.floats(seconds, "SCALAR", 1, true),
        g.floats(quaternions, "VEC4", 4, false));
  }

  /** Moves a node: one place per time. */
  public void move(int node, float[] seconds, float[] places) {
    track(
        node,
        "translation",
        g.floats(seconds, "SCALAR", 1, true),
        g.floats(places, "VEC3", 3, false));
  }

  private void track(int node, String path, int input, int output) {
    samplers.add(
        Json.MAPPER
            .createObjectNode()
            .put("input", input)
            .put("output", output)
            .put("interpolation", "LINEAR"));
    ObjectNode c = Json.MAPPER.createObjectNode().put("sampler", samplers.size() - 1);
    c.putObject("target").put("node", node).put("path", path);
    channels.add(c);
  }

  /** The whole file; {@code clip} names the one animation. */
  public byte[] glb(String clip) {
    ArrayNode roots = g.root.putArray("scenes").addObject().putArray("nodes");
    List<Integer> children = new ArrayList<>();
    for (var n : nodes) n.path("children").forEach(c -> children.add(c.asInt()));
    for (int i = 0; i < nodes.size(); i++) if (!children.contains(i)) roots.add(i);
    g.root.put("scene", 0);
    if (!channels.isEmpty()) {
      ObjectNode a = g.root.putArray("animations").addObject().put("name", clip);
      a.putArray("channels").addAll(channels);
      a.putArray("samplers").addAll(samplers);
    }
    return g.glb();
  }
}
