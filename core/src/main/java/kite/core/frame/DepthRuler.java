package kite.core.frame;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;
import kite.core.rules.Reference;
import kite.core.rules.References;
import kite.core.rules.Use;

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
   * Ids of the pieces that are subjects: a figure, something that moves, or what any camera looks
   * at or focuses on.
   */
  public static Set<String> subjects(Sequence s) {
    Set<String> looked = new HashSet<>(), all = new LinkedHashSet<>();
    for (Camera c : s.all(Camera.class))
      for (Reference r : References.of(c))
        if (r.use() == Use.ATTENDS || r.use() == Use.FOCUSES) looked.add(r.to());
    for (Piece p : s.all(Piece.class)) {
      Shape shape = Plan.shapeOf(s, p);
      if (looked.contains(p.id())
          || shape instanceof Shape.StandIn f && f.form().isFigure()
          || shape instanceof Shape.Model m && m.clip() != null) all.add(p.id());
    }
    return all;
  }

  /** The shown subjects ahead of a camera at the frame a plan last evaluated, nearest first. */
  public static List<Bar> bars(Sequence s, Plan plan, Camera camera) {
    Eye eye = Eye.of(plan, camera.id());
    List<Bar> all = new ArrayList<>();
    for (String id : subjects(s)) {
      Piece p = (Piece) s.get(id);
      if (!s.isShown(p)) continue;
      Extent e = Extent.of(plan, eye, p.id());
      if (e == null || e.wholeFarM() <= 0) continue;
      double[] at = new double[3];
      plan.anchor(p.id(), null, at);
      Vec3 seen = eye.seen(new Vec3(at[0], at[1], at[2]));
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
