package kite.core.evaluate;

import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;

/** How a kind of rig part is computed. */
public interface PartSteps<P extends RigPart> extends PartKind<P> {
  /** The step of a part that is on, or null where it does nothing as it stands. */
  Step newStep(P part, Compiling from);

  /** Whether a step looks at its camera as that is now, so that it is made anew with it. */
  default boolean looksAtItsCamera() {
    return false;
  }

  /** How many numbers {@link #plot} writes at a moment; 0 where there is nothing to be drawn. */
  default int plotted() {
    return 0;
  }

  /**
   * What a part that moves by itself does over some seconds, apart from the rest of the stack.
   *
   * @param out rows evenly spread over the seconds from the sequence's first frame
   */
  default void plot(Sequence s, Camera c, P part, double seconds, double[] out) {}

  /** Those of a part's kind. */
  @SuppressWarnings("unchecked")
  static PartSteps<RigPart> of(RigPart part) {
    return (PartSteps<RigPart>) PartKinds.of(part);
  }
}
