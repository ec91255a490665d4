package kite.exchange.gltf;

import java.io.ByteArrayOutputStream;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import kite.exchange.Together;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A .gltf with the data and pictures that lie beside it, made one binary glTF. Files are found by
 * their names among those that came along; nothing else is ever opened.
 */
public final class GltfTogether {
  private final Together files;
  private final Budget budget;
  private final ByteArrayOutputStream data = new ByteArrayOutputStream();

  /** What was put in, by the name it goes by: what is named often is put in once. */
  private final Map<String, Put> put = new HashMap<>();

  /**
   * A file's bytes in the data.
   *
   * @param png whether they are a PNG picture
   */
  private record Put(int at, int length, boolean png) {}

  private GltfTogether(Together files, Budget budget) {
    this.files = files;
    this.budget = budget;
  }

  /**
   * @param files by their names, as they came together; one ends in .gltf
   * @throws BadFile naming the file that is missing
   */
  public static byte[] read(Map<String, byte[]> files, Budget budget) throws BadFile {
    Together together = Together.of(files, ".gltf");
    if (!(GlbReader.open(together.main()).root() instanceof ObjectNode root))
      throw new BadFile("The .gltf file is not a model's description.");
    GltfTogether t = new GltfTogether(together, budget);
    t.buffers(root);
    t.images(root);
    root.putArray("buffers").addObject().put("byteLength", t.data.size());
    return GltfBinary.glb(root, t.data.toByteArray());
  }

  /** Puts all buffers into one; views that pointed into one of them point there. */
  private void buffers(ObjectNode root) throws BadFile {
    List<JsonNode> all = Numbers.objects(root, "buffers", "file");
    int[] starts = new int[all.size()];
    for (int i = 0; i < starts.length; i++)
      starts[i] = place(Numbers.text(all.get(i), "uri", ""), "data").at();
    for (JsonNode v : Numbers.objects(root, "bufferViews", "file")) {
      long of = Numbers.whole(v, "buffer", "buffer view");
      if (of < 0 || of >= starts.length)
        throw new BadFile(
            "The model refers to number " + of + " of its buffers, which is not there.");
      long offset = Numbers.wholeOr(v, "byteOffset", 0, "buffer view");
      ((ObjectNode) v).put("buffer", 0).put("byteOffset", starts[(int) of] + offset);
    }
  }

  private void images(ObjectNode root) throws BadFile {
    for (JsonNode i : Numbers.objects(root, "images", "file")) {
      String uri = Numbers.text(i, "uri", "");
      if (uri.isEmpty()) continue;
      Put p = place(uri, "picture");
      ArrayNode views =
          root.get("bufferViews") instanceof ArrayNode a ? a : root.putArray("bufferViews");
      views.addObject().put("buffer", 0).put("byteOffset", p.at()).put("byteLength", p.length());
      ObjectNode image = (ObjectNode) i;
      image.remove("uri");
      image
          .put("bufferView", views.size() - 1)
          .put("mimeType", p.png() ? "image/png" : "image/jpeg");
    }
  }

  /** Puts in the bytes that a name stands for, unless they are. */
  private Put place(String uri, String what) throws BadFile {
    Put known = put.get(uri);
    if (known != null) return known;
    byte[] bytes = bytes(uri, what);
    budget.take(2L * bytes.length, "The model with what it names");
    while (data.size() % 4 != 0) data.write(0);
    boolean png = bytes.length > 3 && bytes[1] == 'P' && bytes[2] == 'N' && bytes[3] == 'G';
    Put p = new Put(data.size(), bytes.length, png);
    data.writeBytes(bytes);
    put.put(uri, p);
    return p;
  }

  private byte[] bytes(String uri, String what) throws BadFile {
    if (uri.startsWith("data:")) {
      try {
        return Base64.getDecoder().decode(uri.substring(uri.indexOf(',') + 1));
      } catch (IllegalArgumentException e) {
        throw new BadFile("The model's " + what + " inside the .gltf is not readable.");
      }
    }
    byte[] found = files.named(URLDecoder.decode(safe(uri), StandardCharsets.UTF_8));
    if (found == null)
      throw new BadFile(
          "The model's "
              + what
              + " “"
              + Names.shown(Names.file(uri))
              + "” is in another file, which did not come with it. Drop it together with the .gltf"
              + " file.");
    return found;
  }

  /** A plus is a plus in a file's name, and a lone percent sign stays one. */
  private static String safe(String uri) {
    return uri.replace("+", "%2B").replaceAll("%(?![0-9A-Fa-f]{2})", "%25");
  }
}
