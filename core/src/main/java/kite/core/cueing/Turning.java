package kite.core.cueing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Entity;
import kite.core.rig.Cued;

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
    Map<String, Double> mix = member == null ? Map.of() : Map.of(member, 1.0);
    Cue cue = new Cue(frame, travel, Ease.SLOW_BOTH, mix);
    List<Command> all = new ArrayList<>();
    for (Cue k : comingFrom(Members.of(owner, part).cues(), cue))
      all.add(new RigCommand.PutCue(owner.id(), part, k));
    return all;
  }

  /**
   * A cue with what it comes from. Before the first cue a track holds what that one holds: where a
   * new one would be the first, and holds something else, another stands a frame before it and
   * holds what was.
   *
   * @param cues those there are, in rising order of frame
   */
  static List<Cue> comingFrom(List<Cue> cues, Cue next) {
    if (cues.isEmpty() || cues.get(0).frame() < next.frame()) return List.of(next);
    Cue first = cues.get(0);
    if (first.mix().equals(next.mix())) return List.of(next);
    return List.of(new Cue(next.frame() - 1, 0, Ease.SLOW_BOTH, first.mix()), next);
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
