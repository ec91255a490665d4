package kite.exchange.obj;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.StringTokenizer;
import java.util.TreeSet;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Lines;
import kite.exchange.Names;

/**
 * The text of an OBJ file, read line by line: corners, and the triangles between them by material.
 * Faces of more corners become a fan. Written here because the readers at hand keep an object for
 * every face and grow with the square of a face's corners and of the materials.
 */
final class ObjText {
  private static final int MOST_TRIANGLES = 3_000_000;

  /** Each is drawn by itself; no model for a set has a tenth of it. */
  private static final int MOST_MATERIALS = 2_000;

  private static final int LONGEST_LINE = 16 << 20;

  /** What a corner takes that is known by its numbers, and what a triangle takes. */
  private static final int BYTES_PER_CORNER = 100, BYTES_PER_TRIANGLE = 24;

  /** The material of faces that name none. */
  private static final String PLAIN = "plain";

  /** What a face's corner is made of, from 0; −1 for no texture place or normal. */
  private record Corner(int position, int place, int normal) {}

  /** Triangles of one material. */
  private static final class Group {
    final Map<Corner, Integer> numbers = new HashMap<>();
    final List<Corner> corners = new ArrayList<>();
    int[] faces = new int[48];
    int length;
  }

  /**
   * A material's triangles.
   *
   * @param normals three a corner, or null where a corner has none
   * @param places two a corner with v downwards, or null where a corner has none
   */
  record Mesh(String material, float[] positions, float[] normals, float[] places, int[] faces) {}

  /** Numbers of one kind in the file's order, and the farthest that a face asked for. */
  private static final class Column {
    final int width;
    float[] numbers;
    int count;
    int farthest = -1;
    int farthestLine;

    Column(int width) {
      this.width = width;
      numbers = new float[width * 256];
    }
  }

  private final Budget budget;
  private final Column positions = new Column(3), places = new Column(2), normals = new Column(3);
  private final Map<String, Group> groups = new LinkedHashMap<>();
  private final List<String> libraries = new ArrayList<>();
  private final Set<String> leftOut = new TreeSet<>();
  private String material = PLAIN;
  private int triangles;
  private int line;

  private ObjText(Budget budget) {
    this.budget = budget;
  }

  static ObjText read(byte[] bytes, Budget budget) throws BadFile {
    ObjText t = new ObjText(budget);
    Lines lines = new Lines(bytes, LONGEST_LINE, budget);
    for (String l = lines.next(); l != null; l = lines.next()) {
      t.line = lines.number();
      t.line(l.endsWith("\\") ? continued(l, lines) : l);
    }
    t.checkReach(t.positions, "corner");
    t.checkReach(t.places, "texture place");
    t.checkReach(t.normals, "normal");
    if (t.triangles == 0)
      throw new BadFile("There is nothing to see in the .obj file: it has no faces.");
    return t;
  }

  /** A line that goes on in the next ones, as its backslash at the end says. */
  private static String continued(String first, Lines lines) throws BadFile {
    StringBuilder whole = new StringBuilder();
    String l = first;
    while (l != null && l.endsWith("\\") && whole.length() < LONGEST_LINE) {
      whole.append(l, 0, l.length() - 1).append(' ');
      l = lines.next();
    }
    return whole.append(l == null ? "" : l).toString();
  }

  List<String> libraries() {
    return libraries;
  }

  /** Sentences about what is not read. */
  Set<String> leftOut() {
    return leftOut;
  }

  private void line(String l) throws BadFile {
    StringTokenizer words = new StringTokenizer(l);
    if (!words.hasMoreTokens()) return; // backslashes alone
    String what = words.nextToken();
    switch (what) {
      case "v" -> {
        add(positions, words);
        if (words.countTokens() >= 3) leftOut.add("Colours at the corners are left out.");
      }
      case "vt" -> add(places, words);
      case "vn" -> add(normals, words);
      case "f" -> face(words);
      case "usemtl" -> material = rest(l, what);
      case "mtllib" -> libraries.add(rest(l, what));
      case "l", "p" -> leftOut.add("Lines and points are left out.");
      case "curv", "curv2", "surf" -> leftOut.add("Curves and curved surfaces are left out.");
      default -> {
        // names, groups and smoothing change nothing that is shown
      }
    }
    if (libraries.size() > MOST_MATERIALS)
      throw bad("the file names more than " + MOST_MATERIALS + " material files");
  }

  private static String rest(String l, String what) {
    String name = l.substring(l.indexOf(what) + what.length()).trim();
    return name.isEmpty() ? PLAIN : Names.clean(name);
  }

  private BadFile bad(String what) {
    return new BadFile("The .obj file cannot be read at line " + line + ": " + what + ".");
  }

  private void add(Column c, StringTokenizer words) throws BadFile {
    if ((c.count + 1) * c.width > c.numbers.length) {
      budget.take(4L * c.numbers.length, "The .obj file");
      c.numbers = Arrays.copyOf(c.numbers, c.numbers.length * 2);
    }
    for (int i = 0; i < c.width; i++) {
      if (!words.hasMoreTokens()) {
        if (c == places && i > 0) break; // a texture place may have one number alone
        throw bad("it has " + i + " numbers where " + c.width + " are needed");
      }
      String word = words.nextToken();
      float v;
      try {
        v = Float.parseFloat(word);
      } catch (NumberFormatException e) {
        throw bad("“" + Names.shown(word) + "” is not a number");
      }
      if (!Float.isFinite(v)) throw bad("“" + Names.shown(word) + "” is not finite");
      c.numbers[c.count * c.width + i] = v;
    }
    c.count++;
  }

  private void face(StringTokenizer words) throws BadFile {
    Group g = groups.get(material);
    if (g == null) {
      if (groups.size() == MOST_MATERIALS)
        throw bad(
            "the file has more than " + MOST_MATERIALS + " materials. Bring a lighter version");
      groups.put(material, g = new Group());
    }
    if (words.countTokens() < 3) {
      leftOut.add("Faces of fewer than three corners are left out.");
      return;
    }
    int first = corner(g, words.nextToken()), last = corner(g, words.nextToken());
    while (words.hasMoreTokens()) {
      int next = corner(g, words.nextToken());
      if (++triangles > MOST_TRIANGLES)
        throw bad(
            "the file has more than " + MOST_TRIANGLES + " triangles. Bring a lighter version");
      budget.take(BYTES_PER_TRIANGLE, "The .obj file");
      if (g.length + 3 > g.faces.length) g.faces = Arrays.copyOf(g.faces, g.faces.length * 2);
      g.faces[g.length++] = first;
      g.faces[g.length++] = last;
      g.faces[g.length++] = next;
      last = next;
    }
  }

  /** The number that a corner has among its material's. */
  private int corner(Group g, String word) throws BadFile {
    budget.step();
    int a = word.indexOf('/'), b = a < 0 ? -1 : word.indexOf('/', a + 1);
    if (b >= 0 && word.indexOf('/', b + 1) >= 0)
      throw bad("“" + Names.shown(word) + "” is not a corner");
    String v = a < 0 ? word : word.substring(0, a);
    String vt = a < 0 ? "" : b < 0 ? word.substring(a + 1) : word.substring(a + 1, b);
    String vn = b < 0 ? "" : word.substring(b + 1);
    Corner c =
        new Corner(
            index(positions, v, word),
            vt.isEmpty() ? -1 : index(places, vt, word),
            vn.isEmpty() ? -1 : index(normals, vn, word));
    Integer known = g.numbers.get(c);
    if (known != null) return known;
    budget.take(BYTES_PER_CORNER, "The .obj file");
    g.numbers.put(c, g.corners.size());
    g.corners.add(c);
    return g.corners.size() - 1;
  }

  /** Numbers count from 1; negative ones back from the last so far. */
  private int index(Column c, String number, String word) throws BadFile {
    int i;
    try {
      i = Integer.parseInt(number);
    } catch (NumberFormatException e) {
      throw bad("“" + Names.shown(word) + "” is not a corner");
    }
    int index = i < 0 ? c.count + i : i - 1;
    if (i == 0 || index < 0) throw bad("“" + Names.shown(word) + "” names what is not there");
    if (index > c.farthest) {
      c.farthest = index;
      c.farthestLine = line;
    }
    return index;
  }

  /** A face may name what comes after it, so that this is known at the end alone. */
  private void checkReach(Column c, String what) throws BadFile {
    line = c.farthestLine;
    if (c.farthest >= c.count)
      throw bad("it names " + what + " " + (c.farthest + 1L) + ", but the file has " + c.count);
  }

  /** What was read, ready to be drawn; in the order in which the file names the materials. */
  List<Mesh> meshes() throws BadFile {
    List<Mesh> all = new ArrayList<>();
    for (Map.Entry<String, Group> e : groups.entrySet()) {
      Group g = e.getValue();
      if (g.length == 0) continue;
      budget.take(32L * g.corners.size(), "The .obj file");
      float[] vt = gathered(g, places, Corner::place);
      if (vt != null) for (int i = 1; i < vt.length; i += 2) vt[i] = 1 - vt[i];
      all.add(
          new Mesh(
              e.getKey(),
              gathered(g, positions, Corner::position),
              gathered(g, normals, Corner::normal),
              vt,
              Arrays.copyOf(g.faces, g.length)));
    }
    return all;
  }

  private interface Of {
    int index(Corner c);
  }

  private static float[] gathered(Group g, Column from, Of of) {
    float[] out = new float[g.corners.size() * from.width];
    for (int i = 0; i < g.corners.size(); i++) {
      int at = of.index(g.corners.get(i));
      if (at < 0) return null;
      System.arraycopy(from.numbers, at * from.width, out, i * from.width, from.width);
    }
    return out;
  }
}
