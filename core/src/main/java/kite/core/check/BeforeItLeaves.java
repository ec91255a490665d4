package kite.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import kite.core.check.Finding.Severity;
import kite.core.command.Command;
import kite.core.command.ShotCommand;
import kite.core.cut.Programme;
import kite.core.document.Accepted;
import kite.core.document.AcceptedNote;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.frame.Clips;
import kite.core.model.Models;
import kite.core.number.NumberText;
import kite.core.report.CutNotes;
import kite.core.report.Warnings;

/** Everything that is pointed out before shots leave, in the order of the programme. */
public final class BeforeItLeaves {
  private final Sequence s;
  private final Plan plan;
  private final Programme programme;
  private final List<Finding> all = new ArrayList<>();

  private BeforeItLeaves(Sequence s, Plan plan) {
    this.s = s;
    this.plan = plan;
    programme = Programme.of(s);
  }

  /**
   * Of each shot, the heaviest first; then what is of no shot.
   *
   * @param plan any plan of the sequence; it is left at one of the frames
   * @param shots ids of those that leave; all where it is empty
   */
  public static List<Finding> of(Sequence s, Plan plan, Set<String> shots) {
    BeforeItLeaves x = new BeforeItLeaves(s, plan);
    List<Finding> all = new ArrayList<>();
    for (int i = 0; i < x.programme.placed().size(); i++)
      if (shots.isEmpty() || shots.contains(x.programme.placed().get(i).id())) {
        x.shot(i);
        all.addAll(x.taken());
      }
    x.others();
    all.addAll(x.taken());
    return all;
  }

  private List<Finding> taken() {
    all.sort(Comparator.comparing(Finding::severity));
    List<Finding> taken = List.copyOf(all);
    all.clear();
    return taken;
  }

  /** Something about a shot that is not in the document itself. */
  public static Finding of(Sequence s, Flag flag, Programme.Placed p, String text) {
    return new BeforeItLeaves(s, null).finding(flag, p, null, text, null);
  }

  private void shot(int index) {
    Programme.Placed p = programme.placed().get(index);
    for (CutNotes.Note n : CutNotes.of(s, plan, programme, index)) cut(n, index);
    if (!(s.get(p.camera()) instanceof Camera c) || p.board() != null) return;
    move(p, c);
    look(p, c);
  }

  private void cut(CutNotes.Note n, int index) {
    boolean joins = n.about() == CutNotes.About.SAME_CAMERA && goesOn(index);
    add(n, programme.placed().get(index).shot(), joins ? "Join the two" : null);
  }

  private boolean goesOn(int index) {
    List<Shot> shots = programme.shots();
    return shots.get(index - 1).take().goesOnIn(shots.get(index).take());
  }

  private void move(Programme.Placed p, Camera c) {
    int first = (int) Math.floor(p.sceneFirst()), last = (int) Math.ceil(p.sceneLast());
    for (Warnings.Warning w : Warnings.of(s, plan.inTake(p.inTake()), c, first, last))
      add(
          Weights.of(w.kind()),
          Words.of(w.kind()),
          p,
          (int) Math.round(w.first()),
          w.text(),
          Weights.advice(w.kind()),
          null);
  }

  private void look(Programme.Placed p, Camera c) {
    int handles = ((Shot) s.get(p.id())).handlesIn(s.header());
    for (ShotLooks.Said x : ShotLooks.of(s, plan, c, p))
      all.add(
          finding(
              x.flag(),
              p,
              x.first(),
              x.text(),
              x.flag() == Flag.CLIPPED ? "Nothing cut off" : null));
    Double focal = OffKit.focalMm(s, plan, c, (p.sceneFirst() + p.sceneLast()) / 2);
    Double nearest = focal == null ? null : OffKit.nearest(s, c);
    if (focal != null)
      all.add(
          finding(
              Flag.LENS_OFF_KIT,
              p,
              null,
              OffKit.says(c, focal),
              nearest == null ? null : "Take " + NumberText.plain(nearest) + " mm"));
    keys(p, c, handles);
    String edges = new Edges(plan, c).says(p, handles);
    if (edges != null) all.add(finding(Flag.MOVE_AT_EDGE, p, null, edges, null));
    for (PlateEnds.Said x : PlateEnds.of(s, c, p, handles))
      all.add(
          finding(
              x.inHandles() ? Flag.PLATE_SHORT_IN_HANDLES : Flag.PLATE_SHORT,
              p,
              x.frame(),
              x.text(),
              null));
  }

  private void keys(Programme.Placed p, Camera c, int handles) {
    List<LooseKeys.Loose> loose =
        LooseKeys.of(c, p.sceneFirst() - handles, p.sceneLast() + handles);
    if (loose.isEmpty()) return;
    LooseKeys.Loose one = loose.get(0);
    String more = loose.size() == 1 ? "" : ", and " + (loose.size() - 1) + " more";
    all.add(
        finding(
            Flag.KEY_BETWEEN,
            p,
            (int) Math.floor(one.frame()),
            "Camera "
                + c.letter()
                + " has a key on frame "
                + NumberText.rounded(one.frame(), 2)
                + more
                + ".",
            loose.stream().anyMatch(LooseKeys.Loose::free) ? "Onto whole frames" : null));
  }

  private void others() {
    for (CutNotes.Note n : CutNotes.ofCameras(s, programme)) add(n, null, null);
    for (CutNotes.Note n : CutNotes.ofSounds(s, programme)) add(n, null, null);
  }

  private void add(CutNotes.Note n, String shot, String mend) {
    all.add(
        new Finding(
            Weights.of(n.about()),
            Words.of(n.about()),
            n.of(),
            s.get(n.of()) == null ? n.of() : s.get(n.of()).name(),
            shot,
            n.frame(),
            null,
            n.text(),
            Weights.advice(n.about()),
            mend,
            n.accepted()));
  }

  private Finding finding(Flag f, Programme.Placed p, Integer scene, String text, String mend) {
    return finding(f.severity, Words.of(f), p, scene, text, f.advice, mend);
  }

  private void add(
      Severity severity,
      String about,
      Programme.Placed p,
      int scene,
      String text,
      String advice,
      String mend) {
    all.add(finding(severity, about, p, scene, text, advice, mend));
  }

  /**
   * @param scene null for where the shot begins
   */
  private Finding finding(
      Severity severity,
      String about,
      Programme.Placed p,
      Integer scene,
      String text,
      String advice,
      String mend) {
    return new Finding(
        severity,
        about,
        p.id(),
        p.shot(),
        p.shot(),
        scene == null ? p.first() : null,
        scene,
        text,
        advice,
        mend,
        accepted(p.id(), about));
  }

  private String accepted(String of, String about) {
    if (s.get(of) instanceof Shot shot)
      for (Accepted a : shot.accepted()) if (a.about().equals(about)) return a.word();
    for (AcceptedNote n : s.all(AcceptedNote.class))
      if (n.of().equals(of) && n.about().equals(about)) return n.name();
    return null;
  }

  /** The commands that mend something about a shot; none where nothing is to be mended. */
  public static List<Command> mends(Sequence s, Models models, String about, String of) {
    Programme programme = Programme.of(s);
    if (!(s.get(of) instanceof Shot shot)) return List.of();
    Programme.Placed p = programme.of(of);
    if (about.equals(Words.of(CutNotes.About.SAME_CAMERA))) {
      int i = programme.shots().indexOf(shot);
      return i < 1
          ? List.of()
          : List.of(new ShotCommand.JoinShots(programme.shots().get(i - 1).id()));
    }
    if (!(s.get(p.camera()) instanceof Camera c)) return List.of();
    double first = Math.min(p.sceneFirst(), p.sceneLast());
    double last = Math.max(p.sceneFirst(), p.sceneLast());
    int handles = shot.handlesIn(s.header());
    if (about.equals(Words.of(Flag.CLIPPED)))
      return Clips.nothingCutOff(s, models, c, (int) Math.ceil(first), (int) Math.floor(last));
    if (about.equals(Words.of(Flag.KEY_BETWEEN)))
      return LooseKeys.ontoFrames(c, first - handles, last + handles);
    return about.equals(Words.of(Flag.LENS_OFF_KIT)) ? OffKit.takeNearest(s, c) : List.of();
  }
}
