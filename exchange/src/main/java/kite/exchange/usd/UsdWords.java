package kite.exchange.usd;

import java.util.Set;
import kite.core.document.Sequence;
import kite.core.math.Matrix;

/** How numbers, names and matrices are written in OpenUSD's text form. */
final class UsdWords {
  private UsdWords() {}

  /** A prim name: letters, digits and underscores, not beginning with a digit. */
  static String identifier(String name) {
    String s = name.replaceAll("[^A-Za-z0-9_]", "_");
    return s.isEmpty() || Character.isDigit(s.charAt(0)) ? "_" + s : s;
  }

  /** A prim's name that no other one has: a number is put behind it where it is taken. */
  static String free(String name, Set<String> taken) {
    String found = name;
    for (int i = 2; !taken.add(found); i++) found = name + "_" + i;
    return found;
  }

  static String number(double v) {
    return v == Math.rint(v) && Math.abs(v) < 1e15 ? Long.toString((long) v) : Double.toString(v);
  }

  /** Single precision, as points have it. */
  static String number(float v) {
    return v == Math.rint(v) && Math.abs(v) < 1e7f ? Long.toString((long) v) : Float.toString(v);
  }

  /** USD writes matrices by rows for row vectors: exactly our columns, one after the other. */
  static String matrix(double[] m, int o) {
    StringBuilder b = new StringBuilder("(");
    for (int c = 0; c < Matrix.COLUMN; c++) {
      b.append(c == 0 ? "(" : ", (");
      for (int r = 0; r < Matrix.COLUMN; r++)
        b.append(r == 0 ? "" : ", ").append(number(m[o + c * Matrix.COLUMN + r]));
      b.append(")");
    }
    return b.append(")").toString();
  }

  /**
   * How a layer of a sequence begins, in metres with +Y up.
   *
   * @param first name of the prim that stands for the whole
   * @param frames of which there are samples, rising
   */
  static String head(Sequence s, String first, String doc, double[] frames) {
    String fps = number(s.header().rate().perSecond());
    return "#usda 1.0\n(\n    defaultPrim = \""
        + first
        + "\"\n    doc = "
        + quoted(doc)
        + "\n    startTimeCode = "
        + number(frames[0])
        + "\n    endTimeCode = "
        + number(frames[frames.length - 1])
        + "\n    framesPerSecond = "
        + fps
        + "\n    timeCodesPerSecond = "
        + fps
        + "\n    metersPerUnit = 1\n    upAxis = \"Y\"\n)\n\n";
  }

  /** A text as it stands between quotes. */
  static String quoted(String text) {
    return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", " ") + "\"";
  }
}
