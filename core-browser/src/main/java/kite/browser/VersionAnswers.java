package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.command.BackTo;
import kite.core.command.Command;
import kite.core.command.CopyIn;
import kite.core.command.SequenceCommand;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.rules.Change;
import org.teavm.jso.typedarrays.Float64Array;

/** Kept versions and other sequences: going back to them, looking at them, taking from them. */
@Answers
final class VersionAnswers {
  private static final Plan[] COMPARED = new Plan[2];

  private VersionAnswers() {}

  /**
   * @param commands none where nothing differs
   * @param says what they do, in sentences
   */
  record Proposed(List<Command> commands, List<String> says) {}

  /** The commands that make a change, with what it does in sentences. */
  static Proposed proposed(Change c) {
    return new Proposed(commands(c), BackTo.sentences(c));
  }

  static List<Command> commands(Change c) {
    return c.isEmpty() ? List.of() : List.of(SequenceCommand.Restore.to(c));
  }

  /** What makes the sequence again what a kept version was. */
  public static Proposed backTo(Sequence document) {
    return proposed(BackTo.version(Opened.base(), document));
  }

  /** The same for one thing alone, by its id, with what it leans on where that is gone. */
  public static Proposed backToThing(Sequence document, String id) {
    return proposed(BackTo.thing(Opened.base(), document, id));
  }

  /** What takes things of another sequence into this one, with what they lean on. */
  public static Proposed copyIn(Sequence document, List<String> ids) {
    return proposed(CopyIn.of(Opened.base(), document, ids));
  }

  /**
   * Lays a kept version beside the sequence, to look at its cameras.
   *
   * @param side 0 or 1
   */
  public static void compare(int side, Sequence document) {
    COMPARED[side] = new Plan(document, Opened::rig);
  }

  /** Takes away what was laid on a side. */
  public static void endComparing(int side) {
    COMPARED[side] = null;
  }

  /**
   * A camera of a side that is compared, at a frame; see {@link PlaceAnswers#evaluate}. A side that
   * holds no version is the sequence as shown. False where that version has no such camera.
   */
  public static boolean comparedCamera(
      int side, String camera, double frame, Float64Array world, Float64Array lens) {
    Plan p = COMPARED[side] == null ? Opened.plan() : COMPARED[side];
    if (!(p.sequence().get(camera) instanceof Camera)) return false;
    p.evaluateOnly(camera, frame);
    int slot = p.slot(camera);
    for (int i = 0; i < Matrix.SIZE; i++) world.set(i, p.world()[slot * Matrix.SIZE + i]);
    for (int i = 0; i < LensRow.SIZE; i++) lens.set(i, p.lens()[slot * LensRow.SIZE + i]);
    return true;
  }
}
