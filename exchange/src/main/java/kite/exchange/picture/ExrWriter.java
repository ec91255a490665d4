package kite.exchange.picture;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.nio.IntBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.render.Layer;
import kite.render.Matte;
import kite.render.Rendered;
import org.lwjgl.PointerBuffer;
import org.lwjgl.system.MemoryUtil;
import org.lwjgl.system.libc.LibCStdlib;
import org.lwjgl.util.tinyexr.EXRAttribute;
import org.lwjgl.util.tinyexr.EXRChannelInfo;
import org.lwjgl.util.tinyexr.EXRHeader;
import org.lwjgl.util.tinyexr.EXRImage;
import org.lwjgl.util.tinyexr.TinyEXR;

/**
 * Writes a rendered frame as one OpenEXR file with a layer for each pass, by TinyEXR: scan lines,
 * ZIP, linear light. What is no light (metres, ways, names) is in full precision always.
 */
public final class ExrWriter {
  private static final List<String> LIGHT = List.of("R", "G", "B"),
      PICTURE = List.of("R", "G", "B", "A");

  /** Longest name of a channel or an attribute, bytes with the 0 at the end. */
  private static final int NAME_BYTES = 256;

  private ExrWriter() {}

  /**
   * @param half whether light is written with 16 bits a number instead of 32
   * @throws IOException with the writer's own words when the file cannot be written
   */
  public static void write(Path file, Rendered r, boolean half, ExrFacts facts) throws IOException {
    int w = r.picture().width(), h = r.picture().height();
    List<ExrChannel> channels = new ArrayList<>();
    for (Layer l : r.layers()) add(channels, l, half);
    ExrAttributes said = ExrAttributes.of(facts);
    for (Matte m : r.mattes()) {
      for (Layer l : IdMattes.layers(m, w * h)) add(channels, l, false);
      IdMattes.attributes(m, said);
    }
    save(w, h, channels, said.all(), to(file));
  }

  /** The same of what was read from a file. */
  static byte[] bytes(int w, int h, List<ExrChannel> channels, List<ExrAttributes.Attribute> said)
      throws IOException {
    byte[][] file = new byte[1][];
    save(
        w,
        h,
        channels,
        said,
        (image, header, error) -> {
          PointerBuffer memory = MemoryUtil.memAllocPointer(1);
          try {
            long bytes = TinyEXR.SaveEXRImageToMemory(image, header, memory, error);
            if (bytes == 0) return TinyEXR.TINYEXR_ERROR_CANT_WRITE_FILE;
            file[0] = new byte[Math.toIntExact(bytes)];
            memory.getByteBuffer(0, file[0].length).get(file[0]);
            LibCStdlib.nfree(memory.get(0));
            return TinyEXR.TINYEXR_SUCCESS;
          } finally {
            MemoryUtil.memFree(memory);
          }
        });
    return file[0];
  }

  /** Where a file is written to; gives the writer's code. */
  private interface To {
    int save(EXRImage image, EXRHeader header, PointerBuffer error);
  }

  private static To to(Path file) {
    return (image, header, error) ->
        TinyEXR.SaveEXRImageToFile(image, header, file.toString(), error);
  }

  private static void add(List<ExrChannel> into, Layer l, boolean half) {
    boolean light =
        l.channels().equals(LIGHT) || l.name().isEmpty() && l.channels().equals(PICTURE);
    for (int c = 0; c < l.channels().size(); c++) {
      String name = inLayer(l.name()) + (l.name().isEmpty() ? "" : ".") + l.channels().get(c);
      into.add(new ExrChannel(name, l.planes()[c], half && light));
    }
  }

  /**
   * A name as it stands in a layer's. Names of lights are people's own: what separates layers and
   * what is too long is left out.
   */
  public static String inLayer(String name) {
    byte[] b = name.replaceAll("[^\\p{L}\\p{N}._ -]", "_").getBytes(StandardCharsets.UTF_8);
    int room = NAME_BYTES - 8;
    return b.length <= room
        ? new String(b, StandardCharsets.UTF_8)
        : new String(b, 0, room, StandardCharsets.UTF_8);
  }

  private static void save(
      int w, int h, List<ExrChannel> unsorted, List<ExrAttributes.Attribute> said, To to)
      throws IOException {
    List<ExrChannel> channels = new ArrayList<>(unsorted);
    channels.sort(Comparator.comparing(ExrChannel::name)); // as the format wants them
    int n = channels.size();
    List<FloatBuffer> planes = new ArrayList<>();
    List<ByteBuffer> values = new ArrayList<>();
    try (EXRHeader header = EXRHeader.calloc();
        EXRImage image = EXRImage.calloc();
        EXRChannelInfo.Buffer infos = EXRChannelInfo.calloc(n);
        EXRAttribute.Buffer attributes = EXRAttribute.calloc(said.size())) {
      TinyEXR.InitEXRHeader(header);
      TinyEXR.InitEXRImage(image);
      PointerBuffer pointers = MemoryUtil.memAllocPointer(n), error = MemoryUtil.memAllocPointer(1);
      IntBuffer given = MemoryUtil.memAllocInt(n), wanted = MemoryUtil.memAllocInt(n);
      try {
        for (int i = 0; i < n; i++) {
          ExrChannel c = channels.get(i);
          MemoryUtil.memUTF8(c.name(), true, infos.get(i).name());
          FloatBuffer plane = MemoryUtil.memAllocFloat(w * h);
          planes.add(plane);
          plane.put(c.values()).flip();
          pointers.put(i, MemoryUtil.memAddress(plane));
          given.put(i, TinyEXR.TINYEXR_PIXELTYPE_FLOAT);
          wanted.put(
              i, c.half() ? TinyEXR.TINYEXR_PIXELTYPE_HALF : TinyEXR.TINYEXR_PIXELTYPE_FLOAT);
        }
        for (int i = 0; i < said.size(); i++) put(attributes.get(i), said.get(i), values);
        header
            .channels(infos)
            .num_channels(n)
            .pixel_types(given)
            .requested_pixel_types(wanted)
            .compression_type(TinyEXR.TINYEXR_COMPRESSIONTYPE_ZIP)
            .custom_attributes(attributes)
            .num_custom_attributes(said.size());
        image.images(pointers).width(w).height(h).num_channels(n);
        int code = to.save(image, header, error);
        if (code != TinyEXR.TINYEXR_SUCCESS)
          throw new IOException("the EXR file could not be written: " + why(error, code));
      } finally {
        MemoryUtil.memFree(pointers);
        MemoryUtil.memFree(error);
        MemoryUtil.memFree(given);
        MemoryUtil.memFree(wanted);
        planes.forEach(MemoryUtil::memFree);
        values.forEach(MemoryUtil::memFree);
      }
    }
  }

  private static void put(EXRAttribute into, ExrAttributes.Attribute a, List<ByteBuffer> values) {
    MemoryUtil.memUTF8(a.name(), true, into.name());
    MemoryUtil.memUTF8(a.type(), true, into.type());
    ByteBuffer value = MemoryUtil.memAlloc(a.value().length);
    values.add(value);
    value.put(a.value()).flip();
    into.value(value);
  }

  private static String why(PointerBuffer error, int code) {
    long at = error.get(0);
    if (at == 0) return "code " + code;
    String said = MemoryUtil.memUTF8(at);
    TinyEXR.nFreeEXRErrorMessage(at);
    return said;
  }
}
