package kite.exchange.gltf;

import java.util.IdentityHashMap;
import java.util.Map;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes still meshes with materials and pictures as one glTF 2.0 file. */
public final class PlainModelWriter {
  private final GltfBinary g = new GltfBinary();
  private final ArrayNode nodes = g.root.putArray("nodes");
  private final ArrayNode meshes = g.root.putArray("meshes");
  private final ArrayNode materials = g.root.putArray("materials");
  private ArrayNode textures;
  private ArrayNode images;

  /** Pictures that are in already: several materials may have the same. */
  private final Map<byte[], Integer> numbers = new IdentityHashMap<>();

  /**
   * Adds a material; gives its number.
   *
   * @param image PNG or JPEG bytes of its base colour, or null
   */
  public int material(
      String name, double red, double green, double blue, double roughness, byte[] image) {
    ObjectNode m = materials.addObject().put("name", name).put("doubleSided", true);
    ObjectNode p = m.putObject("pbrMetallicRoughness");
    p.putArray("baseColorFactor").add(red).add(green).add(blue).add(1);
    p.put("metallicFactor", 0).put("roughnessFactor", roughness);
    if (image != null) p.putObject("baseColorTexture").put("index", texture(image));
    return materials.size() - 1;
  }

  private int texture(byte[] image) {
    if (images == null) {
      images = g.root.putArray("images");
      textures = g.root.putArray("textures");
    }
    Integer known = numbers.get(image);
    if (known != null) return known;
    boolean png = image.length > 3 && image[1] == 'P' && image[2] == 'N';
    images
        .addObject()
        .put("bufferView", g.view(image))
        .put("mimeType", png ? "image/png" : "image/jpeg");
    textures.addObject().put("source", images.size() - 1);
    numbers.put(image, textures.size() - 1);
    return textures.size() - 1;
  }

  /**
   * Adds a node with a mesh.
   *
   * @param places texture places with v downwards, or null
   * @param normals null to leave faces flat
   */
  public void mesh(
      String name, int material, float[] positions, float[] normals, float[] places, int[] faces) {
    mesh(name, material, positions, normals, places, null, faces);
  }

  /**
   * @param colours linear, one a corner, with which the material's is multiplied; or null
   */
  public void mesh(
      String name,
      int material,
      float[] positions,
      float[] normals,
      float[] places,
      float[] colours,
      int[] faces) {
    ObjectNode p = meshes.addObject().put("name", name).putArray("primitives").addObject();
    ObjectNode a = p.putObject("attributes");
    a.put("POSITION", g.floats(positions, "VEC3", 3, true));
    if (normals != null) a.put("NORMAL", g.floats(normals, "VEC3", 3, false));
    if (places != null) a.put("TEXCOORD_0", g.floats(places, "VEC2", 2, false));
    if (colours != null) a.put("COLOR_0", g.floats(colours, "VEC3", 3, false));
    p.put("indices", g.indices(faces)).put("material", material);
    nodes.addObject().put("name", name).put("mesh", meshes.size() - 1);
  }

  public byte[] glb() {
    ArrayNode roots = g.root.putArray("scenes").addObject().putArray("nodes");
    for (int i = 0; i < nodes.size(); i++) roots.add(i);
    g.root.put("scene", 0);
    return g.glb();
  }
}
