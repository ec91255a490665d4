package kite.server.render;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import kite.exchange.Json;
import kite.exchange.text.WrittenLine;
import kite.server.Problem;
import org.springframework.http.HttpStatus;

/**
 * What is written into the pictures that are looked at and into the film, and where. EXR and PNG of
 * 16 bits stay clean: they are worked with.
 *
 * @param places for each item where it stands; what is left out is not written
 * @param slate whether a picture that says what the film is goes in front of it; null for no
 */
record BurnIn(Map<Item, Place> places, Boolean slate) {
  /**
   * Height of letters and of the bar behind them, and its distance from the edge, in shares of the
   * picture's height.
   */
  private static final double LETTERS = 0.026, BAR = 0.046, EDGE = 0.014;

  /** Letters of fewer pixels cannot be read. */
  private static final double LEAST_PX = 7;

  private static final Color BEHIND = new Color(8, 11, 20, 184);
  private static final Color PAPER = new Color(0xf4efe6);

  enum Item {
    PRODUCTION,
    SEQUENCE,
    SHOT,
    TAKE,
    CAMERA,
    LENS,
    FOCUS,
    STOP,
    FRAME_OF_SHOT,
    FRAME_OF_SCENE,
    TIMECODE,
    DATE,
    VERSION,
    WHO
  }

  enum Place {
    TOP_LEFT(true, 0),
    TOP(true, 0.5),
    TOP_RIGHT(true, 1),
    BOTTOM_LEFT(false, 0),
    BOTTOM(false, 0.5),
    BOTTOM_RIGHT(false, 1);

    private final boolean top;
    private final double across;

    Place(boolean top, double across) {
      this.top = top;
      this.across = across;
    }
  }

  BurnIn {
    places = places == null ? Map.of() : new TreeMap<>(places);
    slate = slate != null && slate;
    if (places.containsValue(null))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "burnIn", "Say where each thing is written.");
  }

  boolean saysNothing() {
    return places.isEmpty() && !slate;
  }

  static BurnIn read(String json) {
    return Json.MAPPER.readValue(json, BurnIn.class);
  }

  String write() {
    return Json.MAPPER.writeValueAsString(this);
  }

  /** Writes into a picture. What has nothing to say is left out. */
  void draw(BufferedImage on, Map<Item, String> says) {
    Map<Place, String> lines = new EnumMap<>(Place.class);
    for (Place p : Place.values()) {
      String line =
          places.entrySet().stream()
              .filter(e -> e.getValue() == p)
              .map(e -> says.getOrDefault(e.getKey(), ""))
              .filter(t -> !t.isEmpty())
              .collect(Collectors.joining("  ·  "));
      if (!line.isEmpty()) lines.put(p, line);
    }
    Graphics2D pen = on.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    for (boolean top : new boolean[] {true, false}) row(pen, on, top, lines);
    pen.dispose();
  }

  private static void row(Graphics2D pen, BufferedImage on, boolean top, Map<Place, String> lines) {
    List<Place> here = lines.keySet().stream().filter(p -> p.top == top).toList();
    if (here.isEmpty()) return;
    double w = on.getWidth(), h = on.getHeight(), bar = Math.max(h * BAR, LEAST_PX * 1.6);
    double edge = h * EDGE, letters = Math.max(LEAST_PX, h * LETTERS), y = top ? 0 : h - bar;
    double wide = 0;
    for (Place p : here) wide += WrittenLine.of(lines.get(p), letters).width() + 2 * edge;
    letters *= Math.min(1, w / wide); // smaller where they would meet
    pen.setColor(BEHIND);
    pen.fill(new Rectangle2D.Double(0, y, w, bar));
    pen.setColor(PAPER);
    for (Place p : here) {
      WrittenLine.Line line = WrittenLine.of(lines.get(p), letters);
      double x = edge + (w - 2 * edge - line.width()) * p.across;
      AffineTransform was = pen.getTransform();
      pen.translate(x, y + bar / 2 + letters * 0.36);
      pen.fill(line.outline());
      pen.setTransform(was);
    }
  }
}
