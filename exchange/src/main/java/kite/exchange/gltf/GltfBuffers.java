package kite.exchange.gltf;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import tools.jackson.databind.JsonNode;

/** The binary side of a glTF file: buffers, views and accessors, each range checked before use. */
final class GltfBuffers {
  /** More numbers in one accessor than any model a page can show. */
  private static final long MOST_NUMBERS = 60_000_000;

  private static final int ROWS_PER_STEP = 64;

  private final JsonNode root;
  private final ByteBuffer[] buffers;
  private final Budget budget;

  /** Times of keys, which many channels share, by accessor. */
  private final Map<Long, double[]> shared = new HashMap<>();

  GltfBuffers(JsonNode root, ByteBuffer binary, Budget budget) throws BadFile {
    this.root = root;
    this.budget = budget;
    List<JsonNode> list = Numbers.objects(root, "buffers", "file");
    buffers = new ByteBuffer[list.size()];
    for (int i = 0; i < buffers.length; i++) {
      JsonNode b = list.get(i);
      long length = Numbers.whole(b, "byteLength", "buffer " + i);
      ByteBuffer data =
          b.has("uri")
              ? embedded(Numbers.text(b, "uri", ""), "buffer " + i, budget)
              : i == 0 ? binary : null;
      if (data == null)
        throw new BadFile(
            "Buffer "
                + i
                + " of the model has no data in the file. Export it as one binary file (.glb).");
      if (length < 0 || length > data.remaining())
        throw new BadFile(
            "Buffer "
                + i
                + " says it has "
                + length
                + " bytes, but the file holds "
                + data.remaining()
                + ". The file is cut short or damaged.");
      buffers[i] = data.slice().order(ByteOrder.LITTLE_ENDIAN);
    }
  }

  /** The bytes of a data URI; anything that would have to be fetched is refused. */
  static ByteBuffer embedded(String uri, String what, Budget budget) throws BadFile {
    int comma = uri.indexOf(";base64,");
    if (!uri.startsWith("data:") || comma < 0)
      throw new BadFile(
          "The model keeps "
              + what
              + " in another file ("
              + Names.shown(uri)
              + "). Export it as one binary file (.glb) with everything inside.");
    budget.take(uri.length(), "The " + what + " inside the model");
    try {
      return ByteBuffer.wrap(Base64.getMimeDecoder().decode(uri.substring(comma + 8)));
    } catch (IllegalArgumentException e) {
      throw new BadFile("The data of " + what + " inside the model is damaged.");
    }
  }

  /** The bytes of a buffer view. */
  ByteBuffer view(long index) throws BadFile {
    JsonNode v = Numbers.item(root, "bufferViews", index);
    String what = "buffer view " + index;
    long buffer = Numbers.whole(v, "buffer", what),
        from = Numbers.wholeOr(v, "byteOffset", 0, what);
    long length = Numbers.whole(v, "byteLength", what);
    if (buffer < 0 || buffer >= buffers.length)
      throw new BadFile(
          "The model's " + what + " lies in buffer " + buffer + ", which is not there.");
    ByteBuffer b = buffers[(int) buffer];
    if (from < 0 || length < 0 || from > b.remaining() || length > b.remaining() - from)
      throw new BadFile(
          "The model's "
              + what
              + " reaches beyond the end of its buffer. The file is cut short or damaged.");
    return b.slice((int) from, (int) length).order(ByteOrder.LITTLE_ENDIAN);
  }

  /** How many numbers an element of an accessor has. */
  int width(long accessor) throws BadFile {
    String type = Numbers.text(Numbers.item(root, "accessors", accessor), "type", "");
    return switch (type) {
      case "SCALAR" -> 1;
      case "VEC2" -> 2;
      case "VEC3" -> 3;
      case "VEC4", "MAT2" -> 4;
      case "MAT3" -> 9;
      case "MAT4" -> 16;
      default ->
          throw new BadFile(
              "Accessor "
                  + accessor
                  + " of the model has the unknown type “"
                  + Names.shown(type)
                  + "”.");
    };
  }

  /** Where the numbers of an accessor go. */
  private interface Into {
    void put(int index, double value);
  }

  /** All numbers of an accessor as floats; normalised integers become 0–1 or −1–1. */
  float[] floats(long accessor, int wantedWidth) throws BadFile {
    int length = length(accessor, wantedWidth);
    budget.take(4L * length, "The model's accessor " + accessor);
    float[] out = new float[length];
    fill(accessor, length, (i, v) -> out[i] = (float) v);
    for (float f : out) if (!Float.isFinite(f)) throw notFinite(accessor);
    return out;
  }

  /** All numbers of an accessor; {@code wantedWidth} 0 takes any. */
  double[] numbers(long accessor, int wantedWidth) throws BadFile {
    int length = length(accessor, wantedWidth);
    budget.take(8L * length, "The model's accessor " + accessor);
    double[] out = new double[length];
    fill(accessor, length, (i, v) -> out[i] = v);
    for (double d : out) if (!Double.isFinite(d)) throw notFinite(accessor);
    return out;
  }

  /**
   * All numbers of an accessor of single numbers, which others may ask for too: not to be changed.
   */
  double[] sharedNumbers(long accessor) throws BadFile {
    double[] known = shared.get(accessor);
    if (known == null) shared.put(accessor, known = numbers(accessor, 1));
    return known;
  }

  /** Whole numbers of an accessor of single numbers; what no corner can have becomes −1. */
  int[] wholes(long accessor) throws BadFile {
    int length = length(accessor, 1);
    budget.take(4L * length, "The model's accessor " + accessor);
    int[] out = new int[length];
    fill(
        accessor,
        length,
        (i, v) -> out[i] = v >= 0 && v <= Integer.MAX_VALUE && v == Math.rint(v) ? (int) v : -1);
    return out;
  }

  private static BadFile notFinite(long accessor) {
    return new BadFile(
        "The model's accessor "
            + accessor
            + " holds a number that is not finite (NaN or infinite). Export the model again.");
  }

  /** How many numbers an accessor says it has. */
  private int length(long accessor, int wantedWidth) throws BadFile {
    JsonNode a = Numbers.item(root, "accessors", accessor);
    String what = "accessor " + accessor;
    int width = width(accessor);
    if (wantedWidth > 0 && width != wantedWidth)
      throw new BadFile(
          "The model's "
              + what
              + " has "
              + width
              + " numbers per entry where "
              + wantedWidth
              + " are needed.");
    long count = Numbers.whole(a, "count", what);
    if (count < 0 || count > MOST_NUMBERS / width)
      throw new BadFile(
          "The model's "
              + what
              + " says it has "
              + count
              + " entries, more than this program takes.");
    return (int) count * width;
  }

  private void fill(long accessor, int length, Into out) throws BadFile {
    JsonNode a = Numbers.item(root, "accessors", accessor);
    String what = "accessor " + accessor;
    int width = width(accessor);
    int type = (int) Numbers.whole(a, "componentType", what);
    boolean normalised = a.path("normalized").asBoolean(false);
    if (a.has("bufferView")) {
      long view = Numbers.whole(a, "bufferView", what),
          offset = Numbers.wholeOr(a, "byteOffset", 0, what);
      long stride = Numbers.wholeOr(Numbers.item(root, "bufferViews", view), "byteStride", 0, what);
      read(view(view), offset, stride, type, normalised, width, length, out, what);
    }
    if (a.has("sparse")) sparse(a.get("sparse"), type, normalised, width, length, out, what);
  }

  private void sparse(
      JsonNode s, int type, boolean normalised, int width, int length, Into out, String what)
      throws BadFile {
    long count = Numbers.whole(s, "count", what);
    if (count < 0 || count > length / width)
      throw new BadFile(
          "The sparse part of the model's " + what + " has more entries than the accessor.");
    budget.take(8 * count * (width + 1), "The sparse part of the model's " + what);
    double[] at = new double[(int) count], values = new double[(int) count * width];
    JsonNode i = s.path("indices"), v = s.path("values");
    read(
        view(Numbers.whole(i, "bufferView", what)),
        Numbers.wholeOr(i, "byteOffset", 0, what),
        0,
        (int) Numbers.whole(i, "componentType", what),
        false,
        1,
        at.length,
        (i0, value) -> at[i0] = value,
        what);
    read(
        view(Numbers.whole(v, "bufferView", what)),
        Numbers.wholeOr(v, "byteOffset", 0, what),
        0,
        type,
        normalised,
        width,
        values.length,
        (i0, value) -> values[i0] = value,
        what);
    for (int k = 0; k < at.length; k++) {
      if (!(at[k] >= 0 && at[k] == Math.rint(at[k]) && at[k] * width + width <= length))
        throw new BadFile("The sparse part of the model's " + what + " points outside it.");
      for (int c = 0; c < width; c++) out.put((int) at[k] * width + c, values[k * width + c]);
    }
  }

  private void read(
      ByteBuffer b,
      long offset,
      long stride,
      int type,
      boolean normalised,
      int width,
      int length,
      Into out,
      String what)
      throws BadFile {
    int size =
        switch (type) {
          case 5120, 5121 -> 1;
          case 5122, 5123 -> 2;
          case 5125, 5126 -> 4;
          default ->
              throw new BadFile(
                  "The model's " + what + " has the unknown number type " + type + ".");
        };
    long step = stride == 0 ? (long) size * width : stride;
    int rows = length / width;
    if (offset < 0
        || offset > b.remaining()
        || step < 1
        || step > b.remaining() + 1L
        || rows > 0 && offset + step * (rows - 1L) + (long) size * width > b.remaining())
      throw new BadFile(
          "The model's "
              + what
              + " reaches beyond the end of its data. The file is cut short or damaged.");
    for (int r = 0; r < rows; r++) {
      if (r % ROWS_PER_STEP == 0) budget.step();
      for (int c = 0; c < width; c++) {
        int p = (int) (offset + r * step + (long) c * size);
        out.put(
            r * width + c,
            switch (type) {
              case 5120 -> normalised ? Math.max(-1, b.get(p) / 127.0) : b.get(p);
              case 5121 -> normalised ? (b.get(p) & 255) / 255.0 : b.get(p) & 255;
              case 5122 -> normalised ? Math.max(-1, b.getShort(p) / 32767.0) : b.getShort(p);
              case 5123 -> normalised ? (b.getShort(p) & 65535) / 65535.0 : b.getShort(p) & 65535;
              case 5125 -> b.getInt(p) & 0xffffffffL;
              default -> b.getFloat(p);
            });
      }
    }
  }
}
