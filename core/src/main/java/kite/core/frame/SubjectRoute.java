package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Entity;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;
import kite.core.optics.DeliveryWindow;

/** Where a subject falls in a camera's frame over time, and the subject carried about in it. */
public final class SubjectRoute {
  private final Plan plan;
  private final String camera;
  private final String subject;
  private final double[] point = new double[3];

  /**
   * @param plan is evaluated at the frames asked for
   */
  public SubjectRoute(Plan plan, String camera, String subject) {
    this.plan = plan;
    this.camera = camera;
    this.subject = subject;
  }

  /** Across and down as shares of the frame; NaN where it is beside or behind the lens. */
  public double[] at(double frame) {
    Eye eye = eye(frame);
    Vec3 seen = seen(eye);
    if (seen.z() >= 0) return new double[] {Double.NaN, Double.NaN};
    DeliveryWindow w = eye.window();
    return new double[] {w.across(seen.x(), seen.z()), w.down(seen.y(), seen.z())};
  }

  /** Frames on which the subject's own place has keys. */
  public List<Double> keys() {
    Entity e = plan.sequence().get(subject);
    TreeSet<Double> frames = new TreeSet<>();
    for (String axis : List.of("x", "y", "z"))
      if (e.channelSpec(axis) != null && e.channel(axis) instanceof Channel.Curve c)
        for (Key k : c.keys()) frames.add(k.frame());
    return List.copyOf(frames);
  }

  /**
   * The commands that move the subject by shares of the frame, at the distance it has.
   *
   * @param key whether a fixed place gets keys
   * @return nothing when it is behind the lens or has no place of its own
   */
  public List<Command> carry(double frame, double across, double down, boolean key) {
    Eye eye = eye(frame);
    double d = -seen(eye).z();
    if (d <= 0) return List.of();
    DeliveryWindow w = eye.window();
    Vec3 by = new Vec3(across * (w.right() - w.left()) * d, down * (w.bottom() - w.top()) * d, 0);
    List<Command> moves =
        new Arranging(plan.sequence(), plan, frame, key).move(subject, eye.worldDirection(by));
    List<Command> all = new ArrayList<>();
    for (Command c : moves) if (key) all.addAll(held(((SetValue) c).channel(), frame));
    all.addAll(moves);
    return all;
  }

  /** Keys that keep an axis without any where it is on the other keys of the way. */
  private List<Command> held(String axis, double frame) {
    List<Command> all = new ArrayList<>();
    if (plan.sequence().get(subject).channel(axis) instanceof Channel.Fixed f)
      for (double other : keys())
        if (other != frame) all.add(new SetValue(subject, axis, other, f.value(), true));
    return all;
  }

  private Eye eye(double frame) {
    plan.evaluateOnly(camera, frame);
    plan.evaluateOnly(subject, frame);
    return Eye.of(plan, camera);
  }

  private Vec3 seen(Eye eye) {
    plan.anchor(subject, null, point);
    return eye.seen(new Vec3(point[0], point[1], point[2]));
  }
}
