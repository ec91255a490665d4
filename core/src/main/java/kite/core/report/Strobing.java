package kite.core.report;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Set;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.DepthRuler;
import kite.core.frame.Extent;
import kite.core.frame.Eye;
import kite.core.frame.LineOfAction;
import kite.core.math.ArcTrig;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.shape.MeshBuilder;

/**
 * Pans that fall apart into single pictures. An edge that goes on by more than it is blurred over
 * is seen twice; how far that may be is an angle at the eye, so it depends on the screen, and more
 * so where light stands against dark. Three things are no strobing: what the eye rests on stands
 * still in the frame; the turn is so short that nothing is looked at; or so fast that nobody can
 * follow it.
 */
final class Strobing {
  /**
   * How far an edge of usual contrast may jump unblurred from one picture to the next, degrees at
   * the eye. The trade's rule of thumb is seven seconds for a thing to cross the frame at 24
   * pictures a second with a 180° shutter: 1/(7·24) of a screen that is 40° wide, of which half is
   * not blurred over.
   */
  private static final double JUMP_DEGREES = 40 * 0.5 / (7 * 24);

  /**
   * Contrast for which that holds, (light − dark) / (light + dark) of linear light: dark clothes,
   * which give back a twentieth, before a wall that gives back half.
   */
  private static final double USUAL_CONTRAST = 0.8;

  /** Even what is grey in grey has edges in its light and shade. */
  private static final double LEAST_CONTRAST = 0.15;

  /** A turn over less than this is gone before an edge was looked at, seconds. */
  private static final double LEAST_S = 0.5;

  /**
   * Turns are looked at over so long, seconds: what goes to and fro within, as a camera in
   * somebody's hands does, is no pan.
   */
  private static final double OVER_S = 0.25;

  /** What comes and goes within a second is one. */
  private static final double APART_S = 1;

  /** By so much of its width a frame, a picture turns faster than an eye goes with it. */
  private static final double WHIP = 0.1;

  /** Smaller than this share of the frame's height, nothing holds the eye. */
  private static final double SEEN = 0.1;

  /** What goes through the frame at less than so much of the camera's turn goes with the camera. */
  private static final double GOES_WITH_IT = 0.5;

  /**
   * So much of the frame's width a picture, the eye follows easily: a quarter of it in a second.
   */
  private static final double FOLLOWED = 0.01;

  /**
   * A stretch of it.
   *
   * @param degreesASecond how fast the camera turns at most
   */
  record Stretch(int first, int last, double degreesASecond) {}

  private final Sequence s;
  private final Plan plan;
  private final Camera camera;
  private final Set<String> subjects;
  private final double fps;

  private final int over;

  /** The camera on the frames before, the oldest first. */
  private final Deque<Eye> before = new ArrayDeque<>();

  private final List<Turn> turns = new ArrayList<>();

  /** A frame over which the camera turns too far, and what of it is not blurred over, degrees. */
  private record Turn(int frame, double jumpDegrees, double degreesASecond) {}

  Strobing(Sequence s, Plan plan, Camera camera) {
    this.s = s;
    this.plan = plan;
    this.camera = camera;
    subjects = DepthRuler.subjects(s);
    fps = s.header().rate().perSecond();
    over = Math.max(1, (int) Math.round(fps * OVER_S));
  }

  /** Looks at a frame that the plan has evaluated for the camera; the next is one on. */
  void look(int frame, Eye eye) {
    before.add(eye);
    if (before.size() <= over) return;
    Eye was = before.remove();
    double width = eye.window().right() - eye.window().left();
    Vec3 ahead = eye.seen(eye.place().plus(was.worldDirection(new Vec3(0, 0, -1))));
    double slope = Trig.hypot(ahead.x(), ahead.y());
    double turned = ArcTrig.atan2(slope, -ahead.z());
    double share = ahead.z() < 0 ? slope / -ahead.z() / width / over : Double.POSITIVE_INFINITY;
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double gap = 1 - plan.lens()[o + LensRow.SHUTTER] / 360;
    double jump = onScreen(share) * gap;
    double least = JUMP_DEGREES * USUAL_CONTRAST; // of black on white
    if (share > WHIP || jump <= least || holdsTheEye(was, eye, frame, share * width)) return;
    turns.add(new Turn(frame, jump, Trig.degrees(turned) / over * fps));
  }

  private double onScreen(double share) {
    return share * s.header().standards().cut().screenDegrees();
  }

  /**
   * Whether somebody in frame goes with the camera.
   *
   * @param turned how far it turns a frame, as a slope
   */
  private boolean holdsTheEye(Eye was, Eye eye, double frame, double turned) {
    double width = eye.window().right() - eye.window().left();
    double most = Math.min(GOES_WITH_IT * turned, FOLLOWED * width);
    for (String id : subjects) {
      if (!(s.get(id) instanceof Piece p) || !s.isShown(p)) continue;
      plan.evaluateOnly(id, frame - over);
      Vec3 then = was.seen(LineOfAction.point(plan, id));
      plan.evaluateOnly(id, frame);
      Vec3 now = eye.seen(LineOfAction.point(plan, id));
      if (then.z() >= 0 || now.z() >= 0) continue;
      double across = now.x() / -now.z() - then.x() / -then.z();
      double up = now.y() / -now.z() - then.y() / -then.z();
      if (Trig.hypot(across, up) / over > most) continue;
      Extent e = Extent.of(plan, eye, id);
      if (e != null && e.inFrame() && e.height() >= SEEN) return true;
    }
    return false;
  }

  /** What was found, the plan being left at one of its frames. */
  List<Stretch> found() {
    List<Stretch> all = new ArrayList<>();
    double apart = fps * APART_S;
    for (int i = 0; i < turns.size(); ) {
      int end = i + 1;
      while (end < turns.size() && turns.get(end).frame() <= turns.get(end - 1).frame() + apart)
        end++;
      List<Turn> one = turns.subList(i, end);
      double allowed = allowed(one.get(one.size() / 2).frame());
      List<Turn> strobes = one.stream().filter(t -> t.jumpDegrees() > allowed).toList();
      if (strobes.size() >= fps * LEAST_S)
        all.add(
            new Stretch(
                strobes.get(0).frame() - over,
                strobes.get(strobes.size() - 1).frame(),
                strobes.stream().mapToDouble(Turn::degreesASecond).max().orElseThrow()));
      i = end;
    }
    return all;
  }

  /** How far an edge may jump in what is seen on a frame. */
  private double allowed(int frame) {
    plan.evaluate(frame);
    Eye eye = Eye.of(plan, camera.id());
    double light = 0, dark = 1;
    int seen = 0;
    for (Piece p : s.all(Piece.class)) {
      if (!s.isRendered(p)) continue;
      Extent e = Extent.of(plan, eye, p.id());
      if (e == null || !e.inFrame() || e.height() < SEEN) continue;
      double l = luminance(p.colour());
      light = Math.max(light, l);
      dark = Math.min(dark, l);
      seen++;
    }
    // one thing stands before whatever is behind all
    double contrast =
        seen < 2 ? USUAL_CONTRAST : light > dark ? (light - dark) / (light + dark) : 0;
    return JUMP_DEGREES * USUAL_CONTRAST / Math.max(LEAST_CONTRAST, contrast);
  }

  /** Rec. 709. */
  private static double luminance(String rgb) {
    return 0.2126 * MeshBuilder.linear(rgb, 1)
        + 0.7152 * MeshBuilder.linear(rgb, 3)
        + 0.0722 * MeshBuilder.linear(rgb, 5);
  }
}
