package kite.render;

import java.util.Arrays;
import java.util.List;

/**
 * Which things each pixel shows, and how much of it each covers.
 *
 * @param name of the pass
 * @param names of the things
 * @param which numbers of {@code names}, {@link #RANKS} for each pixel by rows from the top, that
 *     covering most first; −1 for none
 * @param covers what each covers of its pixel, 0 to 1
 */
public record Matte(String name, List<String> names, int[] which, float[] covers) {
  /** Things that a pixel tells apart: more than so many meet in few of them. */
  public static final int RANKS = 6;

  Matte pixels(int from, int to) {
    return new Matte(
        name,
        names,
        Arrays.copyOfRange(which, from * RANKS, to * RANKS),
        Arrays.copyOfRange(covers, from * RANKS, to * RANKS));
  }

  /** As for pixels whose rays met nothing. */
  Matte nothing(int pixels) {
    Matte none = empty(pixels);
    Arrays.fill(none.which, -1);
    return none;
  }

  Matte empty(int pixels) {
    return new Matte(name, names, new int[pixels * RANKS], new float[pixels * RANKS]);
  }

  void copyTo(Matte whole, int at) {
    System.arraycopy(which, 0, whole.which, at * RANKS, which.length);
    System.arraycopy(covers, 0, whole.covers, at * RANKS, covers.length);
  }
}
