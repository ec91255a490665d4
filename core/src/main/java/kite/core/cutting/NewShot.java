package kite.core.cutting;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.ShotCommand;
import kite.core.cut.Programme;
import kite.core.document.Board;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.naming.ShotCodes;

/** A new shot at a frame of the programme. */
public final class NewShot {
  private NewShot() {}

  /** What becomes of what is there. */
  public enum How {
    /** It comes later; a shot that is there is parted. */
    INSERT,
    /** It is covered. */
    OVERWRITE,
    /** It stays: the new one comes behind all. */
    APPEND
  }

  /**
   * The commands that put shots behind all others, each with a board and no camera yet. They show
   * the action that follows, for the camera that comes.
   *
   * @param pictures image assets, by their SHA-256
   * @param ids of the shots
   */
  public static List<Command> boards(
      Sequence s, List<String> pictures, List<String> ids, int frames) {
    List<Command> all = new ArrayList<>();
    Sequence now = s;
    for (int i = 0; i < pictures.size(); i++) {
      Programme p = Programme.of(now);
      int count = p.placed().size();
      double first =
          count == 0
              ? s.header().firstFrame()
              : Math.rint(p.placed().get(count - 1).sceneLast()) + 1;
      Shot shot =
          Shot.of(ids.get(i), ShotCodes.next(now, count), null, first, frames)
              .withBoard(new Board(pictures.get(i), false));
      Command insert = new ShotCommand.InsertShot(shot, null);
      now = Edit.apply(now, List.of(insert));
      all.add(insert);
    }
    return all;
  }

  /**
   * The commands. A frame outside the programme puts it behind all.
   *
   * @param camera null for a gap
   * @param first the frame of the scene it begins with
   * @param restId for what is left of a shot behind it
   */
  public static List<Command> at(
      Sequence s,
      double frame,
      How how,
      String camera,
      double first,
      int frames,
      String id,
      String restId) {
    Programme p = Programme.of(s);
    int i = how == How.APPEND ? -1 : p.indexAt(frame);
    int index = i < 0 ? p.placed().size() : i;
    int into = i < 0 ? 0 : (int) Math.floor(frame) - p.placed().get(i).first();
    if (into > 0) index++;
    Shot shot = Shot.of(id, ShotCodes.next(s, index), camera, first, frames);
    if (i < 0) return List.of(new ShotCommand.InsertShot(shot, null));
    String there = p.placed().get(i).id();
    if (how == How.INSERT && into == 0) return List.of(new ShotCommand.InsertShot(shot, there));
    // the rest has a code behind that of what is put before it
    String next = index < p.placed().size() ? p.placed().get(index).id() : null;
    List<Command> inserted = new ArrayList<>();
    inserted.add(new ShotCommand.InsertShot(shot, next));
    String restCode = ShotCodes.next(Edit.apply(s, inserted), index + 1);
    if (how == How.OVERWRITE)
      return List.of(new ShotCommand.OverwriteShot(shot, there, into, restId, restCode));
    inserted.add(new ShotCommand.SplitShot(there, into, restId, restCode));
    inserted.add(new ShotCommand.MoveShots(List.of(id), restId));
    return inserted;
  }
}
