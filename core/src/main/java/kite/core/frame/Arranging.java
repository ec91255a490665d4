package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Placement;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;

/** Sizes of things in the set, and moves that line them up. */
public final class Arranging {
  /** A move by no more than this, metres, is rounding and makes no edit. */
  private static final double THERE_M = 1e-12;

  /** Which part of each thing's bounds is brought in line. */
  public enum By {
    LEAST,
    CENTRE,
    MOST
  }

  private final Sequence s;
  private final Plan plan;
  private final double frame;
  private final boolean key;

  /**
   * @param plan evaluated at {@code frame}
   */
  public Arranging(Sequence s, Plan plan, double frame, boolean key) {
    this.s = s;
    this.plan = plan;
    this.frame = frame;
    this.key = key;
  }

  /**
   * Bounds in the world: least x, y, z, most x, y, z; a thing that draws nothing is a point. Null
   * for what has no place.
   */
  public double[] bounds(String id) {
    if (plan.slot(id) < 0) return null;
    double inf = Double.POSITIVE_INFINITY;
    double[] b = {inf, inf, inf, -inf, -inf, -inf};
    plan.corners(id, (x, y, z) -> grow(b, x, y, z));
    for (Piece p : s.all(Piece.class)) {
      if (!id.equals(p.parent())) continue;
      double[] inner = bounds(p.id());
      if (inner == null) continue;
      grow(b, inner[0], inner[1], inner[2]);
      grow(b, inner[3], inner[4], inner[5]);
    }
    if (b[0] == inf) {
      Vec3 p = Matrix.newOrigin(plan.world(), plan.slot(id) * Matrix.SIZE);
      return new double[] {p.x(), p.y(), p.z(), p.x(), p.y(), p.z()};
    }
    return b;
  }

  private static void grow(double[] b, double x, double y, double z) {
    b[0] = Math.min(b[0], x);
    b[1] = Math.min(b[1], y);
    b[2] = Math.min(b[2], z);
    b[3] = Math.max(b[3], x);
    b[4] = Math.max(b[4], y);
    b[5] = Math.max(b[5], z);
  }

  /** Width, height and depth of things together; of one piece, on its own axes. */
  public double[] size(List<String> ids) {
    double inf = Double.POSITIVE_INFINITY;
    double[] b = {inf, inf, inf, -inf, -inf, -inf};
    if (ids.size() == 1 && plan.slot(ids.get(0)) >= 0) {
      double[] m = new double[Matrix.SIZE];
      System.arraycopy(plan.world(), plan.slot(ids.get(0)) * Matrix.SIZE, m, 0, Matrix.SIZE);
      Matrix.makeRigid(m, 0);
      double[] inverse = Matrix.newInverse(m, 0), p = new double[3];
      plan.corners(
          ids.get(0),
          (x, y, z) -> {
            Matrix.point(inverse, 0, x, y, z, p, 0);
            grow(b, p[0], p[1], p[2]);
          });
    }
    if (b[0] == inf) {
      for (String id : ids) {
        double[] o = bounds(id);
        if (o == null) continue;
        grow(b, o[0], o[1], o[2]);
        grow(b, o[3], o[4], o[5]);
      }
    }
    return b[0] == inf
        ? new double[] {0, 0, 0}
        : new double[] {b[3] - b[0], b[4] - b[1], b[5] - b[2]};
  }

  /** Moves that bring all but the first in line with the first, along the axes chosen. */
  public List<Command> align(List<String> ids, boolean x, boolean y, boolean z, By by) {
    List<Command> all = new ArrayList<>();
    double[] first = bounds(ids.get(0));
    if (first == null) return all;
    for (String id : ids.subList(1, ids.size())) {
      double[] b = bounds(id);
      if (b == null) continue;
      Vec3 d =
          new Vec3(
              x ? edge(first, 0, by) - edge(b, 0, by) : 0,
              y ? edge(first, 1, by) - edge(b, 1, by) : 0,
              z ? edge(first, 2, by) - edge(b, 2, by) : 0);
      all.addAll(move(id, d));
    }
    return all;
  }

  private static double edge(double[] b, int axis, By by) {
    return switch (by) {
      case LEAST -> b[axis];
      case CENTRE -> (b[axis] + b[axis + 3]) / 2;
      case MOST -> b[axis + 3];
    };
  }

  /** Moves that set things' lowest points on a height. */
  public List<Command> setDown(List<String> ids, double height) {
    List<Command> all = new ArrayList<>();
    for (String id : ids) {
      double[] b = bounds(id);
      if (b != null) all.addAll(move(id, new Vec3(0, height - b[1], 0)));
    }
    return all;
  }

  /** Moves that put things' origins on the nearest crossing of the grid's lines. */
  public List<Command> toGrid(List<String> ids, double lineM) {
    List<Command> all = new ArrayList<>();
    for (String id : ids) {
      if (plan.slot(id) < 0) continue;
      Vec3 p = Matrix.newOrigin(plan.world(), plan.slot(id) * Matrix.SIZE);
      all.addAll(
          move(
              id,
              new Vec3(
                  Math.rint(p.x() / lineM) * lineM - p.x(),
                  0,
                  Math.rint(p.z() / lineM) * lineM - p.z())));
    }
    return all;
  }

  /** Moves that put a thing's origin at a point of the world. */
  public List<Command> toPoint(String id, Vec3 point) {
    if (plan.slot(id) < 0) return List.of();
    return move(id, point.minus(Matrix.newOrigin(plan.world(), plan.slot(id) * Matrix.SIZE)));
  }

  /**
   * Commands that give a thing the turn of a transform in the world; its place stays.
   *
   * @param world 16 numbers, of which the axes' directions count
   */
  public List<Command> turnTo(String id, double[] world) {
    Entity e = s.get(id);
    if (e instanceof Camera) {
      double[] a = degrees(Rotation.newPanTiltRoll(world, 0));
      Vec3 at = Matrix.newOrigin(plan.world(), plan.slot(id) * Matrix.SIZE);
      return List.of(new RigCommand.PlaceCamera(id, frame, at, a[0], a[1], a[2], key));
    }
    if (e.channelSpec("pan") == null || plan.slot(id) < 0) return List.of();
    double[] own = world.clone();
    String carrier = carrier(e);
    if (carrier != null) {
      double[] c = new double[Matrix.SIZE];
      System.arraycopy(plan.world(), plan.slot(carrier) * Matrix.SIZE, c, 0, Matrix.SIZE);
      Matrix.makeRigid(c, 0);
      Matrix.multiply(Matrix.newInverse(c, 0), 0, world, 0, own, 0);
    }
    Matrix.makeRigid(own, 0);
    AxisOrder order = e instanceof Piece p ? p.order() : AxisOrder.PAN_TILT_ROLL;
    double[] a = degrees(Rotation.newAngles(order, own, 0));
    List<Command> all = new ArrayList<>();
    String[] names = {"pan", "tilt", "roll"};
    for (int i = 0; i < 3; i++) {
      double now = e.channel(names[i]).at(frame), then = Placement.nearest(a[i], now);
      if (Math.abs(then - now) > SAME_DEGREES)
        all.add(new SetValue(id, names[i], frame, then, key));
    }
    return all;
  }

  /** Angles that differ by less are the same: what comes back from axes is rounded. */
  private static final double SAME_DEGREES = 1e-7;

  private static double[] degrees(double[] radians) {
    double[] d = new double[radians.length];
    for (int i = 0; i < d.length; i++) d[i] = Trig.degrees(radians[i]);
    return d;
  }

  private static String carrier(Entity e) {
    return e instanceof Piece p
        ? p.parent()
        : e instanceof Mark m ? m.rides() : e instanceof Light l ? l.parent() : null;
  }

  /** Commands that carry a thing by so much in the world, given on the axes its place has. */
  public List<Command> move(String id, Vec3 by) {
    Entity e = s.get(id);
    if (by.length() < THERE_M || e.channelSpec("x") == null) return List.of();
    String carrier = carrier(e);
    Vec3 d = by;
    if (carrier != null) {
      double[] inverse = Matrix.newInverse(plan.world(), plan.slot(carrier) * Matrix.SIZE);
      d = Matrix.newPoint(inverse, 0, by).minus(Matrix.newPoint(inverse, 0, Vec3.ZERO));
    }
    List<Command> all = new ArrayList<>();
    double[] v = {d.x(), d.y(), d.z()};
    String[] names = {"x", "y", "z"};
    for (int i = 0; i < 3; i++)
      if (Math.abs(v[i]) > THERE_M)
        all.add(new SetValue(id, names[i], frame, e.channel(names[i]).at(frame) + v[i], key));
    return all;
  }
}
