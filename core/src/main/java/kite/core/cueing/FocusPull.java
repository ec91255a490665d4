package kite.core.cueing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Camera;
import kite.core.document.Focus;
import kite.core.rig.Cued;

/** Focus that follows a subject, and rack focus from one to the next. */
public final class FocusPull {
  private FocusPull() {}

  /** Focus follows one subject alone, from a frame on and before it. */
  public static List<Command> follow(Camera c, String subject, double frame) {
    return List.of(
        new RigCommand.SetFocus(
            c.id(),
            new Focus(
                Members.with(List.of(), subject), List.of(Members.whole(frame, 0, subject)))));
  }

  /** Focus is pulled from wherever it is to a subject, from a frame on; other cues stay. */
  public static List<Command> pull(Camera c, String subject, double frame, double travel) {
    Cued now = Members.of(c, Focus.ID);
    List<Cue> was = now.cues();
    // where nothing is followed yet it comes from the distance set by hand
    if (was.isEmpty()) was = List.of(new Cue(frame - 1, 0, Ease.SLOW_BOTH, Map.of()));
    List<Cue> cues = new ArrayList<>();
    for (Cue k : was) if (k.frame() < frame) cues.add(k);
    cues.addAll(Turning.comingFrom(was, Members.whole(frame, travel, subject)));
    for (Cue k : was) if (k.frame() > frame) cues.add(k);
    return List.of(
        new RigCommand.SetFocus(c.id(), new Focus(Members.with(now.subjects(), subject), cues)));
  }

  /**
   * Focus is on the first subject up to a frame, and is pulled to the second from there. Cues
   * before it stay; those from it on are made anew by it.
   *
   * @param travel frames the pull takes
   */
  public static List<Command> rack(
      Camera c, String first, String second, double frame, double travel) {
    Cued now = Members.of(c, Focus.ID);
    List<Cue> cues = new ArrayList<>();
    for (Cue k : now.cues()) if (k.frame() < frame - 1) cues.add(k);
    cues.add(Members.whole(frame - 1, 0, first));
    cues.add(Members.whole(frame, travel, second));
    return List.of(
        new RigCommand.SetFocus(
            c.id(), new Focus(Members.with(now.subjects(), first, second), cues)));
  }
}
