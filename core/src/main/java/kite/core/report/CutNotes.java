package kite.core.report;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.curve.Channel;
import kite.core.cut.Programme;
import kite.core.document.Accepted;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.LimitsOfCuts;
import kite.core.document.OrNull;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.Take;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.frame.Composition;
import kite.core.frame.DepthRuler;
import kite.core.frame.Extent;
import kite.core.frame.Eye;
import kite.core.frame.LineOfAction;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Powers;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.optics.DepthOfField;

/** What a careful editor would point out about the programme, with where to look. */
public final class CutNotes {
  /** What is pointed out. */
  public enum About {
    /** Nothing is seen. */
    GAP,
    SHORT,
    /** The camera turns fast where it is cut. */
    FAST_MOVE,
    /** The action stands still where it is cut, or lies outside the sequence's frames. */
    HELD,
    SAME_CAMERA,
    /** One subject, hardly another angle, hardly another size. */
    JUMP,
    /** The two subjects change sides. */
    LINE,
    /** Somebody who looked to one side looks to the other. */
    EYELINE,
    /** What moved to one side moves to the other. */
    DIRECTION,
    /** A subject is somewhere else in the frame. */
    LEAP,
    FOCUS,
    EXPOSURE,
    CAMERA_UNUSED,
    LENS_NOT_CHOSEN,
    /** Some of it is before the programme or behind it. */
    SOUND_OUT
  }

  /**
   * Something to look at.
   *
   * @param of the shot, camera or sound it is about
   * @param frame of the programme
   * @param accepted why it stays; null while nobody has said
   */
  public record Note(About about, String of, int frame, String text, @OrNull String accepted) {}

  /** Shares of the frame's width that a camera turns in a second where a cut into it hurts. */
  private static final double FAST_A_SECOND = 0.5;

  /** A subject smaller than this share of the frame's height is not what the cut is about. */
  private static final double SEEN = 0.12;

  /** Shares of the frame's width a subject crosses in a second: slower, it goes nowhere. */
  private static final double GOES_A_SECOND = 0.08;

  /** Frames of the scene that pass in less than this share of their number stand still. */
  private static final double STANDS_STILL = 0.02;

  /** A subject that turns less than this between two looks is looking the same way, degrees. */
  private static final double SAME_HEADING = 40;

  private static final double STOP = 1;

  /** Part of a frame by which a sound may be longer than the programme. */
  private static final double SLIGHT_FRAMES = 0.01;

  /** Nothing is nearer to a lens, metres. */
  private static final double NEAREST_M = 1e-3;

  private final Sequence s;
  private final Plan plan;
  private final Programme programme;
  private final LimitsOfCuts limits;
  private final Set<String> subjects;
  private final ActionLine line; // null where none was chosen
  private final List<Note> notes = new ArrayList<>();

  private CutNotes(Sequence s, Plan plan, Programme programme) {
    this.s = s;
    this.plan = plan;
    this.programme = programme;
    limits = s.header().standards().cut();
    subjects = new LinkedHashSet<>(DepthRuler.subjects(s));
    line = ActionLine.of(s);
    if (line != null) subjects.addAll(List.of(line.first(), line.second()));
  }

  /**
   * What there is to a shot, and to the cut by which it comes.
   *
   * @param plan any plan of the sequence; it is left at one of the frames
   * @param index of the shot in the programme, from 0
   */
  public static List<Note> of(Sequence s, Plan plan, Programme programme, int index) {
    CutNotes n = new CutNotes(s, plan, programme);
    n.alone(index);
    if (index > 0) n.cut(index);
    return n.notes;
  }

  /** What there is to cameras that the programme leaves out, or shows as they were put there. */
  public static List<Note> ofCameras(Sequence s, Programme programme) {
    Set<String> used = new HashSet<>();
    for (Shot x : programme.shots()) for (Take t : x.takes()) used.add(t.camera());
    List<Note> all = new ArrayList<>();
    for (Camera c : s.all(Camera.class)) {
      String name = "Camera " + c.letter() + ", " + c.name() + ", ";
      if (!used.contains(c.id()))
        all.add(note(s, About.CAMERA_UNUSED, c, programme.firstFrame(), name + "is in no shot."));
      else if (c.channel(Camera.FOCAL_LENGTH.name())
          .equals(Channel.fixed(Camera.FOCAL_LENGTH.initial())))
        all.add(
            note(
                s,
                About.LENS_NOT_CHOSEN,
                c,
                firstOf(programme, c.id()),
                name + "has the lens every camera begins with."));
    }
    return all;
  }

  /** What there is to sounds that are heard where nothing is seen. */
  public static List<Note> ofSounds(Sequence s, Programme programme) {
    List<Note> all = new ArrayList<>();
    for (Sound x : s.all(Sound.class)) {
      int before = (int) Math.ceil(programme.firstFrame() - x.at() - SLIGHT_FRAMES);
      int behind = (int) Math.ceil(x.end(s.header()) - (programme.lastFrame() + 1) - SLIGHT_FRAMES);
      if (before > 0)
        all.add(
            note(
                s,
                About.SOUND_OUT,
                x,
                programme.firstFrame(),
                x.name() + " begins " + frames(before) + " before the first shot."));
      else if (behind > 0)
        all.add(
            note(
                s,
                About.SOUND_OUT,
                x,
                Math.max(programme.firstFrame(), programme.lastFrame()),
                x.name() + " goes on for " + frames(behind) + " after the last shot."));
    }
    return all;
  }

  private static Note note(Sequence s, About about, Entity of, int frame, String text) {
    String word = null;
    for (AcceptedNote n : s.all(AcceptedNote.class))
      if (n.of().equals(of.id()) && n.about().equals(Words.of(about))) word = n.name();
    return new Note(about, of.id(), frame, text, word);
  }

  private static int firstOf(Programme programme, String camera) {
    for (Programme.Placed p : programme.placed()) if (camera.equals(p.camera())) return p.first();
    return programme.firstFrame();
  }

  private void say(About about, int index, int frame, String text) {
    Shot shot = programme.shots().get(index);
    String word = null;
    for (Accepted a : shot.accepted()) if (a.about().equals(Words.of(about))) word = a.word();
    String sentence = Character.toUpperCase(text.charAt(0)) + text.substring(1);
    notes.add(new Note(about, shot.id(), frame, sentence, word));
  }

  private void alone(int index) {
    Programme.Placed p = programme.placed().get(index);
    if (!(s.get(p.camera()) instanceof Camera)) {
      say(About.GAP, index, p.first(), "a gap of " + frames(p.frames()) + ".");
      return;
    }
    if (p.frames() < limits.shortFrames())
      say(About.SHORT, index, p.first(), "only " + frames(p.frames()) + ".");
    double first = s.header().firstFrame(), last = s.header().lastFrame();
    if (p.sceneFirst() < first || p.sceneLast() > last)
      say(
          About.HELD,
          index,
          p.sceneFirst() < first ? p.first() : p.last(),
          "it shows frames outside the sequence, "
              + NumberText.plain(Math.rint(p.sceneFirst()))
              + " to "
              + NumberText.plain(Math.rint(p.sceneLast()))
              + ".");
    else
      for (int frame : new int[] {p.first(), p.last()})
        if (p.frames() > 1 && rate(index, frame) < STANDS_STILL) {
          say(About.HELD, index, frame, "the action stands still where it is cut.");
          break;
        }
  }

  private static String frames(int n) {
    return n == 1 ? "1 frame" : n + " frames";
  }

  private double rate(int index, int frame) {
    return programme.scene(index, frame + 0.5) - programme.scene(index, frame - 0.5);
  }

  /**
   * What a camera sees on one side of a cut.
   *
   * @param line on which side of the line of action it is; 0 where none was chosen
   */
  private record Side(
      Camera camera,
      Eye eye,
      double line,
      double focusM,
      double fStop,
      double shutter,
      Map<String, Seen> seen) {}

  /**
   * A subject as it is seen.
   *
   * @param at its usual point, in the world
   * @param across where its middle is, in shares of the frame's width
   * @param goes how far it goes until the next frame, as the camera would see it that stood still
   * @param sharp whether its usual point is within the limits of what is sharp
   */
  private record Seen(
      String name,
      Vec3 at,
      Vec3 ahead,
      double across,
      double goes,
      double height,
      boolean sharp,
      String faces) {}

  /** The two sides of the cut by which a shot comes. */
  private void cut(int index) {
    Programme.Placed a = programme.placed().get(index - 1), b = programme.placed().get(index);
    if (!(s.get(a.camera()) instanceof Camera out) || !(s.get(b.camera()) instanceof Camera in))
      return;
    boolean one = out.id().equals(in.id());
    if (one && Math.abs(a.sceneLast() + rate(index - 1, a.last()) - b.sceneFirst()) < 1)
      say(
          About.SAME_CAMERA,
          index,
          b.first(),
          "camera " + in.letter() + " goes on from the shot before. Join the two, or cut away.");
    else if (one)
      say(
          About.SAME_CAMERA,
          index,
          b.first(),
          "camera " + in.letter() + " twice in a row, and action is left out between.");
    fast(index - 1, a.last(), out);
    fast(index, b.first(), in);
    if (one) return;
    Side before = side(index - 1, a.last(), out), after = side(index, b.first(), in);
    exposure(index, b.first(), before, after);
    List<String> both = new ArrayList<>(before.seen().keySet());
    both.retainAll(after.seen().keySet());
    // a cut is about people, and about what the cameras look at
    both.removeIf(
        id -> !ShotFacts.isWhoItIsAbout(s, out, id) && !ShotFacts.isWhoItIsAbout(s, in, id));
    both.sort((x, y) -> Double.compare(size(before, after, y), size(before, after, x)));
    if (both.isEmpty()) return;
    subject(index, b.first(), before, after, both.get(0));
    if (line != null) chosenLine(index, b.first(), before, after, both);
    else if (both.size() > 1) line(index, b.first(), before, after, both.get(0), both.get(1));
  }

  private static double size(Side a, Side b, String id) {
    return Math.min(a.seen().get(id).height(), b.seen().get(id).height());
  }

  /** How far a camera turns about a frame, against how wide it sees. */
  private void fast(int index, int frame, Camera c) {
    plan.inTake(programme.placed().get(index).inTake());
    double half = 0.25, scene = programme.scene(index, frame);
    Vec3 was = ahead(c, programme.scene(index, frame - half));
    Vec3 is = ahead(c, programme.scene(index, frame + half));
    plan.evaluateOnly(c.id(), scene);
    Eye eye = Eye.of(plan, c.id());
    double wide = ArcTrig.atan(eye.window().right()) - ArcTrig.atan(eye.window().left());
    double turned = ArcTrig.acos(Math.max(-1, Math.min(1, was.dot(is)))) / (2 * half);
    double share = turned / wide * s.header().rate().perSecond();
    if (share > FAST_A_SECOND)
      say(
          About.FAST_MOVE,
          index,
          frame,
          "camera "
              + c.letter()
              + " is turning where it is cut, a frame’s width in "
              + NumberText.rounded(1 / share, 1)
              + " s.");
  }

  private Vec3 ahead(Camera c, double scene) {
    plan.evaluateOnly(c.id(), scene);
    return Eye.of(plan, c.id()).worldDirection(new Vec3(0, 0, -1));
  }

  private Side side(int index, int frame, Camera c) {
    Map<String, Seen> seen = new LinkedHashMap<>();
    Map<String, Vec3> next = new LinkedHashMap<>();
    plan.inTake(programme.placed().get(index).inTake());
    plan.evaluate(programme.scene(index, frame + 1));
    for (String id : subjects) next.put(id, point(id));
    plan.evaluate(programme.scene(index, frame));
    Eye eye = Eye.of(plan, c.id());
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    DepthOfField sharp =
        new DepthOfField(
            l[o + LensRow.FOCAL],
            l[o + LensRow.F_STOP],
            s.header().packageOf(c).circleMm(),
            l[o + LensRow.FOCUS]);
    for (String id : subjects) {
      if (!(s.get(id) instanceof Piece piece) || !s.isShown(piece)) continue;
      Extent e = Extent.of(plan, eye, id);
      if (e == null || !e.inFrame() || e.height() < SEEN) continue;
      Vec3 at = point(id);
      double depth = -eye.seen(at).z();
      double across = (e.left() + e.right()) / 2;
      Composition c2 = Composition.of(plan, piece, eye);
      seen.put(
          id,
          new Seen(
              piece.name(),
              at,
              heading(id),
              across,
              across(eye, next.get(id)) - across(eye, at),
              e.height(),
              depth >= sharp.nearLimitM() && depth <= sharp.farLimitM(),
              c2 == null ? "" : c2.faces()));
    }
    double side =
        line == null
            ? 0
            : LineOfAction.side(eye.place(), point(line.first()), point(line.second()));
    return new Side(
        c, eye, side, l[o + LensRow.FOCUS], l[o + LensRow.F_STOP], l[o + LensRow.SHUTTER], seen);
  }

  private Vec3 point(String id) {
    return LineOfAction.point(plan, id);
  }

  /** Where a point is, in shares of the frame's width; far away for one behind the lens. */
  private static double across(Eye eye, Vec3 p) {
    Vec3 seen = eye.seen(p);
    double slope = seen.x() / Math.max(-seen.z(), NEAREST_M);
    return (slope - eye.window().left()) / (eye.window().right() - eye.window().left());
  }

  private Vec3 heading(String id) {
    double[] m = plan.world();
    int o = plan.slot(id) * Matrix.SIZE;
    return new Vec3(-m[o + Matrix.ZX], -m[o + Matrix.ZY], -m[o + Matrix.ZZ]).unit();
  }

  private void exposure(int index, int frame, Side a, Side b) {
    // light on the film goes with the time and with the inverse square of the stop
    double stops =
        Powers.log(b.shutter() / a.shutter()) / Powers.log(2)
            - 2 * Powers.log(b.fStop() / a.fStop()) / Powers.log(2);
    if (Math.abs(stops) >= STOP && Double.isFinite(stops))
      say(
          About.EXPOSURE,
          index,
          frame,
          "f-stop and shutter let in "
              + NumberText.rounded(Math.abs(stops), 1)
              + (Math.abs(stops) < 1.05 ? " stop " : " stops ")
              + (stops > 0 ? "more" : "less")
              + " light than in the shot before.");
  }

  private void subject(int index, int frame, Side a, Side b, String id) {
    Seen was = a.seen().get(id), is = b.seen().get(id);
    double angle =
        Trig.degrees(angle(a.eye().place().minus(was.at()), b.eye().place().minus(is.at())));
    double larger = Math.max(was.height(), is.height()) / Math.min(was.height(), is.height()) - 1;
    if (angle < limits.jumpDegrees() && larger < limits.jumpShare())
      say(
          About.JUMP,
          index,
          frame,
          was.name()
              + " from an angle "
              + NumberText.rounded(angle, 0)
              + "° away, "
              + NumberText.rounded(larger * 100, 0)
              + " % "
              + (is.height() >= was.height() ? "larger" : "smaller")
              + ": it jumps.");
    if (Math.abs(is.across() - was.across()) > limits.leapShare())
      say(
          About.LEAP,
          index,
          frame,
          was.name()
              + " leaps from the "
              + place(was.across())
              + " of the frame to the "
              + place(is.across())
              + ".");
    double fps = s.header().rate().perSecond(), least = GOES_A_SECOND / fps;
    if (was.goes() * is.goes() < 0 && Math.abs(was.goes()) > least && Math.abs(is.goes()) > least)
      say(
          About.DIRECTION,
          index,
          frame,
          was.name()
              + " goes to the "
              + (was.goes() > 0 ? "right" : "left")
              + ", and after the cut to the "
              + (is.goes() > 0 ? "right" : "left")
              + ".");
    boolean turned =
        was.faces().equals("left") && is.faces().equals("right")
            || was.faces().equals("right") && is.faces().equals("left");
    if (turned && Trig.degrees(angle(was.ahead(), is.ahead())) < SAME_HEADING)
      say(
          About.EYELINE,
          index,
          frame,
          was.name()
              + " looks to the "
              + was.faces()
              + ", and after the cut to the "
              + is.faces()
              + ".");
    if (was.sharp() && !is.sharp())
      say(About.FOCUS, index, frame, was.name() + " was sharp, and is not after the cut.");
  }

  private static String place(double across) {
    return across < 1 / 3.0 ? "left" : across > 2 / 3.0 ? "right" : "middle";
  }

  private static double angle(Vec3 a, Vec3 b) {
    double lengths = a.length() * b.length();
    return lengths == 0 ? 0 : ArcTrig.acos(Math.max(-1, Math.min(1, a.dot(b) / lengths)));
  }

  /** The line from one subject to the other, seen from above: both cameras belong on one side. */
  private void line(int index, int frame, Side a, Side b, String first, String second) {
    Seen p = b.seen().get(first), q = b.seen().get(second);
    double was = LineOfAction.side(a.eye().place(), p.at(), q.at());
    double is = LineOfAction.side(b.eye().place(), p.at(), q.at());
    if (was * is < 0) crossed(index, frame, p.name(), q.name());
  }

  /** The line that was chosen, where one of its two is seen on both sides of the cut. */
  private void chosenLine(int index, int frame, Side a, Side b, List<String> both) {
    if (!both.contains(line.first()) && !both.contains(line.second())) return;
    if (a.line() * b.line() < 0)
      crossed(index, frame, s.get(line.first()).name(), s.get(line.second()).name());
  }

  private void crossed(int index, int frame, String first, String second) {
    say(
        About.LINE,
        index,
        frame,
        "the camera crosses the line between " + first + " and " + second + ".");
  }
}
