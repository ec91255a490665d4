package kite.core.evaluate;

import kite.core.rig.RigPart;

/**
 * A rig part's step with all it was compiled from, the part itself first. While those are the same
 * things, a camera that changed elsewhere keeps it, and what it has worked out so far.
 */
record PartStep(Step step, Object... madeFrom) {
  boolean isOf(RigPart part) {
    return madeFrom[0] == part;
  }
}
