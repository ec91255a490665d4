package kite.e2e;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;

/** Comparing pictures by what is in them. */
final class Pictures {
  private Pictures() {}

  static BufferedImage scaled(BufferedImage a, int w, int h) {
    BufferedImage b = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = b.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(a, 0, 0, w, h, null);
    return b;
  }

  static BufferedImage shifted(BufferedImage a, int dx, int dy) {
    BufferedImage b = new BufferedImage(a.getWidth(), a.getHeight(), BufferedImage.TYPE_INT_RGB);
    b.createGraphics().drawImage(a, dx, dy, null);
    return b;
  }

  private static double grey(BufferedImage a, int x, int y) {
    int p = a.getRGB(x, y);
    return (p >> 16 & 255) + (p >> 8 & 255) + (p & 255);
  }

  /** Correlation of the two pictures' edge strengths, 1 when edges lie in the same places. */
  static double edgeCorrelation(BufferedImage a, BufferedImage b) {
    int n = 0;
    double sa = 0, sb = 0, saa = 0, sbb = 0, sab = 0;
    for (int y = 1; y < a.getHeight(); y++) {
      for (int x = 1; x < a.getWidth(); x++) {
        double ea =
            Math.abs(grey(a, x, y) - grey(a, x - 1, y))
                + Math.abs(grey(a, x, y) - grey(a, x, y - 1));
        double eb =
            Math.abs(grey(b, x, y) - grey(b, x - 1, y))
                + Math.abs(grey(b, x, y) - grey(b, x, y - 1));
        n++;
        sa += ea;
        sb += eb;
        saa += ea * ea;
        sbb += eb * eb;
        sab += ea * eb;
      }
    }
    return (sab - sa * sb / n) / Math.sqrt((saa - sa * sa / n) * (sbb - sb * sb / n));
  }

  /** The middle of the pixels near a place that are brighter than a threshold: {x, y, count}. */
  static double[] brightMiddle(BufferedImage a, double cx, double cy, int reach, int threshold) {
    double x = 0, y = 0, n = 0;
    for (int j = (int) cy - reach; j <= cy + reach; j++) {
      for (int i = (int) cx - reach; i <= cx + reach; i++) {
        if (i < 0
            || j < 0
            || i >= a.getWidth()
            || j >= a.getHeight()
            || (a.getRGB(i, j) >> 16 & 255) < threshold) continue;
        x += i + 0.5;
        y += j + 0.5;
        n++;
      }
    }
    return new double[] {x / n, y / n, n};
  }
}
