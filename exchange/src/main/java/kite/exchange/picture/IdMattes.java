package kite.exchange.picture;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.exchange.Json;
import kite.render.Layer;
import kite.render.Matte;
import org.apache.commons.codec.digest.MurmurHash3;

/**
 * Mattes that can be picked by name later, as compositing programs read them: the open Cryptomatte
 * specification 1.2. Each layer has two things and what they cover; a thing is the hash of its
 * name, and the header says which names there are.
 */
final class IdMattes {
  private static final List<String> RGBA = List.of("R", "G", "B", "A");

  /** A number's exponent that stands for no ordinary number, and the bit that makes it one. */
  private static final int EXPONENT = 23, EXPONENT_BITS = 255;

  private IdMattes() {}

  /** The layers of a matte: pieces00, pieces01, pieces02. */
  static List<Layer> layers(Matte m, int pixels) {
    float[] id = new float[m.names().size()];
    for (int i = 0; i < id.length; i++) id[i] = asNumber(hash(m.names().get(i)));
    List<Layer> all = new ArrayList<>();
    for (int pair = 0; pair < Matte.RANKS / 2; pair++) {
      float[][] planes = new float[4][pixels];
      for (int p = 0; p < pixels; p++)
        for (int k = 0; k < 2; k++) {
          int at = p * Matte.RANKS + 2 * pair + k, which = m.which()[at];
          planes[2 * k][p] = which < 0 ? 0 : id[which];
          planes[2 * k + 1][p] = which < 0 ? 0 : m.covers()[at];
        }
      all.add(new Layer(String.format("%s%02d", m.name(), pair), RGBA, planes));
    }
    return all;
  }

  /** What the header says of a matte. */
  static void attributes(Matte m, ExrAttributes into) {
    String key = "cryptomatte/" + String.format("%08x", hash(m.name())).substring(0, 7) + "/";
    Map<String, String> manifest = new TreeMap<>();
    for (String n : m.names()) manifest.put(n, String.format("%08x", ordinary(hash(n))));
    into.text(key + "name", m.name());
    into.text(key + "hash", "MurmurHash3_32");
    into.text(key + "conversion", "uint32_to_float32");
    into.text(key + "manifest", Json.MAPPER.writeValueAsString(manifest));
  }

  static int hash(String name) {
    byte[] b = name.getBytes(StandardCharsets.UTF_8);
    return MurmurHash3.hash32x86(b, 0, b.length, 0);
  }

  /** The bits of a hash, such that they are those of an ordinary number. */
  private static int ordinary(int hash) {
    int exponent = hash >>> EXPONENT & EXPONENT_BITS;
    return exponent == 0 || exponent == EXPONENT_BITS ? hash ^ 1 << EXPONENT : hash;
  }

  static float asNumber(int hash) {
    return Float.intBitsToFloat(ordinary(hash));
  }
}
