package kite.server.render;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import kite.core.document.Camera;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.number.NumberText;
import kite.exchange.text.WrittenLine;

/**
 * The picture in front of a film that says what the film is: beside its middle picture, over a row
 * of even greys and the colours of a screen by which a projection is judged.
 */
final class SlateFrame {
  private static final Color GROUND = new Color(0x10182b), PAPER = new Color(0xf4efe6);
  private static final Color QUIET = new Color(0xa9b1c6);

  /** In shares of the picture's height. */
  private static final double EDGE = 0.08, TITLE = 0.095, LINE = 0.034, STEP = 0.058, ROW = 0.09;

  /**
   * How much of the picture's width the middle picture has, and where what is said of it begins.
   */
  private static final double PICTURE = 0.42, LABELS = 0.16;

  private static final int GREYS = 11, MOST_NAMED = 4;
  private static final int[] COLOURS = {0xff0000, 0x00ff00, 0x0000ff, 0x00ffff, 0xff00ff, 0xffff00};

  private SlateFrame() {}

  /**
   * @param middle a picture of the film, of the size that the slate has too
   */
  static BufferedImage of(RenderJob job, BufferedImage middle) {
    int w = middle.getWidth(), h = middle.getHeight();
    BufferedImage slate = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = slate.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    pen.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    pen.setColor(GROUND);
    pen.fillRect(0, 0, w, h);
    double edge = EDGE * h, letters = LINE * h, wide = w - 2 * edge;
    pen.setColor(PAPER);
    write(pen, job.label, edge, edge + TITLE * h * 0.8, TITLE * h, wide);
    double top = edge + TITLE * h * 1.5, left = edge, tall = PICTURE * wide * h / w;
    AffineTransform fit = AffineTransform.getTranslateInstance(left, top);
    fit.scale(PICTURE * wide / w, PICTURE * wide / w);
    pen.drawImage(middle, fit, null);
    double labels = left + PICTURE * wide + edge / 2, values = labels + LABELS * wide;
    double y = top + letters;
    for (Map.Entry<String, String> e : says(job).entrySet()) {
      if (e.getValue().isEmpty()) continue;
      pen.setColor(QUIET);
      write(pen, e.getKey(), labels, y, letters, values - labels - letters);
      pen.setColor(PAPER);
      write(pen, e.getValue(), values, y, letters, w - edge - values);
      y += STEP * h;
    }
    double row = Math.max(top + tall, h - edge - ROW * h);
    bars(pen, edge, row, wide, Math.max(0, h - edge / 2 - row));
    pen.dispose();
    return slate;
  }

  /** What goes in front of a job's film, made of a picture of it; null where nothing is wanted. */
  static UnaryOperator<BufferedImage> front(RenderJob job) {
    boolean wanted = job.burnIn != null && BurnIn.read(job.burnIn).slate();
    return wanted ? middle -> of(job, middle) : null;
  }

  private static void write(
      Graphics2D pen, String words, double x, double y, double height, double within) {
    WrittenLine.Line line = WrittenLine.of(words, height);
    AffineTransform was = pen.getTransform();
    pen.translate(x, y);
    double k = Math.min(1, within / line.width());
    pen.scale(k, k);
    pen.fill(line.outline());
    pen.setTransform(was);
  }

  private static void bars(Graphics2D pen, double x, double y, double wide, double high) {
    List<Color> all = new ArrayList<>();
    for (int i = 0; i < GREYS; i++) {
      int grey = Math.round(255f * i / (GREYS - 1));
      all.add(new Color(grey, grey, grey));
    }
    for (int c : COLOURS) all.add(new Color(c));
    double each = wide / all.size();
    for (int i = 0; i < all.size(); i++) {
      pen.setColor(all.get(i));
      pen.fill(new Rectangle2D.Double(x + i * each, y, each, high));
    }
  }

  private static Map<String, String> says(RenderJob job) {
    Sequence s = SequenceJson.read(job.document);
    Header h = s.header();
    List<Shot> shots = Shot.read(job.shots);
    Map<String, String> all = new LinkedHashMap<>();
    all.put("Production", job.names == null ? "" : FrameNames.read(job.names).production());
    all.put("Sequence", h.code() + (h.title().isEmpty() ? "" : "  ·  " + h.title()));
    all.put("Version", "v" + job.numbered);
    all.put("Take", takes(s, shots));
    all.put("Camera", cameras(s, shots));
    Shot first = shots.get(0), last = shots.get(shots.size() - 1);
    all.put("Frames", first.first() + " to " + last.last() + "  ·  " + job.framesTotal);
    all.put(
        "Rate",
        NumberText.rounded(h.rate().perSecond(), 3) + " fps  ·  " + job.width + "×" + job.height);
    all.put("Date", job.askedAt.atZone(ZoneId.of("UTC")).toLocalDate().toString());
    all.put("By", job.askedBy);
    return all;
  }

  private static String takes(Sequence s, List<Shot> shots) {
    TreeSet<String> names = new TreeSet<>();
    for (kite.core.document.Shot x : s.all(kite.core.document.Shot.class))
      for (Shot of : shots) if (x.name().equals(of.code())) names.add(x.take().name());
    return named(names);
  }

  private static String cameras(Sequence s, List<Shot> shots) {
    TreeSet<String> names = new TreeSet<>();
    for (Shot x : shots)
      if (s.get(x.camera()) instanceof Camera c) names.add(c.letter() + " " + c.name());
    return named(names);
  }

  private static String named(TreeSet<String> names) {
    List<String> some = names.stream().limit(MOST_NAMED).toList();
    String all = String.join(", ", some);
    return names.size() > MOST_NAMED ? all + " and " + (names.size() - MOST_NAMED) + " more" : all;
  }
}
