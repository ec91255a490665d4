package kite.exchange.picture;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import kite.exchange.Json;
import org.lwjgl.PointerBuffer;
import org.lwjgl.system.MemoryUtil;
import org.lwjgl.util.tinyexr.EXRAttribute;
import org.lwjgl.util.tinyexr.EXRHeader;
import org.lwjgl.util.tinyexr.EXRImage;
import org.lwjgl.util.tinyexr.EXRVersion;
import org.lwjgl.util.tinyexr.TinyEXR;

/** Reads the files that {@link ExrWriter} writes, by TinyEXR: to be looked at again. */
public final class ExrReader {
  private static final String MANIFEST = "/manifest", CRYPTOMATTE = "cryptomatte/";

  private ExrReader() {}

  /**
   * A picture with its channels.
   *
   * @param channels values by the whole name of a channel, a row after the other from above
   * @param names of things by what stands for them in ID mattes
   */
  public record Exr(
      int width, int height, Map<String, float[]> channels, Map<Float, String> names) {}

  /** The whole names of the channels of a file. */
  public static List<String> channels(byte[] file) throws IOException {
    return with(file, (header, in) -> names(header));
  }

  /**
   * Reads the channels that are wanted, by their whole names.
   *
   * @throws IOException when it is no EXR file, or damaged
   */
  public static Exr read(byte[] file, Predicate<String> wanted) throws IOException {
    return with(file, (header, in) -> image(header, in, wanted));
  }

  /** All that is in a file. */
  record Whole(
      int width, int height, List<ExrChannel> channels, List<ExrAttributes.Attribute> said) {}

  /**
   * @throws IOException when it is no EXR file, or damaged
   */
  static Whole whole(byte[] file) throws IOException {
    return with(
        file,
        (header, in) -> {
          List<ExrAttributes.Attribute> said = said(header);
          int n = header.num_channels();
          boolean[] half = new boolean[n];
          IntBuffer kept = header.pixel_types();
          for (int i = 0; i < n; i++) half[i] = kept.get(i) == TinyEXR.TINYEXR_PIXELTYPE_HALF;
          List<String> names = names(header);
          Exr read = image(header, in, name -> true);
          List<ExrChannel> channels = new ArrayList<>();
          for (int i = 0; i < n; i++)
            channels.add(new ExrChannel(names.get(i), read.channels().get(names.get(i)), half[i]));
          return new Whole(read.width(), read.height(), channels, said);
        });
  }

  private static List<ExrAttributes.Attribute> said(EXRHeader header) {
    List<ExrAttributes.Attribute> all = new ArrayList<>();
    EXRAttribute.Buffer said = header.custom_attributes();
    for (int i = 0; said != null && i < header.num_custom_attributes(); i++) {
      EXRAttribute a = said.get(i);
      byte[] value = new byte[a.size()];
      a.value().get(value);
      all.add(new ExrAttributes.Attribute(a.nameString(), a.typeString(), value));
    }
    return all;
  }

  private interface Work<T> {
    T with(EXRHeader header, ByteBuffer file) throws IOException;
  }

  private static <T> T with(byte[] file, Work<T> work) throws IOException {
    ByteBuffer in = MemoryUtil.memAlloc(file.length);
    PointerBuffer error = MemoryUtil.memAllocPointer(1);
    error.put(0, 0);
    try (EXRVersion version = EXRVersion.calloc();
        EXRHeader header = EXRHeader.calloc()) {
      in.put(file).flip();
      if (TinyEXR.ParseEXRVersionFromMemory(version, in) != TinyEXR.TINYEXR_SUCCESS)
        throw new IOException("it is no EXR file");
      TinyEXR.InitEXRHeader(header);
      check(TinyEXR.ParseEXRHeaderFromMemory(header, version, in, error), error);
      try {
        return work.with(header, in);
      } finally {
        TinyEXR.FreeEXRHeader(header);
      }
    } finally {
      MemoryUtil.memFree(error);
      MemoryUtil.memFree(in);
    }
  }

  private static void check(int code, PointerBuffer error) throws IOException {
    if (code == TinyEXR.TINYEXR_SUCCESS) return;
    long at = error.get(0);
    String said = at == 0 ? "code " + code : MemoryUtil.memUTF8(at);
    if (at != 0) TinyEXR.nFreeEXRErrorMessage(at);
    throw new IOException("the EXR file cannot be read: " + said);
  }

  private static List<String> names(EXRHeader header) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < header.num_channels(); i++)
      all.add(MemoryUtil.memUTF8(MemoryUtil.memAddress(header.channels().get(i).name())));
    return all;
  }

  private static Exr image(EXRHeader header, ByteBuffer in, Predicate<String> wanted)
      throws IOException {
    IntBuffer types = header.requested_pixel_types();
    for (int i = 0; i < header.num_channels(); i++) types.put(i, TinyEXR.TINYEXR_PIXELTYPE_FLOAT);
    PointerBuffer error = MemoryUtil.memAllocPointer(1);
    error.put(0, 0);
    try (EXRImage image = EXRImage.calloc()) {
      TinyEXR.InitEXRImage(image);
      check(TinyEXR.LoadEXRImageFromMemory(image, header, in, error), error);
      try {
        int w = image.width(), h = image.height();
        List<String> all = names(header);
        PointerBuffer planes = image.images();
        Map<String, float[]> channels = new LinkedHashMap<>();
        for (int i = 0; i < all.size(); i++) {
          if (!wanted.test(all.get(i))) continue;
          float[] values = new float[w * h];
          FloatBuffer plane = MemoryUtil.memFloatBuffer(planes.get(i), w * h);
          plane.get(values);
          channels.put(all.get(i), values);
        }
        return new Exr(w, h, channels, things(header));
      } finally {
        TinyEXR.FreeEXRImage(image);
      }
    } finally {
      MemoryUtil.memFree(error);
    }
  }

  /** Names by what stands for them in the ID mattes of a file. */
  private static Map<Float, String> things(EXRHeader header) {
    Map<Float, String> all = new HashMap<>();
    for (ExrAttributes.Attribute a : said(header)) {
      if (!a.name().startsWith(CRYPTOMATTE) || !a.name().endsWith(MANIFEST)) continue;
      for (String name : Json.MAPPER.readTree(a.text()).propertyNames())
        all.put(IdMattes.asNumber(IdMattes.hash(name)), name);
    }
    return all;
  }
}
