package kite.core.frame;

import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.model.Models;
import kite.core.rig.RigPart;

/** A camera's stack as far as one of its parts. */
final class StackUpTo {
  private StackUpTo() {}

  /** The transform above a part at a frame, as if nothing stood on it; 16 numbers. */
  static double[] above(Sequence s, Models models, Camera c, RigPart part, double frame) {
    return world(s, models, c, c.rig().indexOf(part) + 1, frame);
  }

  /** The transform a part stands on. */
  static double[] below(Sequence s, Models models, Camera c, RigPart part, double frame) {
    return world(s, models, c, c.rig().indexOf(part), frame);
  }

  private static double[] world(Sequence s, Models models, Camera c, int parts, double frame) {
    Plan p = new Plan(s.with(c.with(c.rig().subList(0, parts))), models);
    p.evaluate(frame);
    return Eye.of(p, c.id()).world();
  }
}
