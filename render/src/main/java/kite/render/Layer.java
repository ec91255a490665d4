package kite.render;

import java.util.Arrays;
import java.util.List;

/**
 * One pass of a rendered picture.
 *
 * @param name in files; "" for the picture itself
 * @param channels their names, one letter each
 * @param planes a number for each pixel, by rows from the top, of each channel
 */
public record Layer(String name, List<String> channels, float[][] planes) {
  Layer pixels(int from, int to) {
    float[][] some = new float[planes.length][];
    for (int c = 0; c < some.length; c++) some[c] = Arrays.copyOfRange(planes[c], from, to);
    return new Layer(name, channels, some);
  }

  /** As for pixels whose rays met nothing. */
  Layer nothing(int pixels) {
    Layer none = empty(pixels);
    if (Pass.DEPTH.key.equals(name) || Pass.DEPTH_SMOOTH.key.equals(name))
      Arrays.fill(none.planes[0], Gathered.ENDLESS_M);
    return none;
  }

  Layer empty(int pixels) {
    return new Layer(name, channels, new float[planes.length][pixels]);
  }

  void copyTo(Layer whole, int at) {
    for (int c = 0; c < planes.length; c++)
      System.arraycopy(planes[c], 0, whole.planes[c], at, planes[c].length);
  }
}
