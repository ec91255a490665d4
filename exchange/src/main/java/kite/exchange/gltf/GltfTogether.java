package kite.exchange.gltf;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import kite.exchange.BadFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A .gltf with the data and pictures that lie beside it, made one binary glTF. Files are found by
 * their names among those that came along; nothing else is ever opened.
 */
public final class GltfTogether {
  private GltfTogether() {}

  /**
   * @param files by their names, as they came together; one ends in .gltf
   * @throws BadFile naming the file that is missing
   */
  public static byte[] read(Map<String, byte[]> files) throws BadFile {
    Map<String, byte[]> byName = new HashMap<>();
    byte[] main = null;
    long size = 0;
    for (Map.Entry<String, byte[]> f : files.entrySet()) {
      byName.put(plain(f.getKey()), f.getValue());
      if (f.getKey().toLowerCase(Locale.ROOT).endsWith(".gltf")) main = f.getValue();
      size += f.getValue().length;
    }
    if (main == null) throw new BadFile("There is no .gltf file among these.");
    if (size > GlbReader.LARGEST_FILE)
      throw new BadFile("These files have more than 200 MB together. Bring a lighter version.");
    if (!(GlbReader.open(main).root() instanceof ObjectNode root))
      throw new BadFile("The .gltf file is not a model's description.");
    ByteArrayOutputStream data = new ByteArrayOutputStream();
    buffers(root, byName, data);
    images(root, byName, data);
    ObjectNode only = root.putArray("buffers").addObject();
    only.put("byteLength", data.size());
    return GltfBinary.glb(root, data.toByteArray());
  }

  /** Puts all buffers into one; views that pointed into one of them point there. */
  private static void buffers(
      ObjectNode root, Map<String, byte[]> files, ByteArrayOutputStream data) throws BadFile {
    JsonNode all = root.path("buffers");
    int[] starts = new int[all.size()];
    for (int i = 0; i < starts.length; i++) {
      pad(data);
      starts[i] = data.size();
      data.writeBytes(named(all.get(i).path("uri").asString(""), files, "data"));
    }
    for (JsonNode v : root.path("bufferViews")) {
      int of = (int) Numbers.whole(v, "buffer", "buffer view");
      if (of < 0 || of >= starts.length)
        throw new BadFile(
            "The model refers to number " + of + " of its buffers, which is not there.");
      long offset = Numbers.wholeOr(v, "byteOffset", 0, "buffer view");
      ((ObjectNode) v).put("buffer", 0).put("byteOffset", starts[of] + offset);
    }
  }

  private static void images(ObjectNode root, Map<String, byte[]> files, ByteArrayOutputStream data)
      throws BadFile {
    for (JsonNode i : root.path("images")) {
      String uri = i.path("uri").asString("");
      if (uri.isEmpty()) continue;
      byte[] bytes = named(uri, files, "picture");
      pad(data);
      ArrayNode views = root.withArray("bufferViews");
      views
          .addObject()
          .put("buffer", 0)
          .put("byteOffset", data.size())
          .put("byteLength", bytes.length);
      data.writeBytes(bytes);
      boolean png = bytes.length > 3 && bytes[1] == 'P' && bytes[2] == 'N' && bytes[3] == 'G';
      ObjectNode image = (ObjectNode) i;
      image.remove("uri");
      image.put("bufferView", views.size() - 1).put("mimeType", png ? "image/png" : "image/jpeg");
    }
  }

  private static byte[] named(String uri, Map<String, byte[]> files, String what) throws BadFile {
    if (uri.startsWith("data:")) {
      int comma = uri.indexOf(',');
      try {
        return Base64.getDecoder().decode(uri.substring(comma + 1));
      } catch (IllegalArgumentException e) {
        throw new BadFile("The model's " + what + " inside the .gltf is not readable.");
      }
    }
    byte[] found = files.get(plain(java.net.URLDecoder.decode(safe(uri), StandardCharsets.UTF_8)));
    if (found == null)
      throw new BadFile(
          "The model's "
              + what
              + " “"
              + plain(uri)
              + "” is in another file, which did not come with it. Drop it together with the .gltf file.");
    return found;
  }

  /** A plus is a plus in a file's name, and a lone percent sign stays one. */
  private static String safe(String uri) {
    return uri.replace("+", "%2B").replaceAll("%(?![0-9A-Fa-f]{2})", "%25");
  }

  private static void pad(ByteArrayOutputStream data) {
    while (data.size() % 4 != 0) data.write(0);
  }

  /** A file's name without folders: what was dropped together lies in one place. */
  private static String plain(String name) {
    String n = name.trim().replace('\\', '/');
    return n.substring(n.lastIndexOf('/') + 1).toLowerCase(Locale.ROOT);
  }
}
