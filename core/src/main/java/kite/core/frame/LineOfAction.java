package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.ActionLine;
import kite.core.document.Camera;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;

/**
 * The line of action as it lies on the frame a plan last evaluated, and which cameras are on which
 * side of it, seen from above.
 *
 * @param from the usual point of the one subject, x, y, z in metres
 * @param to that of the other
 * @param left letters of the cameras to the left of whoever looks from the one to the other
 * @param right letters of the others
 */
public record LineOfAction(double[] from, double[] to, List<String> left, List<String> right) {

  /** That of a sequence; null where it has none, or where its two stand in one place. */
  @OrNull
  public static LineOfAction of(Sequence s, Plan plan) {
    ActionLine line = ActionLine.of(s);
    if (line == null) return null;
    Vec3 p = point(plan, line.first()), q = point(plan, line.second());
    List<String> left = new ArrayList<>(), right = new ArrayList<>();
    for (Camera c : s.all(Camera.class)) {
      double side = side(Eye.of(plan, c.id()).place(), p, q);
      if (side != 0) (side < 0 ? left : right).add(c.letter());
    }
    left.sort(null);
    right.sort(null);
    return new LineOfAction(
        new double[] {p.x(), p.y(), p.z()}, new double[] {q.x(), q.y(), q.z()}, left, right);
  }

  /** A subject's usual point in the world. */
  public static Vec3 point(Plan plan, String id) {
    double[] p = new double[3];
    plan.anchor(id, null, p);
    return new Vec3(p[0], p[1], p[2]);
  }

  /**
   * On which side of the line through two points something is, seen from above: below 0 to the left
   * of whoever looks from the first to the second, above 0 to the right, 0 on it or where the two
   * are above each other.
   */
  public static double side(Vec3 place, Vec3 first, Vec3 second) {
    return (second.x() - first.x()) * (place.z() - first.z())
        - (second.z() - first.z()) * (place.x() - first.x());
  }
}
