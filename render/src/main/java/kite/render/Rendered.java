package kite.render;

import java.util.Arrays;
import java.util.List;

/**
 * A rendered frame.
 *
 * @param picture as a screen shows it
 * @param layers the picture in linear light with what it covers (R, G, B, A), multiplied with that,
 *     and the passes that were wanted
 * @param without passes that were wanted of a light which can have no share in them, by their names
 */
public record Rendered(
    Picture picture, List<Layer> layers, List<Matte> mattes, List<String> without) {
  /**
   * A picture of another size with the same layers and nothing in them: black that covers nothing,
   * endlessly far away.
   */
  public Rendered nothing(int width, int height) {
    int pixels = width * height;
    int[] black = new int[pixels];
    Arrays.fill(black, 0xff000000);
    return new Rendered(
        new Picture(width, height, black),
        layers.stream().map(l -> l.nothing(pixels)).toList(),
        mattes.stream().map(m -> m.nothing(pixels)).toList(),
        without);
  }

  /** Some of its rows. */
  public Rendered rows(Rows rows) {
    int w = picture.width(), from = rows.first() * w, to = rows.end() * w;
    return new Rendered(
        new Picture(w, rows.count(), Arrays.copyOfRange(picture.argb(), from, to)),
        layers.stream().map(l -> l.pixels(from, to)).toList(),
        mattes.stream().map(m -> m.pixels(from, to)).toList(),
        without);
  }

  /**
   * Parts below each other as one picture.
   *
   * @param parts of one frame, from the top, with the same layers and mattes
   */
  public static Rendered joined(List<Rendered> parts) {
    Rendered top = parts.get(0);
    int w = top.picture.width(), h = parts.stream().mapToInt(p -> p.picture.height()).sum();
    Rendered whole =
        new Rendered(
            new Picture(w, h, new int[w * h]),
            top.layers.stream().map(l -> l.empty(w * h)).toList(),
            top.mattes.stream().map(m -> m.empty(w * h)).toList(),
            top.without);
    int at = 0;
    for (Rendered part : parts) {
      int n = part.picture.argb().length;
      System.arraycopy(part.picture.argb(), 0, whole.picture.argb(), at, n);
      for (int i = 0; i < whole.layers.size(); i++)
        part.layers.get(i).copyTo(whole.layers.get(i), at);
      for (int i = 0; i < whole.mattes.size(); i++)
        part.mattes.get(i).copyTo(whole.mattes.get(i), at);
      at += n;
    }
    return whole;
  }
}
