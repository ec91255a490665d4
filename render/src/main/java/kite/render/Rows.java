package kite.render;

/**
 * Rows of a picture, counted from the top.
 *
 * @param end the first that is not among them
 */
public record Rows(int first, int end) {
  /** One of so many parts of a picture, which are as equal as can be. */
  public static Rows part(int height, int number, int parts) {
    return new Rows(
        (int) ((long) height * number / parts), (int) ((long) height * (number + 1) / parts));
  }

  public int count() {
    return end - first;
  }

  /** With one more above and below, where the picture has one. */
  Rows withNeighbours(int height) {
    return new Rows(Math.max(0, first - 1), Math.min(height, end + 1));
  }
}
