package kite.core.check;

import java.util.List;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.number.NumberText;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;

/** Lenses that no kit of the production has. */
final class OffKit {
  /**
   * A lens is taken in place of another by itself where the picture changes by less than this
   * share.
   */
  private static final double HARDLY = 0.02;

  private OffKit() {}

  /**
   * The focal length at a shot's middle, where no kit has it; null for none and where there are no
   * kits.
   */
  static Double focalMm(Sequence s, Plan plan, Camera c, double frame) {
    plan.evaluateOnly(c.id(), frame);
    double focal = plan.lens()[plan.slot(c.id()) * LensRow.SIZE + LensRow.FOCAL];
    List<LensKit> kits = s.header().standards().kits();
    return kits.isEmpty() || kits.stream().anyMatch(k -> k.lensFor(focal) != null) ? null : focal;
  }

  static String says(Camera c, double focalMm) {
    return "Camera "
        + c.letter()
        + " has a lens of "
        + NumberText.rounded(focalMm, 1)
        + " mm, which is in no kit.";
  }

  /**
   * The nearest focal length of a kit, where the camera's is a fixed one and hardly another; else
   * null.
   */
  static Double nearest(Sequence s, Camera c) {
    Channel own = s.header().channel(c, Camera.FOCAL_LENGTH);
    if (!(own instanceof Channel.Fixed f)) return null;
    Double best = null;
    for (LensKit k : s.header().standards().kits())
      for (Lens l : k.lenses()) {
        double mm = Math.max(l.shortestMm(), Math.min(l.longestMm(), f.value()));
        if (best == null || Math.abs(mm - f.value()) < Math.abs(best - f.value())) best = mm;
      }
    boolean hardly = best != null && Math.abs(best / f.value() - 1) < HARDLY && best != f.value();
    return hardly ? best : null;
  }

  static List<Command> takeNearest(Sequence s, Camera c) {
    Double mm = nearest(s, c);
    return mm == null
        ? List.of()
        : List.of(new SetChannel(c.id(), Camera.FOCAL_LENGTH.name(), Channel.fixed(mm)));
  }
}
