package kite.core.cueing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Cued;
import kite.core.cue.Ease;
import kite.core.document.Entity;

/** Turning to one of those that cues share among, and holding what is. */
public final class Turning {
  /** Frames a turn takes by itself: half a second of film at 24. */
  public static final int TURN_FRAMES = 12;

  /** Frames in which a turn that is held comes to rest. */
  private static final int EASE_OUT_FRAMES = 8;

  /** Shares that differ by less from one frame to the next are at rest. */
  private static final double AT_REST = 1e-6;

  private Turning() {}

  /**
   * Turns to a member from a frame on.
   *
   * @param member null to let go: what is below takes over
   */
  public static List<Command> to(
      Entity owner, String part, String member, double frame, double travel) {
    Cued now = Members.of(owner, part);
    List<Command> all = new ArrayList<>();
    // a turn that begins where the first cue stands comes from what that cue holds, a frame earlier
    if (!now.cues().isEmpty()) {
      Cue first = now.cues().get(0);
      boolean there = member != null && Double.valueOf(1).equals(first.mix().get(member));
      if (first.frame() == frame && !there)
        all.add(
            new RigCommand.PutCue(
                owner.id(), part, new Cue(frame - 1, first.travel(), first.ease(), first.mix())));
    }
    Map<String, Double> mix = member == null ? Map.of() : Map.of(member, 1.0);
    all.add(new RigCommand.PutCue(owner.id(), part, new Cue(frame, travel, Ease.SLOW_BOTH, mix)));
    return all;
  }

  /**
   * Holds the mix of a frame from there on. In the middle of a turn it eases out to where the turn
   * would be half that time on, so that it does not stop dead.
   *
   * @param atOnce stops a turn on this very frame
   */
  public static List<Command> hold(Entity owner, String part, double frame, boolean atOnce) {
    Cued now = Members.of(owner, part);
    if (now.subjects().isEmpty()) return List.of();
    double[] here = shares(now, frame);
    boolean turns = !atOnce && moved(here, shares(now, frame + 1));
    double[] held = turns ? shares(now, frame + EASE_OUT_FRAMES / 2.0) : here;
    Map<String, Double> mix = new TreeMap<>();
    for (int i = 0; i < held.length; i++)
      if (held[i] > 0) mix.put(now.subjects().get(i).entity(), held[i]);
    Cue cue =
        turns
            ? new Cue(frame, EASE_OUT_FRAMES, Ease.SLOW_STOP, mix)
            : new Cue(frame, 0, Ease.SLOW_BOTH, mix);
    return List.of(new RigCommand.PutCue(owner.id(), part, cue));
  }

  private static double[] shares(Cued now, double frame) {
    double[] out = new double[now.subjects().size()];
    now.track().shares(frame, out);
    return out;
  }

  private static boolean moved(double[] a, double[] b) {
    for (int i = 0; i < a.length; i++) if (Math.abs(a[i] - b[i]) > AT_REST) return true;
    return false;
  }
}
