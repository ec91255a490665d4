package kite.core.frame;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kite.core.command.References;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;

/** What stands at which distance from a lens. */
public final class DepthRuler {

  /**
   * A subject's stretch of the ruler, metres along the axis.
   *
   * @param pointM of its usual aim point
   * @param straightM from the lens to that point, not along the axis
   */
  public record Bar(
      String id,
      String name,
      String colour,
      double nearM,
      double farM,
      double pointM,
      double straightM,
      boolean inFrame) {}

  private DepthRuler() {}

  /**
   * Whether a piece is a subject: a figure, something that moves, or what any camera looks at or
   * focuses on.
   */
  public static boolean isSubject(Sequence s, Piece p) {
    Shape shape = Plan.shapeOf(s, p);
    if (shape instanceof Shape.StandIn f && f.form().isFigure()) return true;
    if (shape instanceof Shape.Model m && m.clip() != null) return true;
    for (Entity e : s.entities().values()) {
      String use = e instanceof Camera ? References.of(e).get(p.id()) : null;
      if ("attends to".equals(use) || "focuses on".equals(use)) return true;
    }
    return false;
  }

  /** The shown subjects ahead of a camera at the frame a plan last evaluated, nearest first. */
  public static List<Bar> bars(Sequence s, Plan plan, Camera camera) {
    Eye eye = Eye.of(plan, camera.id());
    Set<String> done = new HashSet<>();
    List<Bar> all = new ArrayList<>();
    for (Piece p : s.all(Piece.class)) {
      if (!isSubject(s, p) || !s.isShown(p) || !done.add(p.id())) continue;
      Extent e = Extent.of(plan, eye, p.id());
      if (e == null || e.wholeFarM() <= 0) continue;
      double[] at = new double[3];
      plan.anchor(p.id(), null, at);
      var seen = eye.seen(new kite.core.math.Vec3(at[0], at[1], at[2]));
      all.add(
          new Bar(
              p.id(),
              p.name(),
              p.colour(),
              Math.max(0, e.wholeNearM()),
              e.wholeFarM(),
              -seen.z(),
              seen.length(),
              e.inFrame()));
    }
    all.sort((a, b) -> Double.compare(a.pointM(), b.pointM()));
    return all;
  }
}
