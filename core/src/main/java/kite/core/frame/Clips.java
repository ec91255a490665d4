package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Powers;
import kite.core.model.Models;

/** Clips that cut nothing off. */
public final class Clips {
  /** Room left before the nearest and behind the farthest thing. */
  private static final double MARGIN = 0.1;

  /** Nearer than this nothing is looked at, and the view's depth would lose its grain. */
  private static final double NEAREST_M = 0.01;

  private Clips() {}

  /**
   * The commands that move the clips so that nothing in frame is cut off over these frames. A clip
   * that cuts nothing stays as it is, keys and all: the near clip only ever comes nearer, the far
   * clip only goes farther.
   */
  public static List<Command> nothingCutOff(
      Sequence s, Models models, Camera camera, int first, int last) {
    Plan plan = new Plan(s, models);
    double near = Double.POSITIVE_INFINITY, far = 0;
    boolean nearCuts = false, farCuts = false;
    for (int f = first; f <= last; f++) {
      plan.evaluate(f);
      for (WhatIsSeen.Seen x : WhatIsSeen.of(s, plan, camera)) {
        near = Math.min(near, x.extent().nearM());
        far = Math.max(far, x.extent().farM());
        nearCuts |= x.cutNear();
        farCuts |= x.cutFar();
      }
    }
    List<Command> all = new ArrayList<>();
    if (nearCuts) all.add(set(camera, Camera.NEAR_CLIP, Math.max(NEAREST_M, near * (1 - MARGIN))));
    if (farCuts) all.add(set(camera, Camera.FAR_CLIP, far * (1 + MARGIN)));
    return all;
  }

  private static Command set(Camera camera, ChannelSpec clip, double m) {
    return new SetChannel(camera.id(), clip.name(), Channel.fixed(tidy(m)));
  }

  /** Three figures are enough for a clip. */
  private static double tidy(double m) {
    double scale = Powers.tenTo(2 - (int) Math.floor(Powers.log(m) / Powers.log(10)));
    return Math.round(m * scale) / scale;
  }
}
