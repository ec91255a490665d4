package kite.core.report;

import java.util.ArrayList;
import java.util.List;
import kite.core.cue.CueTrack;
import kite.core.document.Camera;
import kite.core.document.Focus;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.number.NumberText;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.operator.Operator;

/**
 * What a camera does over a stretch of frames, as a crew would say it: “push 2.1 m, pan 14° left,
 * rack Pim → Oda”. It is told from where the camera really goes, whatever rig takes it there.
 */
public final class MoveInWords {
  /** Frames looked at: more would not change the words. */
  private static final int MOST_LOOKS = 97;

  /** Less than this is not said: a tenth of a metre, a degree, a hundredth of a focal length. */
  private static final double LEAST_M = 0.1, LEAST_DEGREES = 1, LEAST_ZOOM = 0.01;

  /** A focus that changes by less than this share is not said. */
  private static final double LEAST_FOCUS = 0.05;

  /** What turns so much farther than it ends up has gone there and come back. */
  private static final double BACK = 3;

  /** A way so much longer than the line between its ends is said by itself. */
  private static final double ROUND_ABOUT = 1.3;

  /** Looking nearer to straight up or down than this, there is no heading. */
  private static final double STEEP = Trig.cos(Trig.radians(2));

  private final Sequence sequence;
  private final Camera camera;
  private final Plan plan;
  private final List<String> words = new ArrayList<>();

  private MoveInWords(Sequence sequence, Plan plan, Camera camera) {
    this.sequence = sequence;
    this.plan = plan;
    this.camera = camera;
  }

  /**
   * The words: where it goes, how it turns, what the lens does; “locked off” for a camera that does
   * nothing.
   *
   * @param plan any plan of the sequence; it is left at one of the frames
   * @param last included
   */
  public static List<String> of(Sequence s, Plan plan, Camera camera, int first, int last) {
    MoveInWords m = new MoveInWords(s, plan, camera);
    m.look(first, last);
    return List.copyOf(m.words);
  }

  /** An angle as it goes on from frame to frame, without jumps. */
  private static final class Turning {
    private static final double TURN = 360;

    private double begin = Double.NaN, now, least, most;

    void at(double degrees) {
      if (Double.isNaN(begin)) begin = now = least = most = degrees;
      now = degrees - TURN * Math.rint((degrees - now) / TURN);
      least = Math.min(least, now);
      most = Math.max(most, now);
    }

    /**
     * @param plus what turning to larger angles is called, and {@code minus} to smaller ones
     */
    void say(String what, String plus, String minus, List<String> words) {
      if (Double.isNaN(begin)) return;
      double net = now - begin, far = Math.max(most - begin, begin - least);
      boolean back = far >= LEAST_DEGREES && far > BACK * Math.abs(net);
      if (!back && Math.abs(net) < LEAST_DEGREES) return;
      boolean up = back ? most - begin > begin - least : net > 0;
      String degrees = NumberText.rounded(back ? far : Math.abs(net), 0) + "°";
      words.add(what + " " + degrees + " " + (up ? plus : minus) + (back ? " and back" : ""));
    }
  }

  private void look(int first, int last) {
    int looks = Math.min(MOST_LOOKS, last - first + 1);
    Turning pan = new Turning(), tilt = new Turning(), roll = new Turning();
    Eye begin = null, end = null;
    double way = 0, focal = 0, focus = 0;
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    for (int i = 0; i < looks; i++) {
      double frame = looks == 1 ? first : first + (double) (last - first) * i / (looks - 1);
      plan.evaluateOnly(camera.id(), frame);
      Eye now = Eye.of(plan, camera.id());
      if (begin == null) {
        begin = now;
        focal = plan.lens()[o + LensRow.FOCAL];
        focus = plan.lens()[o + LensRow.FOCUS];
      } else way += now.place().minus(end.place()).length();
      turn(now, pan, tilt, roll);
      end = now;
    }
    goes(begin, end, way);
    pan.say("pan", "right", "left", words);
    tilt.say("tilt", "up", "down", words);
    roll.say("roll", "clockwise", "anticlockwise", words);
    zooms(focal, plan.lens()[o + LensRow.FOCAL]);
    if (!racks(first, last)) focuses(focus, plan.lens()[o + LensRow.FOCUS]);
    for (RigPart p : camera.rig()) if (p instanceof Operator && p.on()) words.add("handheld");
    if (words.isEmpty()) words.add("locked off");
  }

  /** Heading to the right, elevation, and how far the camera leans to the right, in degrees. */
  private static void turn(Eye eye, Turning pan, Turning tilt, Turning roll) {
    double[] w = eye.world();
    double x = -w[Matrix.ZX], y = -w[Matrix.ZY], z = -w[Matrix.ZZ];
    tilt.at(Trig.degrees(ArcTrig.asin(Math.max(-1, Math.min(1, y)))));
    if (Math.abs(y) > STEEP) return;
    pan.at(Trig.degrees(ArcTrig.atan2(x, -z)));
    // the level right of where it looks, and its own
    double level = Trig.hypot(x, z), rx = -z / level, rz = x / level;
    double along = rx * w[Matrix.XX] + rz * w[Matrix.XZ];
    roll.at(Trig.degrees(ArcTrig.atan2(-w[Matrix.XY], along)));
  }

  /** Where it goes, on the axes of a crew that stands where it began. */
  private void goes(Eye begin, Eye end, double way) {
    Vec3 d = end.place().minus(begin.place());
    double[] w = begin.world();
    Vec3 right = new Vec3(w[Matrix.XX], 0, w[Matrix.XZ]);
    if (right.length() > 0) {
      right = right.times(1 / right.length());
      Vec3 ahead = new Vec3(right.z(), 0, -right.x());
      say(d.dot(ahead), "push", "pull back");
      say(d.dot(right), "truck right", "truck left");
    }
    say(d.y(), "boom up", "boom down");
    if (way > LEAST_M && way > ROUND_ABOUT * d.length())
      words.add("travel " + metres(way) + " in all");
  }

  private void say(double metres, String plus, String minus) {
    if (Math.abs(metres) >= LEAST_M)
      words.add((metres > 0 ? plus : minus) + " " + metres(Math.abs(metres)));
  }

  private String metres(double m) {
    String unit = sequence.header().displayUnit();
    return unit.equals("m") ? NumberText.rounded(m, 1) + " m" : NumberText.length(m, unit);
  }

  private void zooms(double from, double to) {
    if (Math.abs(to / from - 1) >= LEAST_ZOOM)
      words.add("zoom " + NumberText.rounded(from, 0) + " → " + NumberText.rounded(to, 0) + " mm");
  }

  private void focuses(double from, double to) {
    if (Math.abs(to / from - 1) >= LEAST_FOCUS)
      words.add("focus " + metres(from) + " → " + metres(to));
  }

  /** Whether focus goes from one subject to another, which is said by their names. */
  private boolean racks(int first, int last) {
    Focus f = camera.focus();
    if (f == null || f.subjects().isEmpty()) return false;
    String from = most(f, first), to = most(f, last);
    if (from == null || to == null) return false;
    if (!from.equals(to)) words.add("rack " + from + " → " + to);
    return true; // a distance that changes with its subject is no pull
  }

  /** Name of what focus is on, or null while it is on nothing. */
  private String most(Focus f, double frame) {
    CueTrack track = f.track();
    double[] shares = new double[track.subjects()];
    track.shares(frame, shares);
    Subject best = null;
    double most = 0;
    for (int i = 0; i < shares.length; i++)
      if (shares[i] > most) {
        most = shares[i];
        best = f.subjects().get(i);
      }
    return best == null ? null : sequence.get(best.entity()).name();
  }
}
