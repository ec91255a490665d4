package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.RigCommand.PlaceCamera;
import kite.core.cue.Cue;
import kite.core.cue.CueTrack;
import kite.core.cue.Ease;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;

/** Moves that put a subject at a place and size of the frame. */
public final class PlaceSubject {

  /** What is changed to do it. */
  public enum By {
    /** The camera travels and keeps its direction; for a held aim, it travels along the sight. */
    MOVE,
    /** Pan and tilt; size stays. */
    TURN,
    /** Focal length for the size, pan and tilt for the place. */
    LENS
  }

  /** Share of the frame's height; more of a subject than this is no picture of it. */
  private static final double MOST_SIZE = 20;

  /** Enough steps for a figure's outline to meet the size asked to a thousandth. */
  private static final int STEPS = 12;

  private final Sequence s;
  private final Models models;
  private final Plan plan;
  private final Camera camera;
  private final double frame;
  private final boolean key;

  public PlaceSubject(Sequence s, Models models, Camera camera, double frame, boolean key) {
    this.s = s;
    this.models = models;
    this.camera = camera;
    this.frame = frame;
    this.key = key;
    plan = new Plan(s, models);
    plan.evaluate(frame);
  }

  /**
   * @param anchor the point placed, or null for the usual one
   * @param across share of the frame from the left, with {@code down} from the top
   * @param size share of the frame's height the subject's outline should have, or 0 to leave it
   * @throws Refusal when the subject is behind the camera or draws nothing to size
   */
  public List<Command> at(
      Entity subject, String anchor, double across, double down, double size, By by) {
    if (!(size >= 0 && size <= MOST_SIZE))
      throw new Refusal(
          "range",
          subject.id(),
          "size",
          "The size is a share of the frame’s height from 0 to 2000 %, e.g. 60 %.");
    double[] p = new double[3];
    plan.anchor(subject.id(), anchor, p);
    Vec3 point = new Vec3(p[0], p[1], p[2]);
    Eye eye = Eye.of(plan, camera.id());
    if (-eye.seen(point).z() <= 0)
      throw new Refusal(
          "behind",
          subject.id(),
          "",
          "“" + subject.name() + "” is behind camera " + camera.letter() + ". Turn to it first.");
    List<Command> all = new ArrayList<>();
    Attention held = holding(subject.id());
    if (by == By.LENS && size > 0) return zoomed(subject, anchor, across, down, size);
    if (held != null) {
      all.add(new SetValue(camera.id(), held.id() + "/across", frame, across, key));
      all.add(new SetValue(camera.id(), held.id() + "/down", frame, down, key));
      if (by == By.MOVE && size > 0)
        all.add(
            place(
                eye,
                eye.place().minus(point).times(nearing(eye, subject, point, size)).plus(point)));
    } else if (by == By.MOVE) {
      all.add(place(eye, moved(eye, subject, point, across, down, size)));
    } else {
      all.add(turned(eye, subject, anchor, across, down, all));
    }
    return all;
  }

  /** The last attention part that is wholly given to a subject, or null. */
  private Attention holding(String subject) {
    Attention found = null;
    for (RigPart part : camera.rig()) {
      if (!(part instanceof Attention a) || !a.on() || a.subjects().isEmpty()) continue;
      CueTrack track = a.track();
      double[] shares = new double[a.subjects().size()];
      track.shares(frame, shares);
      for (int i = 0; i < shares.length; i++)
        if (shares[i] > 0.999 && a.subjects().get(i).entity().equals(subject)) found = a;
    }
    return found;
  }

  private double height(Eye eye, Entity subject) {
    Extent e = Extent.of(plan, eye, subject.id());
    if (e == null || !(e.height() > 0) || Double.isInfinite(e.height()))
      throw new Refusal(
          "size", subject.id(), "", "“" + subject.name() + "” has no size to bring to the frame.");
    return e.height();
  }

  /** A turn changes an outline a little, so lens and turn are found together. */
  private List<Command> zoomed(
      Entity subject, String anchor, double across, double down, double size) {
    double f = plan.lens()[plan.slot(camera.id()) * LensRow.SIZE + LensRow.FOCAL];
    Eye eye = Eye.of(plan, camera.id());
    List<Command> turn = List.of();
    Eye now = eye;
    double at = f;
    for (int i = 0; i < STEPS; i++) {
      at = size / height(now, subject) * at; // an outline grows just as the focal length
      at = Math.max(Camera.FOCAL_LENGTH.least(), Math.min(Camera.FOCAL_LENGTH.most(), at));
      SetValue lens = new SetValue(camera.id(), "focalLength", frame, at, key);
      turn = new ArrayList<>(List.of(lens));
      Attention held = holding(subject.id());
      if (held != null) {
        turn.add(new SetValue(camera.id(), held.id() + "/across", frame, across, key));
        turn.add(new SetValue(camera.id(), held.id() + "/down", frame, down, key));
      } else {
        turn.add(turned(eye, subject, anchor, across, down, List.of(lens)));
      }
      Sequence next = s;
      for (Command c : turn) next = c.applyTo(next);
      Plan looked = new Plan(next, models);
      looked.evaluate(frame);
      now = Eye.of(looked, camera.id());
    }
    return turn;
  }

  /** The share of the present distance at which the subject has the size wanted. */
  private double nearing(Eye eye, Entity subject, Vec3 point, double size) {
    double ratio = 1;
    for (int i = 0; i < STEPS; i++) {
      Vec3 at = eye.place().minus(point).times(ratio).plus(point);
      ratio = height(eye.at(at), subject) / size * ratio;
    }
    return ratio;
  }

  private Vec3 moved(Eye eye, Entity subject, Vec3 point, double across, double down, double size) {
    double sx = eye.window().left() + across * eye.window().width();
    double sy = eye.window().top() - down * eye.window().height();
    double depth = -eye.seen(point).z();
    Vec3 at = shifted(eye, point, sx, sy, depth);
    for (int i = 0; i < STEPS && size > 0; i++) {
      depth = height(eye.at(at), subject) / size * depth;
      at = shifted(eye, point, sx, sy, depth);
    }
    return at;
  }

  private static Vec3 shifted(Eye eye, Vec3 point, double sx, double sy, double depth) {
    return point.minus(eye.worldDirection(new Vec3(sx * depth, sy * depth, -depth)));
  }

  private PlaceCamera place(Eye eye, Vec3 at) {
    double[] a = Rotation.newPanTiltRoll(eye.world(), 0);
    return new PlaceCamera(
        camera.id(), frame, at, Trig.degrees(a[0]), Trig.degrees(a[1]), Trig.degrees(a[2]), key);
  }

  /** Looks the way an attention part on top of the stack would. */
  private Command turned(
      Eye eye, Entity subject, String anchor, double across, double down, List<Command> before) {
    Sequence now = s;
    for (Command c : before) now = c.applyTo(now);
    Camera c = (Camera) now.get(camera.id());
    Attention look =
        new Attention(
            "placing",
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.POINTS,
            List.of(new Subject(subject.id(), anchor, Vec3.ZERO)),
            List.of(new Cue(frame, 0, Ease.EVEN, Map.of(subject.id(), 1.0))),
            Channels.NONE.with("across", across).with("down", down));
    List<RigPart> rig = new ArrayList<>(c.rig());
    rig.add(look);
    Plan aimed = new Plan(now.with(c.withRig(rig)), models);
    aimed.evaluate(frame);
    double[] m = new double[Matrix.SIZE];
    System.arraycopy(aimed.world(), aimed.slot(c.id()) * Matrix.SIZE, m, 0, Matrix.SIZE);
    return place(new Eye(m, eye.window()), eye.place());
  }

  /**
   * Changes the focal length and travels along the axis so that a subject keeps its size: its depth
   * grows just as the focal length.
   */
  public List<Command> keepingSize(Entity subject, String anchor, double focalLengthMm) {
    double[] p = new double[3];
    plan.anchor(subject.id(), anchor, p);
    Eye eye = Eye.of(plan, camera.id());
    double depth = -eye.seen(new Vec3(p[0], p[1], p[2])).z();
    if (depth <= 0)
      throw new Refusal(
          "behind", subject.id(), "", "“" + subject.name() + "” is behind the camera.");
    double f = plan.lens()[plan.slot(camera.id()) * LensRow.SIZE + LensRow.FOCAL];
    double back = depth * (focalLengthMm / f - 1);
    Vec3 at = eye.place().plus(eye.worldDirection(new Vec3(0, 0, back)));
    return List.of(
        new SetValue(camera.id(), "focalLength", frame, focalLengthMm, key), place(eye, at));
  }
}
