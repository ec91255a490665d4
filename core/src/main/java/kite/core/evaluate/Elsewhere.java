package kite.core.evaluate;

/**
 * What a step stands on at other frames than the one being evaluated. A rule that needs the motion
 * around a frame asks here, so that its answer never depends on how one came to that frame.
 */
public interface Elsewhere {
  /** The node whose step asks. */
  Node owner();

  /** What the owner sees; {@link #standing} changes it to that of its frame. */
  Sight sight();

  /** Writes the transform below the step at a frame; all that the owner leans on is there. */
  void standing(double frame, Plan plan, double[] out);

  /** Brings the owner's lens back to a frame, after all it leans on was brought back. */
  void lens(double frame, Plan plan);

  /** Whether the owner's lens follows from where it is aimed. */
  boolean solvesLens();
}
