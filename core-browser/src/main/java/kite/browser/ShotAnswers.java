package kite.browser;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import kite.bridge.Answers;
import kite.core.check.BeforeItLeaves;
import kite.core.command.Command;
import kite.core.cut.Programme;
import kite.core.cutting.BroughtShot;
import kite.core.cutting.CutBrought;
import kite.core.cutting.NewShot;
import kite.core.cutting.Retiming;
import kite.core.cutting.Switching;
import kite.core.document.Camera;
import kite.core.document.FileNames;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Take;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.frame.LineOfAction;
import kite.core.naming.OutputNames;
import kite.core.naming.ShotCodes;
import kite.core.report.CutNotes;
import kite.core.report.ShotFacts;
import kite.core.report.ShotRow;
import org.teavm.jso.typedarrays.Float64Array;

/** The programme and its shots. */
@Answers
final class ShotAnswers {
  private ShotAnswers() {}

  /** All shots in their places. */
  public static List<Programme.Placed> programme() {
    return Opened.programme().placed();
  }

  /**
   * A number that is another one whenever shots, their order, codes, takes or cameras are: until
   * then {@link #programmePlaces} says all that is new about them.
   */
  public static int programmeNames() {
    return Opened.programmeNames();
  }

  /**
   * The shots' places, in their order.
   *
   * @param out four numbers for each: its first and last frame in the programme, and the frames of
   *     the scene on those
   */
  public static void programmePlaces(Float64Array out) {
    int i = 0;
    for (Programme.Placed p : Opened.programme().placed()) {
      out.set(i++, p.first());
      out.set(i++, p.last());
      out.set(i++, p.sceneFirst());
      out.set(i++, p.sceneLast());
    }
  }

  /** The frame of the scene on a frame of the programme, sub-frames too; NaN outside. */
  public static double sceneAt(double frame) {
    return Opened.programme().scene(frame);
  }

  /**
   * What of the scene a take shows where a frame of the programme is in its shot.
   *
   * @param camera null for a gap
   */
  record TakeSeen(@OrNull String camera, double scene) {}

  /**
   * What a take would show on a frame of the programme, its shot being where it is now; as it ends
   * where the take is shorter. Null where there is no such take.
   */
  @OrNull
  public static TakeSeen takeAt(String shot, String take, double frame) {
    Programme.Placed place = Opened.programme().of(shot);
    Take t = place == null ? null : ((Shot) Opened.shown().get(shot)).take(take);
    if (t == null) return null;
    double after = Math.max(0, Math.min(t.frames() - 1, frame - place.first()));
    return new TakeSeen(t.camera(), t.scene(after));
  }

  /** Frames of the scene that pass in one of the programme about a frame of it; 1 outside. */
  public static double rateAt(double frame) {
    Programme p = Opened.programme();
    int i = p.indexAt(frame);
    return i < 0 ? 1 : p.scene(i, frame + 1) - p.scene(i, frame);
  }

  /** Every place of the programme where a frame of the scene is seen, in order. */
  public static List<Programme.Seen> seenAt(double scene) {
    return Opened.programme().showing(scene);
  }

  /** All shots in their order. */
  public static List<ShotRow> shotRows() {
    return ShotRow.all(Opened.shown(), Opened.programme());
  }

  /**
   * A cut that comes back from elsewhere beside the one of today, and what makes ours like it.
   *
   * @param said which of ours a shot is, where somebody said
   * @param ids for shots that are new, as many as come
   * @param keep whether ours that are not in it stay, behind all others
   */
  public static CutBrought.CutAnswer cutBrought(
      List<BroughtShot> shots, List<CutBrought.SaidWhich> said, List<String> ids, boolean keep) {
    return CutBrought.of(Opened.base(), shots, said, ids, keep);
  }

  /**
   * What can be said of a camera over some frames of the scene; the longer, the more is looked at.
   *
   * @param take that it is seen in ({@code Take.inShot}); empty for none
   */
  public static ShotFacts shotFacts(String camera, String take, int first, int last) {
    Plan plan = Opened.apart().inTake(take.isEmpty() ? null : take);
    return ShotFacts.of(Opened.shown(), plan, Opened.camera(camera), first, last);
  }

  /**
   * What an editor would point out about a shot and the cut by which it comes; each is looked at
   * alone, so that nothing waits for all of them.
   *
   * @param index of the shot in the programme, from 0
   */
  public static List<CutNotes.Note> cutNotes(int index) {
    Programme p = Opened.programme();
    return index < p.placed().size()
        ? CutNotes.of(Opened.shown(), Opened.apart(), p, index)
        : List.of();
  }

  /** What an editor would point out about the cameras, and about the sounds. */
  public static List<CutNotes.Note> otherNotes() {
    List<CutNotes.Note> all =
        new ArrayList<>(CutNotes.ofCameras(Opened.shown(), Opened.programme()));
    all.addAll(CutNotes.ofSounds(Opened.shown(), Opened.programme()));
    return all;
  }

  /**
   * The commands that mend what is pointed out about a shot before it leaves; none where nothing is
   * to be mended.
   */
  public static List<Command> mends(String about, String shot) {
    return BeforeItLeaves.mends(Opened.shown(), Opened::rig, about, shot);
  }

  /**
   * How the file of a frame of the first shot would be called by a pattern, or what is wrong with
   * it.
   *
   * @param counts scene, shot or programme
   */
  public static NamedFile fileName(String pattern, String counts, String production, String user) {
    String fault = FileNames.fault(pattern);
    if (!fault.isEmpty()) return new NamedFile("", fault);
    Programme p = Opened.programme();
    Sequence s = Opened.shown();
    Programme.Placed at = p.isEmpty() ? null : p.placed().get(0);
    Camera c = at != null && s.get(at.camera()) instanceof Camera x ? x : null;
    int first = p.firstFrame();
    int number =
        OutputNames.number(
            Words.find(counts, FileNames.Counts.values()),
            at == null ? first : at.sceneFirst(),
            first,
            first);
    OutputNames.Facts facts =
        new OutputNames.Facts(
            production,
            s.header().code(),
            at == null ? s.header().code() : at.shot(),
            at == null ? "1" : ((Shot) s.get(at.id())).take().name(),
            c == null ? "A" : c.letter(),
            OutputNames.PICTURE,
            OutputNames.ALL_LIGHTS,
            1,
            "2026-01-31",
            user);
    return new NamedFile(OutputNames.of(pattern, facts, number), "");
  }

  /**
   * A name, or a sentence that says why there is none.
   *
   * @param name without its ending
   */
  public record NamedFile(String name, String fault) {}

  /** The line of action on the shown frame; null where none was chosen. */
  @OrNull
  public static LineOfAction lineOfAction() {
    return LineOfAction.of(Opened.shown(), Opened.plan());
  }

  /** A free code for a shot that is put before the one at an index of the programme. */
  public static String shotCode(int index) {
    return ShotCodes.next(Opened.shown(), index);
  }

  /**
   * The codes the shots would have in order.
   *
   * @param keep ids of shots that keep theirs
   */
  public static List<ShotCodes.Renumbered> renumbered(List<String> keep) {
    return ShotCodes.inOrder(Opened.shown(), Set.copyOf(keep));
  }

  /** The commands that make an ordinary cut of letters that were pressed while it played. */
  public static List<Command> switched(List<Switching.Press> presses) {
    return Switching.all(Opened.shown(), presses);
  }

  /**
   * The commands that put shots behind all others, each with a board and no camera yet.
   *
   * @param pictures image assets, by their SHA-256
   * @param ids of the shots
   */
  public static List<Command> boards(List<String> pictures, List<String> ids, int frames) {
    return NewShot.boards(Opened.shown(), pictures, ids, frames);
  }

  /** How fast a shot is on its first and its last frame. */
  public static Retiming.Ends speedOf(String shot) {
    return Retiming.of((Shot) Opened.shown().get(shot));
  }

  /**
   * The commands that give a shot other speeds.
   *
   * @param keepsLength whether it lasts as long; otherwise it shows the same action
   */
  public static List<Command> retimed(String shot, double first, double last, boolean keepsLength) {
    return Retiming.to(Opened.shown(), shot, new Retiming.Ends(first, last), keepsLength);
  }

  /**
   * The commands that make a new shot at a frame of the programme.
   *
   * @param camera empty for a gap
   * @param first the frame of the scene it begins with
   * @param restId for what is left of a shot behind it
   */
  public static List<Command> newShot(
      double frame,
      NewShot.How how,
      String camera,
      double first,
      int frames,
      String id,
      String restId) {
    return NewShot.at(
        Opened.shown(), frame, how, camera.isEmpty() ? null : camera, first, frames, id, restId);
  }

  /**
   * The commands that make a camera live from a frame of the scene on.
   *
   * @param shot the one that is looked at; empty for none
   */
  public static List<Command> cutHere(double frame, String shot, String camera, String newId) {
    return Switching.here(Opened.shown(), frame, shot, camera, newId);
  }
}
