package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.number.NumberText;
import kite.core.path.PathTable;
import kite.core.rig.Arm;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.Cued;
import kite.core.rig.DollyZoom;
import kite.core.rig.Framings;
import kite.core.rig.Head;
import kite.core.rig.Operator;
import kite.core.rig.Rail;
import kite.core.rig.RigPart;
import kite.core.rig.Slide;
import kite.core.rig.Spring;
import kite.core.rig.Subject;
import kite.core.rig.Trim;

/** What a rig part is doing at a frame, in one line. */
public final class PartWords {
  private static final double LEAST_SHARE = 0.005;

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
    if (part instanceof Base b) return base(b);
    if (part instanceof Rail r) return rail(r);
    if (part instanceof Slide) return slide(part);
    if (part instanceof Arm) return arm(part);
    if (part instanceof Head) return head(part);
    if (part instanceof Attention a) return attention(a);
    if (part instanceof Framings f) return framings(f);
    if (part instanceof DollyZoom z) return dollyZoom(z);
    if (part instanceof Trim t) return trim(t);
    if (part instanceof Spring) return "Behind by " + offset(part) + ".";
    return ((Operator) part).preset() == Operator.Preset.STABILISED
        ? "Floats " + offset(part) + " off."
        : "Is " + offset(part) + " off.";
  }

  private double value(RigPart part, String channel) {
    return camera.channel(part.id() + "/" + channel).at(frame);
  }

  private String metres(double m) {
    return NumberText.length(m, s.header().displayUnit());
  }

  private static String degrees(double d) {
    return NumberText.rounded(d, 1) + "°";
  }

  private String name(String id) {
    Entity e = s.get(id);
    return e instanceof Camera c ? "camera " + c.letter() : e == null ? "" : e.name();
  }

  private String base(Base b) {
    if (b.rides() != null) {
      String what =
          switch (b.takes()) {
            case POSITION -> "its position";
            case HEADING -> "its position and heading";
            case ALL -> "all of its motion";
          };
      return "Rides " + name(b.rides()) + ": " + what + ".";
    }
    return "Stands " + metres(value(b, "y")) + " high.";
  }

  private String rail(Rail r) {
    if (!(s.get(r.path()) instanceof Path p)) return "Has no path yet.";
    PathTable t = new PathTable(p.points(), p.style(), p.closed());
    var progress = camera.channel(r.id() + "/progress");
    double perSecond =
        (progress.at(frame + 0.5) - progress.at(frame - 0.5))
            / 100
            * t.length()
            * s.header().rate().perSecond();
    return NumberText.rounded(progress.at(frame), 1)
        + " % along "
        + p.name()
        + ", "
        + (Math.abs(perSecond) < 0.005
            ? "standing"
            : metres(Math.abs(perSecond)) + " a second" + (perSecond < 0 ? " backwards" : ""))
        + ".";
  }

  private String slide(RigPart p) {
    List<String> words = new ArrayList<>();
    say(words, value(p, "dolly"), "ahead", "back");
    say(words, value(p, "truck"), "right", "left");
    say(words, value(p, "pedestal"), "up", "down");
    return words.isEmpty() ? "At its start." : String.join(", ", words) + " of its start.";
  }

  private void say(List<String> words, double m, String plus, String minus) {
    if (Math.abs(m) >= 0.0005) words.add(metres(Math.abs(m)) + " " + (m > 0 ? plus : minus));
  }

  private String arm(RigPart p) {
    double length = value(p, "length"), lift = value(p, "lift"), swing = value(p, "swing");
    String side = Math.abs(swing) < 0.05 ? "" : ", swung " + degrees(Math.abs(swing));
    if (!side.isEmpty()) side += swing > 0 ? " left" : " right";
    return "Its end is "
        + metres(length * Math.sin(Math.toRadians(lift)))
        + " above its foot"
        + side
        + ".";
  }

  private String head(RigPart p) {
    String roll = Math.abs(value(p, "roll")) < 0.05 ? "" : ", roll " + degrees(value(p, "roll"));
    return "Pan " + degrees(value(p, "pan")) + ", tilt " + degrees(value(p, "tilt")) + roll + ".";
  }

  private List<String> shares(Cued cued, double[] shares) {
    List<String> words = new ArrayList<>();
    List<Subject> subjects = cued.subjects();
    cued.track().shares(frame, shares);
    for (int i = 0; i < shares.length; i++)
      if (shares[i] > LEAST_SHARE)
        words.add(Math.round(shares[i] * 100) + " % " + name(subjects.get(i).entity()));
    return words;
  }

  private String attention(Attention a) {
    if (a.subjects().isEmpty()) return "Choose what the camera looks at.";
    double[] shares = new double[a.subjects().size()];
    List<String> words = shares(a, shares);
    if (words.isEmpty()) return "Attends to nothing here: the parts below hold the aim.";
    int most = 0;
    for (int i = 0; i < shares.length; i++) if (shares[i] > shares[most]) most = i;
    Subject x = a.subjects().get(most);
    double[] p = new double[3];
    plan.anchor(x.entity(), x.anchor(), p);
    double far = new Vec3(p[0], p[1], p[2]).minus(Eye.of(plan, camera.id()).place()).length();
    return String.join(", ", words) + "; " + metres(far) + " from " + name(x.entity()) + ".";
  }

  private String framings(Framings f) {
    if (f.cameras().isEmpty()) return "Choose the cameras it travels between.";
    double[] shares = new double[f.cameras().size()];
    List<String> words = shares(f, shares);
    double left = 1;
    for (double x : shares) left -= x;
    if (left > LEAST_SHARE) words.add(Math.round(left * 100) + " % its own place");
    return String.join(", ", words) + "; the lens here: " + lens() + ".";
  }

  /** The lens as the whole stack leaves it. */
  private String lens() {
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    return NumberText.rounded(plan.lens()[o + LensRow.FOCAL], 1)
        + " mm, f/"
        + NumberText.rounded(plan.lens()[o + LensRow.F_STOP], 1)
        + ", focus "
        + metres(plan.lens()[o + LensRow.FOCUS]);
  }

  private String dollyZoom(DollyZoom z) {
    if (z.subject() == null) return "Choose whose size it holds.";
    double along = HoldSize.along(plan, camera, z.subject());
    String who = name(z.subject().entity());
    if (along <= 0) return who + " is not ahead of the lens here: nothing is held.";
    String size =
        NumberText.rounded(plan.lens()[plan.slot(camera.id()) * LensRow.SIZE + LensRow.FOCAL], 1)
            + " mm at "
            + metres(along);
    return "Holds the size of " + who + ": " + size + ".";
  }

  private String trim(Trim t) {
    double share =
        (t.span() == null ? 1 : t.span().at(frame))
            * Math.max(0, Math.min(1, value(t, RigPart.STRENGTH.name())));
    List<String> words = new ArrayList<>();
    say(words, value(t, "dolly"), "ahead", "back");
    say(words, value(t, "truck"), "right", "left");
    say(words, value(t, "pedestal"), "up", "down");
    for (String turn : List.of("pan", "tilt", "roll"))
      if (Math.abs(value(t, turn)) >= 0.05) words.add(turn + " " + degrees(value(t, turn)));
    if (Math.abs(value(t, "focal")) >= 0.05)
      words.add(NumberText.rounded(value(t, "focal"), 1) + " mm longer");
    if (words.isEmpty()) return "Changes nothing yet.";
    return String.join(", ", words) + ", at " + Math.round(share * 100) + " % here.";
  }

  /** How far a part carries the camera off from where the parts below hold it. */
  private String offset(RigPart part) {
    double[] with = plan.newAbove(camera.id(), part, frame);
    double[] without = plan.newBelow(camera.id(), part, frame);
    Vec3 gap = Matrix.newOrigin(with, 0).minus(Matrix.newOrigin(without, 0));
    double dot = 0;
    for (int i = 8; i < 11; i++) dot += with[i] * without[i];
    double angle = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, dot))));
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
    for (int i = 8; i < 11; i++) dot += was.world()[i] * is.world()[i];
    return (on == 1 ? "1 trim: " : on + " trims together: ")
        + metres(is.place().minus(was.place()).length())
        + " and "
        + degrees(Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, dot)))))
        + ".";
  }
}
