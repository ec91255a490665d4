package kite.core.frame;

import java.util.List;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.model.Models;

/** Clips that cut nothing off. */
public final class Clips {
  /** Room left before the nearest and behind the farthest thing. */
  private static final double MARGIN = 0.1;

  /** Nearer than this nothing is looked at, and the view's depth would lose its grain. */
  private static final double NEAREST_M = 0.01;

  private Clips() {}

  /** The commands that set both clips so that nothing in frame is cut off over these frames. */
  public static List<Command> nothingCutOff(
      Sequence s, Models models, Camera camera, int first, int last) {
    Plan plan = new Plan(s, models);
    double near = Double.POSITIVE_INFINITY, far = 0;
    for (int f = first; f <= last; f++) {
      plan.evaluate(f);
      Eye eye = Eye.of(plan, camera.id());
      for (Piece p : s.all(Piece.class)) {
        if (!s.isShown(p)) continue;
        Extent e = Extent.of(plan, eye, p.id());
        if (e == null || !e.inFrame()) continue;
        near = Math.min(near, e.nearM());
        far = Math.max(far, e.farM());
      }
    }
    if (far == 0) return List.of();
    near = Math.max(NEAREST_M, near * (1 - MARGIN));
    far = Math.max(near * 2, far * (1 + MARGIN));
    return List.of(
        new SetChannel(camera.id(), "nearClip", Channel.fixed(tidy(near))),
        new SetChannel(camera.id(), "farClip", Channel.fixed(tidy(far))));
  }

  /** Three figures are enough for a clip. */
  private static double tidy(double m) {
    double scale = Math.pow(10, 2 - Math.floor(Math.log10(m)));
    return Math.round(m * scale) / scale;
  }
}
