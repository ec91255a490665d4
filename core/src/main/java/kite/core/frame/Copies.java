package kite.core.frame;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.command.EntityCommand.Duplicate;
import kite.core.command.EntityCommand.Replace;
import kite.core.command.EntityCommand.Reroute;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.FreeNames;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Measure;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.path.PathPoint;
import kite.core.rig.base.Base;
import kite.core.rules.Refusal;

/** Copies of things that stand beside their originals, one step on from the other. */
public final class Copies {
  /** More than a crowd that is placed by hand. */
  public static final int MOST = 500;

  /** The gap between a thing and its copy, as a share of its width. */
  private static final double GAP = 0.15;

  /** What has no width, and what is very thin, is copied this far beside itself. */
  private static final double LEAST_STEP_M = 0.5;

  /** What is wider than this is ground or a whole set: copied beside itself it would be lost. */
  private static final double WIDEST_M = 30;

  private Copies() {}

  /** How far to the right in the world a copy stands free beside what is copied, in metres. */
  public static double stepM(Arranging now, List<String> ids) {
    double width = now.size(ids)[0];
    return width > WIDEST_M ? LEAST_STEP_M : Math.max(LEAST_STEP_M, width * (1 + GAP));
  }

  /**
   * The commands that copy things so many times, each copy a step on from the last.
   *
   * @param plan evaluated at the frame in which carried things' axes are taken
   * @param newIds ids of the copies: those of the first round in the order of {@code ids}, then
   *     those of the next
   * @param step metres in the world
   * @param instances see {@link Duplicate}
   */
  public static List<Command> of(
      Sequence s, Plan plan, List<String> ids, List<String> newIds, Vec3 step, boolean instances) {
    int rounds = ids.isEmpty() ? 0 : newIds.size() / ids.size();
    if (rounds < 1 || newIds.size() > MOST || rounds * ids.size() != newIds.size())
      throw new Refusal(
          "many", "", "", "Type how many copies: one or more, up to " + MOST + " things in all.");
    List<Command> all = new ArrayList<>();
    Set<String> copied = new HashSet<>(ids);
    FreeNames names = new FreeNames(s); // as the copying gives them
    for (int n = 0; n < rounds; n++) {
      List<String> round = newIds.subList(n * ids.size(), (n + 1) * ids.size());
      all.add(new Duplicate(ids, round, instances));
      for (int i = 0; i < ids.size(); i++) {
        Entity e = s.get(ids.get(i));
        if (e == null) continue;
        e = e.withName(names.take(e.name()));
        // what is carried by another that is copied goes along with its copy
        if (copied.contains(carrier(e))) continue;
        Vec3 by = new Vec3(step.x() * (n + 1), step.y() * (n + 1), step.z() * (n + 1));
        all.addAll(moved(plan, e, round.get(i), by));
      }
    }
    return all;
  }

  private static String carrier(Entity e) {
    if (e instanceof Piece p) return p.parent();
    if (e instanceof Mark m) return m.rides();
    if (e instanceof Light l) return l.parent();
    return e instanceof Camera c && c.first(Base.class) != null
        ? c.first(Base.class).rides()
        : null;
  }

  private static List<Command> moved(Plan plan, Entity e, String copy, Vec3 by) {
    if (by.length() == 0) return List.of();
    if (e instanceof Path p) {
      List<PathPoint> points = new ArrayList<>();
      for (PathPoint q : p.points()) points.add(new PathPoint(q.at().plus(by), q.in(), q.out()));
      return List.of(new Reroute(copy, p.style(), p.closed(), points));
    }
    if (e instanceof Measure m)
      return List.of(
          new Replace(new Measure(copy, m.name(), m.camera(), m.from().plus(by), m.to().plus(by))));
    Base base = e instanceof Camera c ? c.first(Base.class) : null;
    String at = base == null ? "" : base.id() + "/";
    if (e.channelSpec(at + "x") == null) return List.of();
    String carrier = carrier(e);
    Vec3 own = by;
    if (carrier != null) {
      double[] axes = new double[Matrix.SIZE];
      System.arraycopy(plan.world(), plan.slot(carrier) * Matrix.SIZE, axes, 0, Matrix.SIZE);
      double[] back = Matrix.newInverse(axes, 0);
      own = Matrix.newPoint(back, 0, by).minus(Matrix.newPoint(back, 0, Vec3.ZERO));
    }
    List<Command> all = new ArrayList<>();
    double[] v = {own.x(), own.y(), own.z()};
    String[] axes = {"x", "y", "z"};
    for (int i = 0; i < 3; i++)
      if (v[i] != 0)
        all.add(new SetChannel(copy, at + axes[i], raised(e.channel(at + axes[i]), v[i])));
    return all;
  }

  /** A channel with so much added to all its values. */
  private static Channel raised(Channel c, double by) {
    if (!(c instanceof Channel.Curve curve)) return Channel.fixed(c.at(0) + by);
    List<Double> frames = new ArrayList<>();
    for (Key k : curve.keys()) frames.add(k.frame());
    return CurveEdits.move(curve, frames, 0, by);
  }
}
