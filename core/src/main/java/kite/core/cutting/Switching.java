package kite.core.cutting;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.ShotCommand;
import kite.core.cut.Programme;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.naming.ShotCodes;
import kite.core.rules.Refusal;

/** Cutting to cameras: from a frame on, to the end of the shot there, another is live. */
public final class Switching {
  private Switching() {}

  /**
   * A camera's letter, pressed.
   *
   * @param frame of the programme
   * @param newId for the shot that may come of it
   */
  public record Press(double frame, String camera, String newId) {}

  /**
   * The commands that make an ordinary cut of what was pressed while the programme played. A press
   * on the camera that is live anyway does nothing; of two on one frame the later one counts.
   *
   * @throws Refusal when there is no programme to cut
   */
  public static List<Command> all(Sequence s, List<Press> presses) {
    List<Command> all = new ArrayList<>();
    Sequence now = s;
    for (Press p : presses) {
      List<Command> one = at(now, p);
      now = Edit.apply(now, one);
      all.addAll(one);
    }
    return all;
  }

  private static List<Command> at(Sequence s, Press press) {
    Programme p = Programme.of(s);
    int i = p.indexAt(press.frame());
    if (i < 0)
      throw new Refusal(
          "range",
          "",
          "frame",
          "The programme has no such frame. Put a shot there first, then cut it.");
    Programme.Placed at = p.placed().get(i);
    int into = (int) Math.floor(press.frame()) - at.first();
    if (press.camera().equals(at.camera())) return List.of();
    if (into == 0) return List.of(new ShotCommand.SwapCamera(at.id(), press.camera()));
    return List.of(
        new ShotCommand.SplitShot(at.id(), into, press.newId(), ShotCodes.next(s, i + 1)),
        new ShotCommand.SwapCamera(press.newId(), press.camera()));
  }

  /**
   * The commands that make a camera live from a frame of the scene on, where that is seen in the
   * programme; else a shot of the action from there to where the next shot begins, or to the
   * sequence's end.
   *
   * @param frame of the scene
   * @param id of the shot that is looked at, null for none: of several that show the frame it is
   *     cut
   */
  public static List<Command> here(
      Sequence s, double frame, String id, String camera, String newId) {
    Programme p = Programme.of(s);
    List<Programme.Seen> seen = p.showing(frame);
    if (!seen.isEmpty()) {
      Programme.Seen in = seen.get(0);
      for (Programme.Seen x : seen) if (x.id().equals(id)) in = x;
      return at(s, new Press(Math.rint(in.frame()), camera, newId));
    }
    int next = 0;
    while (next < p.placed().size() && p.placed().get(next).sceneFirst() <= frame) next++;
    boolean last = next == p.placed().size();
    double end = last ? s.header().lastFrame() + 1 : p.placed().get(next).sceneFirst();
    int frames = Math.max(1, (int) Math.round(end - frame));
    Shot shot = Shot.of(newId, ShotCodes.next(s, next), camera, frame, frames);
    return List.of(new ShotCommand.InsertShot(shot, last ? null : p.placed().get(next).id()));
  }
}
