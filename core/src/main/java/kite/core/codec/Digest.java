package kite.core.codec;

import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.HashMap;
import java.util.Map;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.form.EntityJson;
import kite.core.form.SequenceJson;

/**
 * A short text that is the same for equal sequences, here and in the browser, and almost certainly
 * another for others. Things that did not change since the last time are not gone through again.
 */
public final class Digest {
  // FNV-1a, 64 bits (Fowler, Noll, Vo)
  private static final long START = 0xcbf29ce484222325L, PRIME = 0x100000001b3L;

  private record Known(Entity entity, long sum) {}

  private Map<String, Known> known = new HashMap<>();

  public String of(Sequence s) {
    Map<String, Known> now = new HashMap<>();
    long sum = header(s.header());
    for (Entity e : s.entities().values()) {
      Known k = known.get(e.id());
      if (k == null || k.entity != e) k = new Known(e, value(START, EntityJson.write(e)));
      now.put(e.id(), k);
      sum = number(sum, k.sum);
    }
    known = now;
    return Long.toHexString(sum);
  }

  private static long header(Header h) {
    return value(START, SequenceJson.write(h));
  }

  private static long value(long sum, JsonValue v) {
    // numbers by what they are: the two sides may write them differently
    if (v.isNumber()) return number(sum, Double.doubleToLongBits(v.asDouble() + 0.0));
    if (v instanceof JsonArray a) {
      sum = text(sum, "[");
      for (JsonValue x : a) sum = value(sum, x);
      return text(sum, "]");
    }
    if (v instanceof JsonObject o) {
      sum = text(sum, "{");
      for (JsonObject.Member m : o) sum = value(text(sum, m.getName()), m.getValue());
      return text(sum, "}");
    }
    return text(sum, v.isString() ? v.asString() : v.toString());
  }

  private static long text(long sum, String t) {
    for (int i = 0; i < t.length(); i++) sum = (sum ^ t.charAt(i)) * PRIME;
    return (sum ^ 0x1f) * PRIME; // ends here: "ab" "c" is not "a" "bc"
  }

  private static long number(long sum, long bits) {
    for (int i = 0; i < 64; i += 8) sum = (sum ^ (bits >>> i & 0xff)) * PRIME;
    return sum;
  }
}
