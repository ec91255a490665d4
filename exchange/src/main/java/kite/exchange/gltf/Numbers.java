package kite.exchange.gltf;

import java.util.ArrayList;
import java.util.List;
import kite.exchange.BadFile;
import kite.exchange.Names;
import tools.jackson.databind.JsonNode;

/** Reading checked numbers, lists and names out of a file's JSON. */
final class Numbers {
  private Numbers() {}

  static long whole(JsonNode o, String name, String what) throws BadFile {
    JsonNode v = o.get(name);
    if (v == null || !v.isNumber())
      throw new BadFile("The model's " + what + " has no number “" + name + "”.");
    double d = number(v);
    if (!(d == Math.rint(d) && Math.abs(d) <= 1e15))
      throw new BadFile("“" + name + "” of the model's " + what + " is not a whole number.");
    return (long) d;
  }

  static long wholeOr(JsonNode o, String name, long otherwise, String what) throws BadFile {
    return o.has(name) ? whole(o, name, what) : otherwise;
  }

  /** A number of any size; NaN where there is none. */
  static double number(JsonNode v) {
    return v != null && v.isNumber() ? v.asDouble(Double.NaN) : Double.NaN;
  }

  /** A number between 0 and 1, or the given one where the field is missing or something else. */
  static double share(JsonNode o, String name, double otherwise) {
    double v = number(o.get(name));
    return v >= 0 && v <= 1 ? v : otherwise;
  }

  /** The objects of a list; none where it is missing. */
  static List<JsonNode> objects(JsonNode o, String name, String what) throws BadFile {
    List<JsonNode> all = new ArrayList<>();
    for (JsonNode v : array(o, name, what)) {
      if (!v.isObject())
        throw new BadFile(
            "“" + name + "” of the model's " + what + " holds something that is not an object.");
      all.add(v);
    }
    return all;
  }

  /** A list; an empty one where it is missing. */
  static List<JsonNode> array(JsonNode o, String name, String what) throws BadFile {
    JsonNode v = o.path(name);
    if (v.isMissingNode()) return List.of();
    if (!v.isArray())
      throw new BadFile("“" + name + "” of the model's " + what + " is not a list.");
    List<JsonNode> all = new ArrayList<>(v.size());
    v.forEach(all::add);
    return all;
  }

  /** An object of one of the file's lists. */
  static JsonNode item(JsonNode root, String list, long index) throws BadFile {
    JsonNode all = root.path(list);
    JsonNode found =
        all.isArray() && index >= 0 && index < all.size() ? all.get((int) index) : null;
    if (found == null || !found.isObject())
      throw new BadFile(
          "The model refers to number "
              + index
              + " of its “"
              + list
              + "”, which has "
              + all.size()
              + (found == null ? "." : " but nothing that can be read there."));
    return found;
  }

  static String text(JsonNode o, String name, String otherwise) {
    JsonNode v = o.get(name);
    return v != null && v.isString() ? v.stringValue() : otherwise;
  }

  /** A name that something has in the file. */
  static String name(JsonNode o, String otherwise) {
    return Names.clean(text(o, "name", otherwise));
  }

  /** A fixed number of finite numbers, or the given ones where the field is missing. */
  static double[] list(JsonNode o, String name, double[] otherwise, String what) throws BadFile {
    JsonNode v = o.get(name);
    if (v == null) return otherwise.clone();
    if (!v.isArray() || v.size() != otherwise.length)
      throw new BadFile(
          "“" + name + "” of the model's " + what + " must hold " + otherwise.length + " numbers.");
    double[] out = new double[otherwise.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = number(v.get(i));
      if (!(Math.abs(out[i]) < 1e30))
        throw new BadFile(
            "“"
                + name
                + "” of the model's "
                + what
                + " holds something that is not a finite number.");
    }
    return out;
  }
}
