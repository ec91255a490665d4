package kite.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;

/** Draws the board of SW030: run it after changing it, the image is kept beside the plate. */
final class BoardMaker {
  private static final int WIDTH = 640, HEIGHT = 360;

  private BoardMaker() {}

  public static void main(String[] args) throws IOException {
    BufferedImage i = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = i.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setColor(new Color(0xe9e4d6));
    g.fillRect(0, 0, WIDTH, HEIGHT);
    pencil(g, 2);
    g.drawLine(0, 250, WIDTH, 246);
    for (int y = 262; y < HEIGHT; y += 22) // the sea
    for (int x = y % 44; x < WIDTH; x += 90) g.drawArc(x, y, 46, 10, 20, 140);
    pencil(g, 5);
    lighthouse(g);
    kite(g);
    pencil(g, 4); // the line, let go
    Path2D line = new Path2D.Double();
    line.moveTo(250, 150);
    line.curveTo(230, 210, 300, 215, 282, 262);
    g.draw(line);
    g.dispose();
    Path to = Path.of("src/main/resources/boards/over_the_light.png");
    Files.createDirectories(to.getParent());
    ImageIO.write(i, "png", to.toFile());
  }

  private static void pencil(Graphics2D g, float width) {
    g.setColor(new Color(0x3b4252));
    g.setStroke(new BasicStroke(width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
  }

  private static void lighthouse(Graphics2D g) {
    int[] x = {470, 482, 548, 560}, y = {300, 120, 120, 300};
    g.drawPolygon(x, y, 4);
    g.drawRect(486, 84, 58, 36);
    g.drawPolyline(new int[] {478, 515, 552}, new int[] {84, 50, 84}, 3);
    for (int band = 0; band < 3; band++)
      g.drawLine(480 - band * 3, 160 + band * 50, 550 + band * 3, 160 + band * 50);
    g.drawArc(420, 288, 190, 44, 10, 160);
  }

  private static void kite(Graphics2D g) {
    int[] x = {250, 318, 250, 182}, y = {40, 100, 176, 100};
    g.setColor(new Color(0xd9a441));
    g.fillPolygon(x, y, 4);
    pencil(g, 5);
    g.drawPolygon(x, y, 4);
    g.drawLine(250, 40, 250, 176);
    g.drawLine(182, 100, 318, 100);
  }
}
