package kite.exchange.usd;

import java.util.Set;
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

  /** A text as it stands between quotes. */
  static String quoted(String text) {
    return "\"" + text.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", " ") + "\"";
  }
}
