package kite.exchange.text;

import earcut4j.Earcut;
import java.awt.geom.AffineTransform;
import java.awt.geom.FlatteningPathIterator;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import kite.exchange.BadFile;
import kite.exchange.gltf.PlainModelWriter;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * Words as a solid: outlines of the shipped typeface, flattened, filled by ear clipping and given
 * depth. Stands on its baseline, centred, facing +Z.
 */
public final class Lettering {
  private static final String TYPEFACE = "/typeface/lettering.ttf";

  /** How far a flattened curve may leave the true one, in units of 1000 to the letter's square. */
  private static final double FLATNESS = 3;

  private static final int LONGEST = 80;

  private Lettering() {}

  /**
   * A .glb of the words.
   *
   * @param heightM of a capital letter
   * @param depthM how thick the letters are
   */
  public static byte[] glb(String text, double heightM, double depthM, double[] linearColour)
      throws BadFile {
    String words = text.strip();
    if (words.isEmpty() || words.length() > LONGEST)
      throw new BadFile("Lettering has 1 to " + LONGEST + " characters.");
    if (!(heightM > 0 && heightM < 1e4 && depthM >= 0 && depthM < 1e4))
      throw new BadFile("The letters' height must be above 0, their depth 0 or more.");
    try (InputStream in = Lettering.class.getResourceAsStream(TYPEFACE);
        TrueTypeFont font = parser().parse(new RandomAccessReadBuffer(in))) {
      return solid(outlines(font, words), heightM, depthM, font, linearColour);
    } catch (IOException e) {
      throw new IllegalStateException(
          "The typeface that ships with the application is damaged.", e);
    }
  }

  private static TTFParser parser() {
    return new TTFParser();
  }

  private static List<double[]> outlines(TrueTypeFont font, String words)
      throws IOException, BadFile {
    var cmap = font.getUnicodeCmapLookup();
    List<double[]> rings = new ArrayList<>();
    double at = 0;
    for (int c : words.codePoints().toArray()) {
      int glyph = cmap.getGlyphId(c);
      if (glyph == 0 && !Character.isWhitespace(c))
        throw new BadFile(
            "The typeface has no letter for “" + Character.toString(c) + "”. Leave it out.");
      if (!Character.isWhitespace(c)) {
        GeneralPath path = font.getGlyph().getGlyph(glyph).getPath();
        rings(path, AffineTransform.getTranslateInstance(at, 0), rings);
      }
      at += font.getAdvanceWidth(glyph);
    }
    if (rings.isEmpty()) throw new BadFile("Lettering needs at least one letter that shows.");
    return rings;
  }

  private static void rings(GeneralPath path, AffineTransform place, List<double[]> rings) {
    PathIterator i = new FlatteningPathIterator(path.getPathIterator(place), FLATNESS);
    double[] p = new double[6];
    List<Double> ring = new ArrayList<>();
    for (; !i.isDone(); i.next()) {
      int kind = i.currentSegment(p);
      if (kind == PathIterator.SEG_MOVETO || kind == PathIterator.SEG_CLOSE) {
        if (ring.size() >= 6) rings.add(ring.stream().mapToDouble(d -> d).toArray());
        ring.clear();
      }
      if (kind == PathIterator.SEG_CLOSE) continue;
      int n = ring.size();
      if (n < 2 || ring.get(n - 2) != p[0] || ring.get(n - 1) != p[1]) {
        ring.add(p[0]);
        ring.add(p[1]);
      }
    }
    if (ring.size() >= 6) rings.add(ring.stream().mapToDouble(d -> d).toArray());
  }

  private static byte[] solid(
      List<double[]> rings, double heightM, double depthM, TrueTypeFont font, double[] colour)
      throws IOException {
    double capital = capital(font), k = heightM / capital;
    double least = Double.POSITIVE_INFINITY, most = Double.NEGATIVE_INFINITY;
    for (double[] r : rings)
      for (int i = 0; i < r.length; i += 2) {
        least = Math.min(least, r[i]);
        most = Math.max(most, r[i]);
      }
    double middle = (least + most) / 2;
    Solid s = new Solid(depthM);
    for (double[] outer : rings) {
      if (area(outer) > 0) continue; // TrueType outlines run clockwise, holes the other way
      List<double[]> holes = new ArrayList<>();
      for (double[] h : rings) if (area(h) > 0 && inside(outer, h[0], h[1])) holes.add(h);
      s.add(outer, holes, k, middle);
    }
    PlainModelWriter w = new PlainModelWriter();
    int m = w.material("letters", colour[0], colour[1], colour[2], 0.7, null);
    w.mesh("letters", m, s.positions(), s.normals(), null, s.faces());
    return w.glb();
  }

  private static double capital(TrueTypeFont font) throws IOException {
    double h = font.getOS2Windows() == null ? 0 : font.getOS2Windows().getCapHeight();
    return h > 0 ? h : font.getUnitsPerEm() * 0.7;
  }

  private static double area(double[] r) {
    double a = 0;
    for (int i = 0, j = r.length - 2; i < r.length; j = i, i += 2)
      a += r[j] * r[i + 1] - r[i] * r[j + 1];
    return a / 2;
  }

  private static boolean inside(double[] r, double x, double y) {
    boolean in = false;
    for (int i = 0, j = r.length - 2; i < r.length; j = i, i += 2) {
      if (r[i + 1] > y != r[j + 1] > y
          && x < (r[j] - r[i]) * (y - r[i + 1]) / (r[j + 1] - r[i + 1]) + r[i]) in = !in;
    }
    return in;
  }

  /** Gathers fronts, backs and sides. */
  private static final class Solid {
    private final double half;
    private final List<Float> positions = new ArrayList<>();
    private final List<Float> normals = new ArrayList<>();
    private final List<Integer> faces = new ArrayList<>();

    Solid(double depth) {
      half = depth / 2;
    }

    void add(double[] outer, List<double[]> holes, double k, double middle) {
      List<double[]> all = new ArrayList<>(List.of(outer));
      all.addAll(holes);
      int length = all.stream().mapToInt(r -> r.length).sum(), at = 0;
      double[] flat = new double[length];
      int[] starts = new int[holes.size()];
      for (int i = 0; i < all.size(); i++) {
        if (i > 0) starts[i - 1] = at / 2;
        for (int n = 0; n < all.get(i).length; n += 2) {
          flat[at++] = (all.get(i)[n] - middle) * k;
          flat[at++] = all.get(i)[n + 1] * k;
        }
      }
      List<Integer> fill = Earcut.earcut(flat, starts, 2);
      for (int side = 1; side >= -1; side -= 2) {
        int first = positions.size() / 3;
        for (int n = 0; n < flat.length; n += 2)
          corner(flat[n], flat[n + 1], side * half, 0, 0, side);
        for (int n = 0; n < fill.size(); n += 3) {
          faces.add(first + fill.get(n));
          faces.add(first + fill.get(n + (side > 0 ? 2 : 1)));
          faces.add(first + fill.get(n + (side > 0 ? 1 : 2)));
        }
      }
      if (half == 0) return;
      at = 0;
      for (double[] ring : all) {
        int n = ring.length / 2;
        for (int i = 0; i < n; i++) wall(flat, at + i * 2, at + (i + 1) % n * 2);
        at += ring.length;
      }
    }

    private void wall(double[] p, int a, int b) {
      double dx = p[b] - p[a], dy = p[b + 1] - p[a + 1], l = Math.hypot(dx, dy);
      if (l == 0) return;
      int first = positions.size() / 3;
      for (int z = 1; z >= -1; z -= 2) {
        corner(p[a], p[a + 1], z * half, -dy / l, dx / l, 0);
        corner(p[b], p[b + 1], z * half, -dy / l, dx / l, 0);
      }
      for (int i : new int[] {0, 1, 2, 1, 3, 2}) faces.add(first + i);
    }

    private void corner(double x, double y, double z, double nx, double ny, double nz) {
      for (double v : new double[] {x, y, z}) positions.add((float) v);
      for (double v : new double[] {nx, ny, nz}) normals.add((float) v);
    }

    private static float[] array(List<Float> all) {
      float[] out = new float[all.size()];
      for (int i = 0; i < out.length; i++) out[i] = all.get(i);
      return out;
    }

    float[] positions() {
      return array(positions);
    }

    float[] normals() {
      return array(normals);
    }

    int[] faces() {
      return faces.stream().mapToInt(i -> i).toArray();
    }
  }
}
