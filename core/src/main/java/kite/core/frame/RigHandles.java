package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.document.Camera;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;
import kite.core.rig.arm.Arm;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;

/**
 * Points by which a rig part is moved where it stands in the set: the carriage on its rail, the end
 * of an arm, the head of a slide.
 */
public final class RigHandles {
  /** An arm is not made shorter than this, metres: it would have no direction. */
  private static final double NO_ARM_M = 1e-6;

  /**
   * An arm whose reach along the ground is shorter than this, metres, stands up and keeps its
   * swing.
   */
  private static final double UPRIGHT_M = 1e-9;

  private final Sequence s;
  private final Plan plan;
  private final Camera camera;
  private final double frame;

  public RigHandles(Plan plan, String camera, double frame) {
    s = plan.sequence();
    this.plan = plan;
    this.camera = (Camera) s.get(camera);
    this.frame = frame;
  }

  /**
   * @param part id
   * @param from where the part stands, with {@code at} where its handle is; metres in the world
   */
  public record Handle(String part, Vec3 from, Vec3 at) {}

  public List<Handle> all() {
    List<Handle> all = new ArrayList<>();
    for (RigPart p : camera.rig()) {
      boolean moves = p instanceof Arm || p instanceof Slide;
      if (!p.on() || !moves && !(p instanceof Rail r && s.get(r.path()) instanceof Path)) continue;
      Vec3 at = Matrix.newOrigin(plan.newAbove(camera.id(), p, frame), 0);
      all.add(
          new Handle(
              p.id(), moves ? Matrix.newOrigin(plan.newBelow(camera.id(), p, frame), 0) : at, at));
    }
    return all;
  }

  /**
   * The commands that bring a part's handle to a place, or as near as it goes.
   *
   * @param key whether fixed channels get a key
   */
  public List<Command> move(RigPart part, Vec3 to, boolean key) {
    if (part instanceof Rail r && s.get(r.path()) instanceof Path p) {
      PathTable t = new PathTable(p.points(), p.style(), p.closed());
      if (t.length() == 0) return List.of();
      double metres = t.metres(t.nearest(to)) - value(r, "along");
      return List.of(set(r, "progress", 100 * metres / t.length(), key));
    }
    double[] below = plan.newBelow(camera.id(), part, frame);
    Matrix.makeRigid(below, 0);
    Vec3 own = Matrix.newPoint(Matrix.newInverse(below, 0), 0, to);
    if (part instanceof Slide)
      return List.of(
          set(part, "truck", own.x(), key),
          set(part, "pedestal", own.y(), key),
          set(part, "dolly", -own.z(), key));
    if (!(part instanceof Arm) || own.length() < NO_ARM_M) return List.of();
    double flat = Trig.hypot(own.x(), own.z());
    double swing = Trig.degrees(ArcTrig.atan2(-own.x(), -own.z())), now = value(part, "swing");
    swing += 360 * Math.rint((now - swing) / 360); // the nearest of its turns
    return List.of(
        set(part, "length", own.length(), key),
        set(part, "swing", flat < UPRIGHT_M ? now : swing, key),
        set(part, "lift", Trig.degrees(ArcTrig.atan2(own.y(), flat)), key));
  }

  private double value(RigPart part, String channel) {
    return camera.channel(part.id() + "/" + channel).at(frame);
  }

  private Command set(RigPart part, String channel, double value, boolean key) {
    return new SetValue(camera.id(), part.id() + "/" + channel, frame, value, key);
  }
}
