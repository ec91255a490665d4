package kite.core.document;

/**
 * What a production's new sequences begin with. Those that are there are not changed by it.
 *
 * @param displayUnit m, cm, mm, ft, in or ft+in: how lengths are shown
 * @param gridM size of a grid cell in metres
 */
public record Beginning(String displayUnit, double gridM, int firstFrame) {
  /** Metres on a one-metre grid, from frame 1001. */
  public static final Beginning USUAL = new Beginning("m", 1, 1001);
}
