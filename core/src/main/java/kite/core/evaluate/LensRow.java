package kite.core.evaluate;

/** What the numbers of one camera in {@link Plan#lens()} and in a bake's rows are, in order. */
public final class LensRow {
  /** Focal length, mm. */
  public static final int FOCAL = 0;

  public static final int F_STOP = 1;

  /** Focus distance along the optical axis, metres. */
  public static final int FOCUS = 2;

  /** Near clip, metres. */
  public static final int NEAR = 3;

  /** Far clip, metres. */
  public static final int FAR = 4;

  /** Shutter, degrees. */
  public static final int SHUTTER = 5;

  /** Lens shift across and up, mm on the film back. */
  public static final int SHIFT_X = 6, SHIFT_Y = 7;

  /** Edges of the delivered window a metre ahead, in metres from the axis. */
  public static final int LEFT = 8, RIGHT = 9, BOTTOM = 10, TOP = 11;

  /** Numbers in a row. */
  public static final int SIZE = 12;

  private LensRow() {}
}
