package kite.core.motion;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.Cueing;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.document.Entity;
import kite.core.rig.Cued;
import kite.core.rules.Refusal;

/** Edits of a whole track of cues in time, as keys have them: takes so long, stretch, repeat. */
public final class CueMotion {
  private static final double LONGEST = 1e6;

  /** More cues than any track is cued by hand with. */
  private static final int MOST_CUES = 2000;

  private CueMotion() {}

  /** The frames from the first cue to the end of the last travel. */
  public static double length(List<Cue> cues) {
    if (cues.isEmpty()) return 0;
    Cue last = cues.get(cues.size() - 1);
    return last.frame() + last.travel() - cues.get(0).frame();
  }

  /** All of it takes so many frames from its first cue on. */
  public static List<Command> fitTo(Entity c, String part, double frames) {
    List<Cue> cues = cuesOf(c, part);
    double now = length(cues);
    if (!(now > 0))
      throw new Refusal(
          "range", c.id(), part, "These cues take no time yet. Add a second, or a travel.");
    return stretch(c, part, cues.get(0).frame(), frames / now);
  }

  /** Frames and travels so many times as long, about a frame that stays. */
  public static List<Command> stretch(Entity c, String part, double about, double factor) {
    if (!(factor > 0 && factor < LONGEST))
      throw new Refusal("range", c.id(), part, "That takes a number above 0; type one, e.g. 1.5.");
    List<Cue> next = new ArrayList<>();
    for (Cue q : cuesOf(c, part))
      next.add(
          new Cue(about + (q.frame() - about) * factor, q.travel() * factor, q.ease(), q.mix()));
    return put(c, part, next);
  }

  /**
   * The cues again, so many times more, one round after the other. Each round turns to its first
   * mix as long as the round before took to its last, so that nothing jumps.
   */
  public static List<Command> repeat(Entity c, String part, int times) {
    List<Cue> cues = cuesOf(c, part);
    if (times < 1 || cues.size() * (times + 1L) > MOST_CUES)
      throw new Refusal(
          "range",
          c.id(),
          part,
          "Repeat once or more, up to " + MOST_CUES + " cues in all; type a whole number.");
    if (cues.size() < 2)
      throw new Refusal("range", c.id(), part, "One cue has nothing to repeat. Add a second.");
    Cue first = cues.get(0), last = cues.get(cues.size() - 1);
    boolean closes = first.mix().equals(last.mix());
    // a round that ends where it began goes straight on; another turns back first
    double period = closes ? last.frame() - first.frame() : length(cues);
    List<Cue> next = new ArrayList<>(cues);
    for (int n = 1; n <= times; n++)
      for (Cue q : cues) {
        if (q == first && closes) continue;
        double travel = q == first ? Math.max(first.travel(), last.travel()) : q.travel();
        double shift = n * (period + (closes ? 0 : turningBack(first, last)));
        double frame = q.frame() + shift - (q == first ? turningBack(first, last) : 0);
        next.add(new Cue(frame, travel, q.ease(), q.mix()));
      }
    return put(c, part, next);
  }

  /** How much longer than its first cue's own travel a round takes to turn back to that. */
  private static double turningBack(Cue first, Cue last) {
    return Math.max(first.travel(), last.travel()) - first.travel();
  }

  private static List<Cue> cuesOf(Entity c, String part) {
    Cued cued = Cueing.of(c, part);
    if (cued == null)
      throw new Refusal("missing", c.id(), part, "“" + c.name() + "” has no such cues any more.");
    return cued.cues();
  }

  private static List<Command> put(Entity c, String part, List<Cue> cues) {
    return List.of(new RigCommand.SetCues(c.id(), part, cues));
  }
}
