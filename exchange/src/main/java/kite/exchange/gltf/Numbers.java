package kite.exchange.gltf;

import kite.exchange.BadFile;
import tools.jackson.databind.JsonNode;

/** Reading checked numbers and list items out of a file's JSON. */
final class Numbers {
  private Numbers() {}

  static long whole(JsonNode o, String name, String what) throws BadFile {
    JsonNode v = o.get(name);
    if (v == null || !v.isNumber())
      throw new BadFile("The model's " + what + " has no number “" + name + "”.");
    double d = v.doubleValue();
    if (d != Math.rint(d) || Math.abs(d) > 1e15)
      throw new BadFile("“" + name + "” of the model's " + what + " is not a whole number.");
    return (long) d;
  }

  static long wholeOr(JsonNode o, String name, long otherwise, String what) throws BadFile {
    return o.has(name) ? whole(o, name, what) : otherwise;
  }

  static JsonNode item(JsonNode root, String list, long index) throws BadFile {
    JsonNode all = root.path(list);
    if (index < 0 || index >= all.size())
      throw new BadFile(
          "The model refers to number "
              + index
              + " of its “"
              + list
              + "”, which has "
              + all.size()
              + ".");
    return all.get((int) index);
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
      out[i] = v.get(i).isNumber() ? v.get(i).doubleValue() : Double.NaN;
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
