package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.command.Cueing;
import kite.core.cue.CueTrack;
import kite.core.cueing.FocusPull;
import kite.core.cueing.Members;
import kite.core.cueing.Turning;
import kite.core.document.Entity;
import kite.core.motion.CueMotion;
import kite.core.rig.Cued;
import org.teavm.jso.typedarrays.Float64Array;

/** Cues of attention, framings and focus: their shares, and proposals to change them. */
@Answers
final class CueAnswers {
  private CueAnswers() {}

  /** Shares of a part's subjects, or of "focus"; one row of all subjects per step. */
  public static void shares(
      String camera, String part, double first, double step, Float64Array out) {
    Cued cued = Cueing.of(Opened.thing(camera), part);
    if (cued == null) return;
    CueTrack track = cued.track();
    double[] row = new double[track.subjects()];
    int rows = row.length == 0 ? 0 : out.getLength() / row.length;
    for (int i = 0; i < rows; i++) {
      track.shares(first + i * step, row);
      out.set(row, i * row.length);
    }
  }

  /** How many frames the cues of a part take, or those of "focus". */
  public static double cueLength(String camera, String part) {
    Cued cued = Cueing.of(Opened.thing(camera), part);
    return cued == null ? 0 : CueMotion.length(cued.cues());
  }

  /** What is done to all cues of a part at once. */
  enum CueEdit {
    /** The amount is the frames they shall take. */
    FIT_TO,
    /** The amount is a factor, about a frame. */
    STRETCH,
    /** The amount is how often. */
    REPEAT
  }

  /** The commands of an edit of all cues of a part, or of "focus". */
  public static List<Command> cueMotion(
      String camera, String part, CueEdit edit, double amount, double about) {
    Entity c = Opened.thing(camera);
    return switch (edit) {
      case FIT_TO -> CueMotion.fitTo(c, part, amount);
      case STRETCH -> CueMotion.stretch(c, part, about, amount);
      case REPEAT -> CueMotion.repeat(c, part, (int) Math.rint(amount));
    };
  }

  /** The commands that take one more in among whom cues share, or into those focus follows. */
  public static List<Command> takeMember(String owner, String part, String member) {
    return Members.take(Opened.thing(owner), part, member, Opened.shown().header().firstFrame());
  }

  /** The commands that let one of them go. */
  public static List<Command> letMemberGo(String owner, String part, String member) {
    return Members.letGo(Opened.thing(owner), part, member);
  }

  /**
   * The commands that turn cues to a member from a frame on.
   *
   * @param member "" to let go
   * @param travel frames it takes; below 0 for the usual
   */
  public static List<Command> turnCuesTo(
      String owner, String part, String member, double frame, double travel) {
    double over = travel < 0 ? Turning.TURN_FRAMES : travel;
    return Turning.to(Opened.thing(owner), part, member.isEmpty() ? null : member, frame, over);
  }

  /**
   * The commands that hold the mix of a frame from there on; none where there is nothing to hold.
   */
  public static List<Command> holdMix(String owner, String part, double frame, boolean atOnce) {
    return Turning.hold(Opened.thing(owner), part, frame, atOnce);
  }

  /** The commands that have focus follow one subject alone. */
  public static List<Command> followFocus(String camera, String subject, double frame) {
    return FocusPull.follow(Opened.camera(camera), subject, frame);
  }

  /** The commands that pull focus from wherever it is to a subject, from a frame on. */
  public static List<Command> pullFocus(
      String camera, String subject, double frame, double travel) {
    return FocusPull.pull(Opened.camera(camera), subject, frame, travel);
  }

  /** The commands that pull focus from one subject to another, from a frame on. */
  public static List<Command> rackFocus(
      String camera, String first, String second, double frame, double travel) {
    return FocusPull.rack(Opened.camera(camera), first, second, frame, travel);
  }
}
