package kite.exchange.gltf;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import kite.exchange.Json;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Gathers accessors for a glTF file being written, and puts the parts of a .glb together. */
final class GltfBinary {
  final ObjectNode root = Json.MAPPER.createObjectNode();
  private final ByteArrayOutputStream data = new ByteArrayOutputStream();
  private final ArrayNode views;
  private final ArrayNode accessors;

  GltfBinary() {
    root.putObject("asset").put("version", "2.0").put("generator", "Jolly Kite");
    views = Json.MAPPER.createArrayNode();
    accessors = Json.MAPPER.createArrayNode();
  }

  /** Adds numbers of a type (SCALAR, VEC3 …) as floats; gives the accessor's number. */
  int floats(float[] all, String type, int width, boolean bounds) {
    ByteBuffer b = ByteBuffer.allocate(all.length * 4).order(ByteOrder.LITTLE_ENDIAN);
    for (float f : all) b.putFloat(f);
    ObjectNode a = accessor(b.array(), 5126, all.length / width, type);
    if (bounds) {
      ArrayNode min = a.putArray("min"), max = a.putArray("max");
      for (int c = 0; c < width; c++) {
        float low = Float.POSITIVE_INFINITY, high = Float.NEGATIVE_INFINITY;
        for (int i = c; i < all.length; i += width) {
          low = Math.min(low, all[i]);
          high = Math.max(high, all[i]);
        }
        min.add(low);
        max.add(high);
      }
    }
    return accessors.size() - 1;
  }

  int indices(int[] all) {
    ByteBuffer b = ByteBuffer.allocate(all.length * 4).order(ByteOrder.LITTLE_ENDIAN);
    for (int i : all) b.putInt(i);
    accessor(b.array(), 5125, all.length, "SCALAR");
    return accessors.size() - 1;
  }

  /** Adds bytes as they are; gives the view's number. */
  int view(byte[] bytes) {
    while (data.size() % 4 != 0) data.write(0);
    views
        .addObject()
        .put("buffer", 0)
        .put("byteOffset", data.size())
        .put("byteLength", bytes.length);
    data.writeBytes(bytes);
    return views.size() - 1;
  }

  private ObjectNode accessor(byte[] bytes, int componentType, int count, String type) {
    return accessors
        .addObject()
        .put("bufferView", view(bytes))
        .put("componentType", componentType)
        .put("count", count)
        .put("type", type);
  }

  /** The whole file. */
  byte[] glb() {
    if (data.size() > 0) {
      root.set("bufferViews", views);
      root.set("accessors", accessors);
      root.putArray("buffers").addObject().put("byteLength", data.size());
    }
    return glb(root, data.toByteArray());
  }

  /** A description and its data part as one file. */
  static byte[] glb(ObjectNode root, byte[] data) {
    byte[] json =
        padded(Json.MAPPER.writeValueAsString(root).getBytes(StandardCharsets.UTF_8), (byte) ' ');
    byte[] bin = padded(data, (byte) 0);
    int length = 12 + 8 + json.length + (bin.length > 0 ? 8 + bin.length : 0);
    ByteBuffer b = ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
    b.putInt(0x46546C67).putInt(2).putInt(length).putInt(json.length).putInt(0x4E4F534A).put(json);
    if (bin.length > 0) b.putInt(bin.length).putInt(0x004E4942).put(bin);
    return b.array();
  }

  private static byte[] padded(byte[] bytes, byte with) {
    byte[] out = java.util.Arrays.copyOf(bytes, bytes.length + 3 & ~3);
    java.util.Arrays.fill(out, bytes.length, out.length, with);
    return out;
  }
}
