package kite.exchange.cut;

import com.lowagie.text.Font;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.FontSelector;
import java.io.IOException;
import java.io.InputStream;

/**
 * The typefaces of printed lists: ours, and one with Greek, Cyrillic and Hebrew letters where ours
 * has none. Both are put into the file.
 */
final class Type {
  private static final String OURS = "/typeface/lettering.ttf";
  private static final String WIDER = "/liberation/LiberationSans-Regular.ttf";

  /** Sizes of letters, and from line to line, points. */
  private static final float TITLE = 17, STRONG = 9.5f, SMALL = 8, LEADING = 1.3f;

  private final FontSelector title, strong, small, head;

  Type() throws IOException {
    BaseFont ours = font(OURS), wider = font(WIDER);
    title = letters(ours, wider, TITLE, Font.BOLD);
    strong = letters(ours, wider, STRONG, Font.BOLD);
    small = letters(ours, wider, SMALL, Font.NORMAL);
    head = letters(ours, wider, SMALL, Font.BOLD);
  }

  private static BaseFont font(String name) throws IOException {
    try (InputStream in = Type.class.getResourceAsStream(name)) {
      if (in == null) throw new IOException("The typeface " + name + " is missing.");
      return BaseFont.createFont(
          name, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, false, in.readAllBytes(), null);
    }
  }

  private static FontSelector letters(BaseFont ours, BaseFont wider, float size, int style) {
    FontSelector f = new FontSelector();
    f.addFont(new Font(ours, size, style));
    f.addFont(new Font(wider, size, style));
    return f;
  }

  Phrase phrase(String words) {
    return small.process(words);
  }

  Paragraph title(String words) {
    return paragraph(title, words, TITLE);
  }

  Paragraph strong(String words) {
    return paragraph(strong, words, STRONG);
  }

  Paragraph small(String words) {
    return paragraph(small, words, SMALL);
  }

  Paragraph head(String words) {
    return paragraph(head, words, SMALL);
  }

  private static Paragraph paragraph(FontSelector letters, String words, float size) {
    Paragraph p = new Paragraph(letters.process(words));
    p.setLeading(size * LEADING);
    return p;
  }
}
