package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.number.NumberText;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.slide.Slide;
import kite.core.rig.trim.Trim;

/** What a rig part is doing at a frame, in one line. */
public final class PartWords {
  /** Shares, degrees or millimetres, and metres that are worth a word. */
  private static final double LEAST_SHARE = 0.005;

  private static final double LEAST_SEEN = 0.05;

  private static final double LEAST_MOVED_M = 0.0005;

  private final Sequence s;
  private final Models models;
  private final Plan plan;
  private final Camera camera;
  private final double frame;

  /**
   * @param plan evaluated at {@code frame}
   */
  public PartWords(Sequence s, Models models, Plan plan, Camera camera, double frame) {
    this.s = s;
    this.models = models;
    this.plan = plan;
    this.camera = camera;
    this.frame = frame;
  }

  public String of(RigPart part) {
    if (!part.on()) return "Switched off.";
    return PartInWords.of(part).says(part, this);
  }

  public Sequence sequence() {
    return s;
  }

  /** Evaluated at {@link #frame}. */
  public Plan plan() {
    return plan;
  }

  public Camera camera() {
    return camera;
  }

  public double frame() {
    return frame;
  }

  /** What a channel of a part is at the frame. */
  public double value(RigPart part, ChannelSpec channel) {
    return part.channels().get(channel).at(frame);
  }

  /** Whether degrees, or millimetres of focal length, are worth a word. */
  public static boolean isSeen(double v) {
    return Math.abs(v) >= LEAST_SEEN;
  }

  /** Whether a share is worth a word. */
  public static boolean isSeenShare(double share) {
    return share > LEAST_SHARE;
  }

  public String metres(double m) {
    return NumberText.length(m, s.header().displayUnit());
  }

  public static String degrees(double d) {
    return NumberText.rounded(d, 1) + "°";
  }

  public String name(String id) {
    Entity e = s.get(id);
    return e instanceof Camera c ? "camera " + c.letter() : e == null ? "" : e.name();
  }

  /** How far a part that has the channels of a slide is moved, in words that can be added to. */
  public List<String> moved(RigPart p) {
    List<String> words = new ArrayList<>();
    say(words, value(p, Slide.DOLLY), "ahead", "back");
    say(words, value(p, Slide.TRUCK), "right", "left");
    say(words, value(p, Slide.PEDESTAL), "up", "down");
    return words;
  }

  private void say(List<String> words, double m, String plus, String minus) {
    if (Math.abs(m) >= LEAST_MOVED_M) words.add(metres(Math.abs(m)) + " " + (m > 0 ? plus : minus));
  }

  /**
   * Who has how much of something, in words that can be added to.
   *
   * @param shares is filled with the shares, in the order of the subjects
   */
  public List<String> shares(Cued cued, double[] shares) {
    List<String> words = new ArrayList<>();
    List<Subject> subjects = cued.subjects();
    cued.track().shares(frame, shares);
    for (int i = 0; i < shares.length; i++)
      if (isSeenShare(shares[i]))
        words.add(Math.round(shares[i] * 100) + " % " + name(subjects.get(i).entity()));
    return words;
  }

  /** The focal length as the whole stack leaves it. */
  public String focalLength() {
    return NumberText.rounded(plan.lens()[row() + LensRow.FOCAL], 1) + " mm";
  }

  /** The lens likewise. */
  public String lens() {
    return focalLength()
        + ", f/"
        + NumberText.rounded(plan.lens()[row() + LensRow.F_STOP], 1)
        + ", focus "
        + metres(plan.lens()[row() + LensRow.FOCUS]);
  }

  private int row() {
    return plan.slot(camera.id()) * LensRow.SIZE;
  }

  /** How far a part carries the camera off from where the parts below hold it. */
  public String offset(RigPart part) {
    double[] with = plan.newAbove(camera.id(), part, frame);
    double[] without = plan.newBelow(camera.id(), part, frame);
    Vec3 gap = Matrix.newOrigin(with, 0).minus(Matrix.newOrigin(without, 0));
    double dot = 0;
    for (int i = Matrix.ZX; i <= Matrix.ZZ; i++) dot += with[i] * without[i];
    double angle = Trig.degrees(ArcTrig.acos(Math.max(-1, Math.min(1, dot))));
    return metres(gap.length()) + " and " + degrees(angle);
  }

  /** The sum of a camera's trims at a frame, in one line; empty when it has none. */
  public String trims() {
    long on = camera.rig().stream().filter(p -> p instanceof Trim && p.on()).count();
    if (on == 0) return "";
    List<RigPart> bare = new ArrayList<>(camera.rig());
    bare.removeIf(p -> p instanceof Trim);
    Plan p = new Plan(s.with(camera.withRig(bare)), models);
    p.evaluate(frame);
    Eye was = Eye.of(p, camera.id()), is = Eye.of(plan, camera.id());
    double dot = 0;
    for (int i = Matrix.ZX; i <= Matrix.ZZ; i++) dot += was.world()[i] * is.world()[i];
    return (on == 1 ? "1 trim: " : on + " trims together: ")
        + metres(is.place().minus(was.place()).length())
        + " and "
        + degrees(Trig.degrees(ArcTrig.acos(Math.max(-1, Math.min(1, dot)))))
        + ".";
  }
}
