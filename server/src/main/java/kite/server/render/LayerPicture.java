package kite.server.render;

import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Map;
import kite.exchange.picture.ExrReader;
import kite.render.ViewTransform;

/**
 * A layer of a frame as it is looked at: light by the view transform; metres from white, near, to
 * black, far; directions and ways about a middle grey.
 */
final class LayerPicture {
  /** Pixels that a motion goes to either side of grey. */
  private static final double MOTION_PX = 32;

  private static final int BYTE = 255;

  private LayerPicture() {}

  static String inLayer(String channel) {
    return channel.substring(channel.lastIndexOf('.') + 1);
  }

  static BufferedImage of(ExrReader.Exr exr, String name, double stops) {
    Map<String, float[]> all = exr.channels();
    String before = name.isEmpty() ? "" : name + ".";
    float[] r = all.get(before + "R"), g = all.get(before + "G"), b = all.get(before + "B");
    if (r != null && g != null && b != null) return light(exr, List.of(r, g, b), stops);
    if (all.size() == 1) return grey(exr, all.values().iterator().next(), name);
    float[] x = all.get(before + "X"), y = all.get(before + "Y"), z = all.get(before + "Z");
    if (x == null || y == null) return grey(exr, all.values().iterator().next(), name);
    double half = name.equals("motion") ? MOTION_PX : name.startsWith("position") ? 0 : 1;
    return directions(exr, x, y, z, half);
  }

  private static BufferedImage light(ExrReader.Exr exr, List<float[]> rgb, double stops) {
    double factor = Math.pow(2, stops);
    BufferedImage image = empty(exr);
    for (int i = 0; i < exr.width() * exr.height(); i++) {
      double[] seen = new double[rgb.size()];
      for (int c = 0; c < seen.length; c++) seen[c] = ViewTransform.of(rgb.get(c)[i] * factor);
      set(image, exr, i, seen[0], seen[1], seen[2]);
    }
    return image;
  }

  /** Metres are told by their logarithms, shares as they are. */
  private static BufferedImage grey(ExrReader.Exr exr, float[] v, String name) {
    boolean metres = name.startsWith("depth");
    double least = Double.POSITIVE_INFINITY, most = 0;
    for (float x : v)
      if (Float.isFinite(x) && x > 0) {
        least = Math.min(least, x);
        most = Math.max(most, x);
      }
    double span = Math.log(most / least);
    BufferedImage image = empty(exr);
    for (int i = 0; i < v.length; i++) {
      double shown = v[i];
      if (metres)
        shown =
            Float.isFinite(v[i]) && v[i] > 0 && span > 0 ? 1 - Math.log(v[i] / least) / span : 0;
      set(image, exr, i, shown, shown, shown);
    }
    return image;
  }

  /** Half of 0 is for places: each metre is seen as one of many. */
  private static BufferedImage directions(
      ExrReader.Exr exr, float[] x, float[] y, float[] z, double half) {
    BufferedImage image = empty(exr);
    for (int i = 0; i < x.length; i++)
      set(image, exr, i, about(x[i], half), about(y[i], half), z == null ? 0.5 : about(z[i], half));
    return image;
  }

  private static double about(double v, double half) {
    return half == 0 ? v - Math.floor(v) : 0.5 + v / half / 2;
  }

  private static BufferedImage empty(ExrReader.Exr exr) {
    return new BufferedImage(exr.width(), exr.height(), BufferedImage.TYPE_INT_RGB);
  }

  private static void set(
      BufferedImage to, ExrReader.Exr exr, int i, double r, double g, double b) {
    to.setRGB(i % exr.width(), i / exr.width(), whole(r) << 16 | whole(g) << 8 | whole(b));
  }

  private static int whole(double share) {
    return (int) Math.max(0, Math.min(BYTE, Math.round(share * BYTE)));
  }
}
