package kite.core.delta;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** An entity's JSON as a tree of fields, in which lists of things with names or frames are too. */
final class FieldTree {
  /** What tells the members of a list apart, by the list's field. */
  private static final Map<String, String> KEYS =
      Map.of(
          "rig",
          "id",
          "takes",
          "id",
          "accepted",
          "about",
          "keys",
          "frame",
          "cues",
          "frame",
          "guides",
          "form",
          "subjects",
          "entity",
          "kits",
          "name");

  /** Lists whose members come in the order of their frames. */
  private static final Set<String> BY_FRAME = Set.of("keys", "cues");

  /** Lists whose members change field by field; members of the others change as a whole. */
  private static final Set<String> DEEP = Set.of("rig", "takes");

  /** The last step to the order of a list whose order is the artist's. */
  static final String ORDER = "(order)";

  /** Of a list in which more members change at once, the whole list is the change. */
  private static final int MANY = 100;

  private FieldTree() {}

  /**
   * How far two numbers may be apart that are taken for one, relative to them and absolute below 1:
   * what a browser and the server compute with sines may differ in the last digits, and what
   * somebody has changed differs by far more.
   */
  private static final double ALIKE = 1e-9;

  /** Whether two values mean the same; numbers may be written in different ways. */
  static boolean same(JsonValue a, JsonValue b) {
    return same(a, b, 0);
  }

  /** Whether two values are the same to the last digits of their numbers. */
  static boolean alike(JsonValue a, JsonValue b) {
    return same(a, b, ALIKE);
  }

  private static boolean same(JsonValue a, JsonValue b, double apart) {
    if (a == null || b == null) return a == b;
    if (a.isNumber() && b.isNumber()) {
      double x = a.asDouble(), y = b.asDouble();
      return x == y || Math.abs(x - y) <= apart * Math.max(1, Math.max(Math.abs(x), Math.abs(y)));
    }
    if (a instanceof JsonArray x && b instanceof JsonArray y) {
      if (x.size() != y.size()) return false;
      for (int i = 0; i < x.size(); i++) if (!same(x.get(i), y.get(i), apart)) return false;
      return true;
    }
    if (a instanceof JsonObject x && b instanceof JsonObject y) {
      if (x.size() != y.size()) return false;
      for (JsonObject.Member m : x)
        if (!same(m.getValue(), y.get(m.getName()), apart)) return false;
      return true;
    }
    return a.equals(b);
  }

  /** Adds what differs between two values of a field; null where there is none. */
  static void diff(
      String id, List<String> path, JsonValue from, JsonValue to, List<FieldChange> all) {
    if (same(from, to)) return;
    if (from instanceof JsonObject a && to instanceof JsonObject b) {
      Set<String> names = new TreeSet<>(a.names());
      names.addAll(b.names());
      for (String n : names) diff(id, with(path, n), a.get(n), b.get(n), all);
      return;
    }
    Map<String, JsonValue> a = members(path, from), b = members(path, to);
    if (a == null || b == null) {
      all.add(new FieldChange(id, path, from, to));
      return;
    }
    String list = path.get(path.size() - 1);
    Set<String> names = new TreeSet<>(a.keySet());
    names.addAll(b.keySet());
    List<FieldChange> found = new ArrayList<>();
    for (String n : names) {
      JsonValue x = a.get(n), y = b.get(n);
      if (DEEP.contains(list) && x != null && y != null) diff(id, with(path, n), x, y, found);
      else if (!same(x, y)) found.add(new FieldChange(id, with(path, n), x, y));
    }
    if (!DEEP.contains(list) && found.size() > MANY) {
      all.add(new FieldChange(id, path, from, to));
      return;
    }
    all.addAll(found);
    List<String> was = List.copyOf(a.keySet()), is = List.copyOf(b.keySet());
    if (!BY_FRAME.contains(list) && !was.equals(is))
      all.add(new FieldChange(id, with(path, ORDER), texts(was), texts(is)));
  }

  /** The value of a field, or null where there is none. */
  static JsonValue get(JsonValue root, List<String> path) {
    JsonValue at = root;
    for (int i = 0; i < path.size() && at != null; i++) {
      String step = path.get(i);
      if (at instanceof JsonObject o) {
        at = o.get(step);
      } else {
        Map<String, JsonValue> m = members(path.subList(0, i), at);
        if (m == null) return null;
        at = step.equals(ORDER) ? texts(List.copyOf(m.keySet())) : m.get(step);
      }
    }
    return at;
  }

  /**
   * The tree with another value in a field.
   *
   * @param value null takes the field away
   * @return null where there is no way to the field any more
   */
  static JsonValue set(JsonValue root, List<String> path, JsonValue value) {
    return set(root, path, 0, value);
  }

  private static JsonValue set(JsonValue at, List<String> path, int depth, JsonValue value) {
    if (depth == path.size()) return value;
    String step = path.get(depth);
    boolean last = depth == path.size() - 1;
    if (at instanceof JsonObject o) {
      JsonValue next = last ? value : set(o.get(step), path, depth + 1, value);
      if (!last && next == null) return null;
      JsonObject copy = new JsonObject(o);
      if (next == null) copy.remove(step);
      else copy.set(step, next);
      return copy;
    }
    Map<String, JsonValue> m = members(path.subList(0, depth), at);
    if (m == null) return null;
    String list = path.get(depth - 1);
    if (step.equals(ORDER)) return ordered(m, value);
    JsonValue next = last ? value : set(m.get(step), path, depth + 1, value);
    if (!last && next == null) return null;
    if (next == null) m.remove(step);
    else m.put(step, next);
    return array(BY_FRAME.contains(list) ? byFrame(m) : m.values());
  }

  /** The members of a list by what tells them apart, in their order; null for any other value. */
  private static Map<String, JsonValue> members(List<String> path, JsonValue v) {
    if (path.isEmpty() || !(v instanceof JsonArray a)) return null;
    String key = KEYS.get(path.get(path.size() - 1));
    if (key == null) return null;
    Map<String, JsonValue> all = new LinkedHashMap<>();
    for (JsonValue x : a) {
      JsonValue k = x instanceof JsonObject o ? o.get(key) : null;
      if (k == null) return null;
      String name = k.isString() ? k.asString() : k.toString();
      if (all.put(name, x) != null) return null; // two alike: the list is one value
    }
    return all;
  }

  private static List<JsonValue> byFrame(Map<String, JsonValue> m) {
    List<JsonValue> all = new ArrayList<>(m.values());
    all.sort((x, y) -> Double.compare(frame(x), frame(y)));
    return all;
  }

  private static double frame(JsonValue v) {
    return v.asObject().get("frame").asDouble();
  }

  /** In a wanted order; what that does not name keeps its place behind what it stood behind. */
  private static JsonValue ordered(Map<String, JsonValue> m, JsonValue order) {
    List<String> names = new ArrayList<>();
    if (order instanceof JsonArray a)
      for (JsonValue n : a) if (m.containsKey(n.asString())) names.add(n.asString());
    String before = null;
    for (String n : m.keySet()) {
      if (!names.contains(n)) names.add(before == null ? 0 : names.indexOf(before) + 1, n);
      before = n;
    }
    List<JsonValue> all = new ArrayList<>();
    for (String n : names) all.add(m.get(n));
    return array(all);
  }

  private static JsonArray array(Iterable<JsonValue> all) {
    JsonArray a = new JsonArray();
    for (JsonValue v : all) a.add(v);
    return a;
  }

  private static JsonArray texts(List<String> all) {
    JsonArray a = new JsonArray();
    for (String t : all) a.add(Json.value(t));
    return a;
  }

  private static List<String> with(List<String> path, String step) {
    List<String> longer = new ArrayList<>(path);
    longer.add(step);
    return longer;
  }
}
