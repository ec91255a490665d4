package kite.core.evaluate;

/** One rig part ready for evaluation: takes the transform below it and yields its own, in place. */
public interface Step {
  /**
   * @param sight what the camera, or the spot, sees at the frame
   * @param m the transform below, 16 numbers; becomes the part's own
   */
  void apply(double frame, Plan plan, Sight sight, double[] m);

  /** Told once, before it is first applied, what it stands on at other frames than the plan's. */
  default void standsOn(Elsewhere below) {}

  /** Whether it changes lens values at any frame. */
  default boolean changesLens() {
    return false;
  }

  /**
   * Changes a camera's lens before its stack is walked.
   *
   * @param plan whose lens rows are changed
   * @param o where the camera's own row begins
   */
  default void lens(double frame, Plan plan, int o) {}

  /** Whether the focal length follows from where the camera stands and is aimed. */
  default boolean solvesLens() {
    return false;
  }

  /**
   * The focal length in mm that one which solves it wants, seen from a transform.
   *
   * @param own what it is without this part
   */
  default double focal(double frame, Plan plan, double[] standing, double own) {
    return own;
  }

  /**
   * Whether it lags: a lens solved above it is measured from below it, or it would chase itself.
   */
  default boolean lags() {
    return false;
  }
}
