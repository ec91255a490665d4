package kite.exchange.picture;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Parts a rendered frame's OpenEXR file into several, for those whose programs want a pass a file.
 * Channels keep their names, their precision and, to the last digit, their values; what the header
 * says of the picture is in each, of ID mattes where these are.
 */
public final class ExrParts {
  private static final String MATTES = "cryptomatte/", NAME = "/name";

  private ExrParts() {}

  /**
   * @param part which part a layer belongs to, by what stands before a channel's last dot; "" is
   *     the picture
   * @return the files, by their parts
   * @throws IOException when it is no EXR file, or damaged
   */
  public static <P> Map<P, byte[]> of(byte[] file, Function<String, P> part) throws IOException {
    ExrReader.Whole whole = ExrReader.whole(file);
    Map<P, List<ExrChannel>> channels = new LinkedHashMap<>();
    for (ExrChannel c : whole.channels())
      channels.computeIfAbsent(part.apply(layerOf(c.name())), k -> new ArrayList<>()).add(c);
    Map<P, byte[]> all = new LinkedHashMap<>();
    for (Map.Entry<P, List<ExrChannel>> e : channels.entrySet()) {
      List<ExrAttributes.Attribute> said = new ArrayList<>();
      for (ExrAttributes.Attribute a : whole.said())
        if (isSaid(a, whole.said(), e.getValue())) said.add(a);
      all.put(e.getKey(), ExrWriter.bytes(whole.width(), whole.height(), e.getValue(), said));
    }
    return all;
  }

  /** What comes before a channel's last dot: "" for the picture itself. */
  public static String layerOf(String channel) {
    int dot = channel.lastIndexOf('.');
    return dot < 0 ? "" : channel.substring(0, dot);
  }

  /** What a header says of ID mattes belongs to their own layers. */
  private static boolean isSaid(
      ExrAttributes.Attribute a, List<ExrAttributes.Attribute> all, List<ExrChannel> with) {
    if (!a.name().startsWith(MATTES)) return true;
    String of = a.name().substring(0, a.name().lastIndexOf('/'));
    for (ExrAttributes.Attribute n : all)
      if (n.name().equals(of + NAME))
        return with.stream().anyMatch(c -> c.name().startsWith(n.text()));
    return false;
  }
}
