package kite.core.document;

/**
 * What a production's new sequences begin with, and the handles of its shots. Sequences that are
 * there keep their unit, grid and first frame.
 *
 * @param displayUnit m, cm, mm, ft, in or ft+in: how lengths are shown
 * @param gridM size of a grid cell in metres
 * @param handleFrames how many frames more a shot is given at each end where it is handed on
 */
public record Beginning(String displayUnit, double gridM, int firstFrame, int handleFrames) {
  /** Metres on a one-metre grid, from frame 1001, with handles of eight frames. */
  public static final Beginning USUAL = new Beginning("m", 1, 1001, 8);
}
