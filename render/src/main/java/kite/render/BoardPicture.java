package kite.render;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/** An image that stands for a shot, all of it in a frame, with black beside it. */
public final class BoardPicture {
  private BoardPicture() {}

  /**
   * The picture alone.
   *
   * @param image null for one that is not to be had: black
   */
  public static Picture of(BufferedImage image, int width, int height) {
    BufferedImage frame = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = frame.createGraphics();
    g.setColor(Color.BLACK);
    g.fillRect(0, 0, width, height);
    if (image != null) {
      double scale =
          Math.min((double) width / image.getWidth(), (double) height / image.getHeight());
      int w = (int) Math.max(1, Math.round(image.getWidth() * scale));
      int h = (int) Math.max(1, Math.round(image.getHeight() * scale));
      g.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
      g.drawImage(image, (width - w) / 2, (height - h) / 2, w, h, null);
    }
    g.dispose();
    int[] argb = frame.getRGB(0, 0, width, height, null, 0, width);
    return new Picture(width, height, argb);
  }

  /**
   * The picture with the layers that shots have: as linear light that covers everything, and
   * nothing in the other passes.
   *
   * @param nothing a gap of that size with those layers
   */
  public static Rendered in(Rendered nothing, BufferedImage image) {
    Picture p = of(image, nothing.picture().width(), nothing.picture().height());
    List<Layer> layers = new ArrayList<>(nothing.layers());
    layers.set(0, light(layers.get(0), p));
    return new Rendered(p, layers, nothing.mattes(), nothing.without());
  }

  private static Layer light(Layer like, Picture p) {
    float[][] planes = new float[like.planes().length][p.argb().length];
    for (int i = 0; i < p.argb().length; i++) {
      int c = p.argb()[i];
      planes[0][i] = (float) ViewTransform.linear((c >> 16 & 255) / 255.0);
      planes[1][i] = (float) ViewTransform.linear((c >> 8 & 255) / 255.0);
      planes[2][i] = (float) ViewTransform.linear((c & 255) / 255.0);
      if (planes.length > 3) planes[3][i] = 1;
    }
    return new Layer(like.name(), like.channels(), planes);
  }
}
