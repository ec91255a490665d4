package kite.exchange.gltf;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import kite.core.model.ModelRig;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.render.ModelGeometry;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads glTF 2.0, binary or text with everything inside. Nothing is fetched, every index and length
 * is checked, and whatever cannot be shown is either refused or named in the warnings.
 */
public final class GlbReader {
  public static final int LARGEST_FILE = 200 << 20;
  private static final int DEEPEST = 64;

  /** A token of JSON takes about a hundred bytes once it is read. */
  private static final int MOST_TOKENS = 1_500_000;

  /** A file that lists more is not a model. */
  private static final int MOST_EXTENSIONS = 200;

  static final int MOST_NODES = 20_000;
  static final int MOST_TRIANGLES = 3_000_000;

  /** Extensions read in full, or that change nothing we show. */
  private static final Set<String> KNOWN =
      Set.of(
          "KHR_mesh_quantization",
          "KHR_materials_unlit",
          "KHR_lights_punctual",
          "KHR_materials_emissive_strength");

  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxStringLength(LARGEST_FILE)
                          .maxTokenCount(MOST_TOKENS)
                          .build())
                  .build())
          .build();

  private GlbReader() {}

  /**
   * @throws BadFile with one sentence saying what is wrong and what to do
   */
  public static ModelFile read(byte[] bytes) throws BadFile {
    return read(bytes, Budget.usual());
  }

  /** As above, for no more than a budget. */
  public static ModelFile read(byte[] bytes, Budget budget) throws BadFile {
    Opened file = open(bytes);
    return model(file.root(), file.binary(), budget);
  }

  /** A file's description and its data part (null when it has none). */
  record Opened(JsonNode root, ByteBuffer binary) {}

  static Opened open(byte[] bytes) throws BadFile {
    if (bytes.length > LARGEST_FILE)
      throw new BadFile(
          "The file has "
              + (bytes.length >> 20)
              + " MB; models up to "
              + (LARGEST_FILE >> 20)
              + " MB are taken.");
    ByteBuffer file = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    if (bytes.length > 0 && bytes[0] == '{') return new Opened(json(bytes, 0, bytes.length), null);
    if (bytes.length < 20 || file.getInt(0) != 0x46546C67)
      throw new BadFile(
          "This is not a glTF model: a .glb file begins with the letters glTF, and this one does not.");
    if (file.getInt(4) != 2)
      throw new BadFile(
          "The model is glTF version "
              + Integer.toUnsignedString(file.getInt(4))
              + "; version 2 is read. Export it again as glTF 2.0.");
    long says = file.getInt(8) & 0xffffffffL;
    if (says > bytes.length)
      throw new BadFile(
          "The model says it has "
              + says
              + " bytes, but the file has "
              + bytes.length
              + ". It is cut short or damaged; export or copy it again.");
    long length = file.getInt(12) & 0xffffffffL;
    if (file.getInt(16) != 0x4E4F534A || 20 + length > says)
      throw new BadFile(
          "The first part of the model is not the description it should be. The file is damaged.");
    JsonNode root = json(bytes, 20, (int) length);
    return new Opened(root, binary(file, 20 + length, says));
  }

  private static ByteBuffer binary(ByteBuffer file, long at, long end) throws BadFile {
    at = at + 3 & ~3L;
    if (at + 8 > end) return null;
    long length = file.getInt((int) at) & 0xffffffffL;
    if (file.getInt((int) at + 4) != 0x004E4942) return null;
    if (at + 8 + length > end)
      throw new BadFile(
          "The data part of the model says it has "
              + length
              + " bytes, more than the file holds. It is cut short or damaged.");
    return file.slice((int) at + 8, (int) length);
  }

  private static JsonNode json(byte[] bytes, int from, int length) throws BadFile {
    try {
      JsonNode root = JSON.readTree(new String(bytes, from, length, StandardCharsets.UTF_8));
      if (!root.isObject())
        throw new BadFile(
            "The description inside the model is not an object. The file is damaged.");
      return root;
    } catch (StreamConstraintsException e) {
      throw new BadFile(
          "The description inside the model is larger than any real model's: it may be nested "
              + DEEPEST
              + " levels deep and hold "
              + MOST_TOKENS
              + " names, numbers and brackets.");
    } catch (JacksonException e) {
      throw new BadFile(
          "The description inside the model cannot be read as JSON. The file is damaged.");
    }
  }

  private static ModelFile model(JsonNode root, ByteBuffer binary, Budget budget) throws BadFile {
    if (!Numbers.text(root.path("asset"), "version", "").startsWith("2"))
      throw new BadFile("The file does not say that it is glTF 2.0. Export it again as glTF 2.0.");
    Set<String> warnings = new TreeSet<>();
    for (String e : names(root, "extensionsRequired"))
      if (!KNOWN.contains(e))
        throw new BadFile(
            "The model needs the extension "
                + e
                + ", which is not read here. Export it without compression or extensions.");
    for (String e : names(root, "extensionsUsed"))
      if (!KNOWN.contains(e)) warnings.add("The extension " + e + " is left out.");
    GltfBuffers buffers = new GltfBuffers(root, binary, budget);
    GltfNodes nodes = new GltfNodes(root, buffers, budget);
    GltfMeshes meshes = new GltfMeshes(root, buffers, nodes, budget, warnings);
    ModelRig rig = new ModelRig(nodes.rigNodes(meshes), nodes.clips());
    List<String> names = new ArrayList<>();
    for (ModelRig.Clip c : rig.clips()) names.add(c.name());
    ModelGeometry geometry =
        new ModelGeometry(rig, meshes.parts(), meshes.skins(), meshes.materials());
    if (geometry.parts().isEmpty())
      throw new BadFile("There is nothing to see in the model: it has no triangles.");
    ModelFile file = new ModelFile(geometry, nodes.fileIndices(), names, new ArrayList<>(warnings));
    for (double d : file.bounds())
      if (!Double.isFinite(d))
        throw new BadFile("The model reaches farther than numbers go. Export it again, smaller.");
    return file;
  }

  private static List<String> names(JsonNode root, String list) throws BadFile {
    List<String> all = new ArrayList<>();
    for (JsonNode e : Numbers.array(root, list, "file"))
      all.add(e.isString() ? Names.shown(e.stringValue()) : "?");
    if (all.size() > MOST_EXTENSIONS)
      throw new BadFile("The model names more than " + MOST_EXTENSIONS + " extensions.");
    return all;
  }
}
