package kite.exchange.obj;

import java.util.HashMap;
import java.util.Map;
import java.util.StringTokenizer;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Lines;
import kite.exchange.Names;

/**
 * A material of an MTL file, as much of it as is shown.
 *
 * @param red diffuse colour, a screen colour of 0 to 1 by custom
 * @param shine Phong's exponent, 0 or more
 * @param opacity 0 to 1
 * @param picture file of the diffuse colour, or null
 */
record Mtl(double red, double green, double blue, double shine, double opacity, String picture) {
  /** What a material is that says nothing of itself. */
  static final Mtl PLAIN = new Mtl(0.8, 0.8, 0.8, 0.5, 1, null);

  private static final int LONGEST_LINE = 100_000;

  /** Arguments of a picture's options; the file's name comes after them. */
  private static final Map<String, Integer> OPTIONS =
      Map.ofEntries(
          Map.entry("-blendu", 1),
          Map.entry("-blendv", 1),
          Map.entry("-boost", 1),
          Map.entry("-mm", 2),
          Map.entry("-o", 3),
          Map.entry("-s", 3),
          Map.entry("-t", 3),
          Map.entry("-texres", 1),
          Map.entry("-clamp", 1),
          Map.entry("-bm", 1),
          Map.entry("-imfchan", 1),
          Map.entry("-type", 1));

  /** The materials of a file by their names. */
  static Map<String, Mtl> read(byte[] bytes, Budget budget) throws BadFile {
    Map<String, Mtl> all = new HashMap<>();
    Lines lines = new Lines(bytes, LONGEST_LINE, budget);
    String name = null;
    for (String l = lines.next(); l != null; l = lines.next()) {
      StringTokenizer words = new StringTokenizer(l);
      String what = words.nextToken();
      if (what.equals("newmtl")) {
        name = Names.clean(l.substring(l.indexOf(what) + what.length()).trim());
        budget.take(200 + 2L * name.length(), "The .mtl file");
        all.put(name, PLAIN);
      } else if (name != null) {
        all.put(name, all.get(name).with(what, l, words));
      }
    }
    return all;
  }

  private Mtl with(String what, String l, StringTokenizer words) {
    return switch (what) {
      case "Kd" -> {
        double r = number(words, red), g = number(words, r), b = number(words, g);
        yield new Mtl(share(r), share(g), share(b), shine, opacity, picture);
      }
      case "Ns" -> new Mtl(red, green, blue, Math.max(0, number(words, shine)), opacity, picture);
      case "d" -> new Mtl(red, green, blue, shine, share(number(words, opacity)), picture);
      case "Tr" -> new Mtl(red, green, blue, shine, 1 - share(number(words, 0)), picture);
      case "map_Kd" -> new Mtl(red, green, blue, shine, opacity, fileOf(l, what));
      default -> this;
    };
  }

  private static double share(double v) {
    return Math.max(0, Math.min(1, v));
  }

  /** The next number; the given one where there is none, as one number of a colour is all three. */
  private static double number(StringTokenizer words, double otherwise) {
    if (!words.hasMoreTokens()) return otherwise;
    try {
      double v = Double.parseDouble(words.nextToken());
      return Double.isFinite(v) ? v : otherwise;
    } catch (NumberFormatException e) {
      return otherwise;
    }
  }

  /** A picture's file, which may have blanks in its name, behind its options. */
  private static String fileOf(String l, String what) {
    String rest = l.substring(l.indexOf(what) + what.length()).trim();
    while (rest.startsWith("-")) {
      String option = rest.split("\\s", 2)[0];
      Integer arguments = OPTIONS.get(option);
      if (arguments == null) break;
      rest = after(rest);
      for (int i = 0; i < arguments && (i == 0 || numeric(rest)); i++) rest = after(rest);
    }
    return rest.isEmpty() ? null : rest;
  }

  private static String after(String s) {
    String[] two = s.split("\\s+", 2);
    return two.length < 2 ? "" : two[1];
  }

  private static boolean numeric(String s) {
    return s.matches("(?s)[-+.]?[0-9].*");
  }
}
