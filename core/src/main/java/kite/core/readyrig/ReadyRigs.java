package kite.core.readyrig;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.optics.DeliveryWindow;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.arm.Arm;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.framings.Framings;
import kite.core.rig.head.Head;
import kite.core.rig.operator.Operator;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;
import kite.core.rig.trim.Trim;
import kite.core.rules.Refusal;

/**
 * Gives a camera another stack without moving it: place and aim at the frame stay to the last digit
 * that counts; keys of the old stack are gone with it.
 */
public final class ReadyRigs {
  private static final double ARM_M = 4;
  private static final double RAIL_M = 4;

  /** Cameras a travelling one is offered at once; more can be added by hand. */
  private static final int MOST_FRAMINGS = 8;

  private final Sequence s;
  private final Models models;
  private final Camera camera;
  private final double frame;
  private final Eye eye;
  private final Plan plan;
  private final double pan;

  public ReadyRigs(Sequence s, Models models, Camera camera, double frame) {
    this.s = s;
    this.models = models;
    this.camera = camera;
    this.frame = frame;
    plan = new Plan(s, models);
    plan.evaluate(frame);
    eye = Eye.of(plan, camera.id());
    pan = degrees()[0];
  }

  /**
   * The commands that make it.
   *
   * @param subject for the kinds that need one, else null
   * @param pathId id of the path made for {@link ReadyRig#RAIL}
   * @param between the cameras a travelling one shall travel between; none for all there are
   * @throws Refusal when a subject is needed and missing, or is the camera itself
   */
  public List<Command> make(ReadyRig kind, String subject, String pathId, List<String> between) {
    Entity about = s.get(subject);
    if (kind.needsSubject() && (about == null || about.id().equals(camera.id())))
      throw new Refusal(
          "missing",
          camera.id(),
          "subject",
          "Choose the subject first: click it in the set, or pick it beside the ready-made rig.");
    List<Command> all = new ArrayList<>();
    List<RigPart> rig = new ArrayList<>();
    switch (kind) {
      case TRIPOD -> tripod(rig);
      case SLIDER -> {
        rig.add(base(Channels.NONE.with("pan", pan)));
        rig.add(new Slide("slide", true, Channels.NONE));
        rig.add(head());
      }
      case RAIL -> {
        all.add(new EntityCommand.Add(straightRail(pathId)));
        rig.add(base(Channels.NONE));
        rig.add(rail(pathId));
        rig.add(head());
      }
      case CRANE -> {
        rig.add(base(Channels.NONE.with("pan", pan)));
        rig.add(new Arm("arm", true, true, Channels.NONE.with("length", ARM_M)));
        rig.add(head());
      }
      case ORBIT -> orbit(rig, subject);
      case RIDING -> {
        rig.add(new Base("base", true, subject, Base.Takes.ALL, Channels.NONE));
        rig.add(head());
      }
      case FOLLOWING -> {
        rig.add(new Base("base", true, subject, Base.Takes.POSITION, Channels.NONE));
        rig.add(head());
        rig.add(looking(subject, about.name()));
      }
      case HANDHELD -> {
        tripod(rig);
        double steps = Operator.STEPS_PER_SECOND;
        rig.add(
            new Operator("operator", true, Operator.Preset.ON_SHOULDER, steps, 1, Channels.NONE));
      }
      case TRAVELLING -> {
        rig.add(base(here()));
        rig.add(framings(between));
      }
      case TRIMMED -> {
        tripod(rig);
        rig.add(new Trim("trim", true, "note", null, List.of(), Channels.NONE));
      }
    }
    all.add(new RigCommand.SetRig(camera.id(), rig));
    if (kind == ReadyRig.TRAVELLING) return all; // its base stands there already
    double[] turn = degrees();
    all.add(
        new RigCommand.PlaceCamera(
            camera.id(), frame, eye.place(), turn[0], turn[1], turn[2], false));
    if (kind == ReadyRig.FOLLOWING) leaning(all, subject);
    return all;
  }

  /** Gives the aim the roll that the camera has, about the line to the subject. */
  private void leaning(List<Command> all, String subject) {
    Sequence upright = Edit.apply(s, all);
    Plan p = new Plan(upright, models);
    p.evaluate(frame);
    double[] at = new double[3], is = Eye.of(p, camera.id()).world(), want = eye.world();
    p.anchor(subject, null, at);
    Vec3 sight = new Vec3(at[0], at[1], at[2]).minus(eye.place());
    sight = sight.times(1 / sight.length());
    // the turn from one to the other, as a matrix: want · isᵀ
    double[][] d = new double[3][3];
    for (int i = 0; i < 3; i++)
      for (int j = 0; j < 3; j++)
        for (int k = 0; k < 3; k++) d[i][j] += want[k * 4 + i] * is[k * 4 + j];
    Vec3 twice = new Vec3(d[2][1] - d[1][2], d[0][2] - d[2][0], d[1][0] - d[0][1]);
    double roll = -ArcTrig.atan2(twice.dot(sight), d[0][0] + d[1][1] + d[2][2] - 1);
    Attention aim = ((Camera) upright.get(camera.id())).first(Attention.class);
    Channels c = aim.channels().with("roll", Trig.degrees(roll));
    all.add(new RigCommand.SetPart(camera.id(), aim.withChannels(c)));
  }

  /** Pan, tilt and roll of the camera in the world. */
  private double[] degrees() {
    double[] turn = Rotation.newPanTiltRoll(eye.world(), 0);
    for (int i = 0; i < 3; i++) turn[i] = Trig.degrees(turn[i]);
    return turn;
  }

  private Channels here() {
    double[] turn = degrees();
    Vec3 at = eye.place();
    return Channels.NONE
        .with("x", at.x())
        .with("y", at.y())
        .with("z", at.z())
        .with("pan", turn[0])
        .with("tilt", turn[1])
        .with("roll", turn[2]);
  }

  private static Base base(Channels c) {
    return new Base("base", true, null, Base.Takes.POSITION, c);
  }

  private static Head head() {
    return new Head("head", true, Channels.NONE);
  }

  private static void tripod(List<RigPart> rig) {
    rig.add(base(Channels.NONE));
    rig.add(head());
  }

  /** On the ground below the camera, towards where it looks. */
  private Path straightRail(String id) {
    double a = Trig.radians(pan);
    Vec3 at = eye.place(), foot = new Vec3(at.x(), 0, at.z());
    Vec3 ahead = new Vec3(-Trig.sin(a), 0, -Trig.cos(a));
    List<PathPoint> points = new ArrayList<>();
    for (int i = 0; i <= 2; i++)
      points.add(new PathPoint(foot.plus(ahead.times(RAIL_M * i / 2)), Vec3.ZERO, Vec3.ZERO));
    return new Path(id, s.freeName("Rail of " + camera.letter()), PathStyle.THROUGH, false, points);
  }

  private Rail rail(String path) {
    Channels up = Channels.NONE.with("up", eye.place().y());
    return new Rail("rail", true, path, Rail.Facing.KEEP, null, true, up);
  }

  /** An arm from the subject to the camera, with a head at its end. */
  private void orbit(List<RigPart> rig, String subject) {
    Vec3 from = Matrix.newOrigin(plan.world(), plan.slot(subject) * Matrix.SIZE);
    Vec3 out = eye.place().minus(from);
    double flat = Trig.hypot(out.x(), out.z());
    rig.add(new Base("base", true, subject, Base.Takes.POSITION, Channels.NONE));
    rig.add(
        new Arm(
            "arm",
            true,
            true,
            Channels.NONE
                .with("length", out.length())
                .with("swing", Trig.degrees(ArcTrig.atan2(-out.x(), -out.z())))
                .with("lift", Trig.degrees(ArcTrig.atan2(out.y(), flat)))));
    rig.add(head());
  }

  /** Looks at the subject where it now is in the frame. */
  private Attention looking(String subject, String name) {
    double[] p = new double[3];
    plan.anchor(subject, null, p);
    Vec3 seen = eye.seen(new Vec3(p[0], p[1], p[2]));
    Plan bare =
        new Plan(s.with(camera.withRig(List.of())), models); // its lens without the old stack
    bare.evaluate(frame);
    DeliveryWindow window = Eye.of(bare, camera.id()).window();
    double across = window.across(seen.x(), seen.z());
    double down = window.down(seen.y(), seen.z());
    if (!(seen.z() < 0 && across >= 0 && across <= 1 && down >= 0 && down <= 1))
      throw new Refusal(
          "behind",
          camera.id(),
          "subject",
          "“" + name + "” is not in frame. Turn camera " + camera.letter() + " to it first.");
    return new Attention(
        "attention",
        true,
        Attention.Up.WORLD,
        null,
        Attention.Blend.DIRECTIONS,
        List.of(Subject.of(subject)),
        List.of(new Cue(s.header().firstFrame(), 0, Ease.SLOW_BOTH, Map.of(subject, 1.0))),
        Channels.NONE.with("across", across).with("down", down));
  }

  /** Other cameras, with a cue that leaves this one where it stands until another is put. */
  private Framings framings(List<String> between) {
    List<String> others = new ArrayList<>();
    for (String id : between) {
      if (id.equals(camera.id()) || !(s.get(id) instanceof Camera c)) continue;
      if (leansOn(c))
        throw new Refusal(
            "loop",
            camera.id(),
            "cameras",
            "“" + c.name() + "” depends on “" + camera.name() + "”, which so cannot travel to it.");
      others.add(id);
    }
    for (Camera c : s.all(Camera.class)) {
      if (!between.isEmpty() && !others.isEmpty()) break; // those that were chosen alone
      if (c.id().equals(camera.id()) || others.size() == MOST_FRAMINGS) continue;
      if (!leansOn(c)) others.add(c.id());
    }
    if (others.isEmpty())
      throw new Refusal(
          "missing",
          camera.id(),
          "cameras",
          "There is no other camera to travel to. Frame another one first.");
    List<Cue> cues = List.of(new Cue(s.header().firstFrame(), 0, Ease.SLOW_BOTH, Map.of()));
    return new Framings(
        "framings", true, Framings.Route.STRAIGHT, true, others, cues, Channels.NONE);
  }

  /** Whether another camera depends on this one, so that travelling to it would be a loop. */
  private boolean leansOn(Camera other) {
    try {
      Framings only =
          new Framings(
              "framings",
              true,
              Framings.Route.STRAIGHT,
              true,
              List.of(other.id()),
              List.of(),
              Channels.NONE);
      kite.core.rules.Rules.noLoops(s.with(camera.withRig(List.<RigPart>of(only))));
      return false;
    } catch (Refusal loop) {
      return true;
    }
  }
}
