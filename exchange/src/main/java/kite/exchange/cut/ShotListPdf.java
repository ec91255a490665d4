package kite.exchange.cut;

import static kite.exchange.cut.ShotTable.Column.CAMERA;
import static kite.exchange.cut.ShotTable.Column.FEET;
import static kite.exchange.cut.ShotTable.Column.FIRST;
import static kite.exchange.cut.ShotTable.Column.FOCUS;
import static kite.exchange.cut.ShotTable.Column.FRAMES;
import static kite.exchange.cut.ShotTable.Column.F_STOP;
import static kite.exchange.cut.ShotTable.Column.IN_FRAME;
import static kite.exchange.cut.ShotTable.Column.LAST;
import static kite.exchange.cut.ShotTable.Column.LENS;
import static kite.exchange.cut.ShotTable.Column.MOVE;
import static kite.exchange.cut.ShotTable.Column.NOTES;
import static kite.exchange.cut.ShotTable.Column.SCENE_FROM;
import static kite.exchange.cut.ShotTable.Column.SCENE_TO;
import static kite.exchange.cut.ShotTable.Column.SECONDS;
import static kite.exchange.cut.ShotTable.Column.SHOT;
import static kite.exchange.cut.ShotTable.Column.SIZE;
import static kite.exchange.cut.ShotTable.Column.SPEED;
import static kite.exchange.cut.ShotTable.Column.STATUS;
import static kite.exchange.cut.ShotTable.Column.TAKE;
import static kite.exchange.cut.ShotTable.Column.TIMECODE;

import com.lowagie.text.Document;
import com.lowagie.text.DocumentException;
import com.lowagie.text.Element;
import com.lowagie.text.Image;
import com.lowagie.text.PageSize;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.ColumnText;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfPageEventHelper;
import com.lowagie.text.pdf.PdfWriter;
import java.awt.Color;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.number.NumberText;
import kite.exchange.cut.ShotTable.Line;

/** The shot list to print: A4 across, a picture and what is to be known of each shot. */
public final class ShotListPdf {
  /** Of A4 and its margins, points. */
  private static final float MARGIN = 30, FOOT = 26;

  /** Widths of the columns, as shares of them all. */
  private static final float[] WIDTHS = {15, 11, 11, 13, 12, 24, 14, 16};

  private static final String[] HEADS = {
    "Picture", "Shot", "Camera", "Programme", "Scene", "What is seen", "Lens", "Notes"
  };

  private static final Color LINE = new Color(0xC9CED8), HEAD = new Color(0xEEF0F4);

  /** Lines are written out and forgotten after so many, for long lists. */
  private static final int AT_ONCE = 20;

  private ShotListPdf() {}

  /** A picture of a shot in a form that ImageIO reads, or null for none. */
  public interface Pictures {
    @OrNull
    byte[] of(Line line) throws IOException;
  }

  /**
   * Writes the file as its pictures come; {@code out} is left open.
   *
   * @param made what stands at the foot of each page beside its number
   */
  public static void write(ShotTable table, String made, Pictures pictures, OutputStream out)
      throws IOException {
    Type type = new Type();
    Header header = table.sequence().header();
    try (Document d = new Document(PageSize.A4.rotate(), MARGIN, MARGIN, MARGIN, MARGIN + FOOT)) {
      PdfWriter writer = PdfWriter.getInstance(d, new StaysOpen(out));
      writer.setPageEvent(new Foot(type, made));
      d.addTitle(header.code() + ": shot list");
      d.open();
      d.add(type.title(header.code() + "  " + header.title()));
      d.add(type.small(summary(table)));
      PdfPTable grid = grid(type);
      int n = 0;
      for (Line line : table.lines()) {
        row(table, line, type, grid, pictures.of(line));
        if (++n % AT_ONCE == 0) d.add(grid);
      }
      grid.setComplete(true);
      d.add(grid);
    } catch (DocumentException e) {
      throw new IOException("The shot list could not be laid out.", e);
    }
  }

  private static String summary(ShotTable table) {
    int frames = table.lines().stream().mapToInt(l -> l.row().frames()).sum();
    double fps = table.sequence().header().rate().perSecond();
    int shots = table.lines().size();
    return shots
        + (shots == 1 ? " shot, " : " shots, ")
        + frames
        + " frames, "
        + NumberText.rounded(frames / fps, 1)
        + " s at "
        + NumberText.rounded(fps, 3)
        + " frames a second";
  }

  private static PdfPTable grid(Type type) {
    PdfPTable grid = new PdfPTable(WIDTHS);
    grid.setWidthPercentage(100);
    grid.setSpacingBefore(10);
    grid.setHeaderRows(1);
    grid.setComplete(false);
    grid.setSplitLate(true); // a shot's line is not torn
    for (String head : HEADS) {
      PdfPCell c = cell();
      c.setBackgroundColor(HEAD);
      c.addElement(type.head(head));
      grid.addCell(c);
    }
    return grid;
  }

  private static PdfPCell cell() {
    PdfPCell c = new PdfPCell();
    c.setBorder(Rectangle.BOTTOM);
    c.setBorderColor(LINE);
    c.setPaddingBottom(6);
    c.setVerticalAlignment(Element.ALIGN_TOP);
    return c;
  }

  private static void row(ShotTable t, Line line, Type type, PdfPTable grid, byte[] picture)
      throws IOException {
    PdfPCell seen = cell();
    if (picture != null) {
      seen.setPaddingTop(5);
      seen.addElement(Image.getInstance(picture));
    } else {
      seen.addElement(type.small(line.camera() == null ? "Gap" : "No picture"));
    }
    grid.addCell(seen);
    boolean several = line.row().takes() > 1;
    String status = t.said(line, STATUS) + (line.approved() ? ", approved" : "");
    words(grid, type, t.said(line, SHOT), several ? "Take " + t.said(line, TAKE) : "", status);
    words(grid, type, t.said(line, CAMERA), line.camera() == null ? "no camera" : "");
    words(
        grid,
        type,
        t.said(line, FIRST) + " – " + t.said(line, LAST),
        t.said(line, FRAMES) + " frames, " + t.said(line, SECONDS) + " s",
        t.said(line, FEET),
        t.said(line, TIMECODE));
    words(
        grid,
        type,
        t.said(line, SCENE_FROM) + " – " + t.said(line, SCENE_TO),
        line.row().speed() == 1 ? "" : "at " + t.said(line, SPEED));
    words(grid, type, t.said(line, SIZE), t.said(line, MOVE), t.said(line, IN_FRAME));
    words(grid, type, t.said(line, LENS), t.said(line, F_STOP), focus(t, line));
    words(grid, type, "", t.said(line, NOTES));
  }

  private static String focus(ShotTable t, Line line) {
    String said = t.said(line, FOCUS);
    return said.isEmpty() ? "" : "focus " + said;
  }

  /** A cell of lines, the first of them to be seen first; empty ones are left out. */
  private static void words(PdfPTable grid, Type type, String first, String... more) {
    PdfPCell c = cell();
    if (!first.isEmpty()) c.addElement(type.strong(first));
    for (String m : more) if (!m.isEmpty()) c.addElement(type.small(m));
    grid.addCell(c);
  }

  /** What was made of what and when, and the page's number. */
  private static final class Foot extends PdfPageEventHelper {
    private final Type type;
    private final String made;

    Foot(Type type, String made) {
      this.type = type;
      this.made = made;
    }

    @Override
    public void onEndPage(PdfWriter writer, Document d) {
      line(writer, Element.ALIGN_LEFT, type.phrase(made), d.left(), d);
      Phrase page = type.phrase("Page " + writer.getPageNumber());
      line(writer, Element.ALIGN_RIGHT, page, d.right(), d);
    }

    private static void line(PdfWriter writer, int align, Phrase words, float x, Document d) {
      ColumnText.showTextAligned(writer.getDirectContent(), align, words, x, d.bottom() - FOOT, 0);
    }
  }

  /** Its end is whoever's who gave it. */
  private static final class StaysOpen extends FilterOutputStream {
    StaysOpen(OutputStream out) {
      super(out);
    }

    @Override
    public void write(byte[] b, int from, int length) throws IOException {
      out.write(b, from, length);
    }

    @Override
    public void close() throws IOException {
      flush();
    }
  }
}
