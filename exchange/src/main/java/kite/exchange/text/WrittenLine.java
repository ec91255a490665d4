package kite.exchange.text;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * Lines of words as outlines to be filled, in the typeface that ships with the application: a
 * machine needs none of its own. What the typeface has no letter for is a box.
 */
public final class WrittenLine {
  private static final String TYPEFACE = "/typeface/lettering.ttf";

  /** Of a letter that is missing, in shares of the letters' height. */
  private static final double BOX = 0.5;

  /** A letter's outline and how far the next one is, in shares of the letters' height. */
  private record Letter(Path2D outline, double advance) {}

  private static final Map<Integer, Letter> LETTERS = new HashMap<>();

  private WrittenLine() {}

  /**
   * @param outline on a baseline at 0, from 0 to the right, y downwards
   * @param width to the next letter that would follow
   */
  public record Line(Shape outline, double width) {}

  /**
   * @param height of the letters, from the lowest to the highest
   */
  public static synchronized Line of(String words, double height) {
    Path2D all = new Path2D.Double(Path2D.WIND_NON_ZERO);
    double at = 0;
    for (int c : words.codePoints().toArray()) {
      Letter l = letter(c);
      AffineTransform place = new AffineTransform(height, 0, 0, -height, at, 0);
      all.append(l.outline.getPathIterator(place), false);
      at += l.advance * height;
    }
    return new Line(all, at);
  }

  private static Letter letter(int c) {
    if (LETTERS.isEmpty()) read();
    return LETTERS.getOrDefault(c, LETTERS.get((int) '\u25a1'));
  }

  private static void read() {
    try (InputStream in = WrittenLine.class.getResourceAsStream(TYPEFACE);
        TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in))) {
      var cmap = font.getUnicodeCmapLookup();
      double unit = 1.0 / font.getUnitsPerEm();
      for (int c = ' '; c < 0x2200; c++) {
        int glyph = cmap.getGlyphId(c);
        if (glyph == 0) continue;
        Path2D outline = new Path2D.Double();
        if (!Character.isWhitespace(c))
          outline = new Path2D.Double(font.getGlyph().getGlyph(glyph).getPath());
        outline.transform(AffineTransform.getScaleInstance(unit, unit));
        LETTERS.put(c, new Letter(outline, font.getAdvanceWidth(glyph) * unit));
      }
    } catch (IOException e) {
      throw new IllegalStateException(
          "The typeface that ships with the application is damaged.", e);
    }
    Path2D box = new Path2D.Double();
    box.append(new Rectangle2D.Double(0.05, 0, BOX - 0.1, BOX), false);
    LETTERS.put((int) '\u25a1', new Letter(box, BOX));
  }
}
