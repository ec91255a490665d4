package kite.core.frame;

import kite.core.document.Entity;
import kite.core.document.Piece;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Vec3;

/**
 * How a subject sits in the frame, as shares of its height or width.
 *
 * @param headroom from the frame's top to the subject's top; negative when it is cut
 * @param leadRoom from the subject to the frame's edge on the side it faces
 * @param backRoom to the edge on the other side
 * @param faces left, right, or where it faces neither: lens, or away when its back is seen
 * @param height of the subject's outline
 */
public record Composition(
    double headroom, double leadRoom, double backRoom, String faces, double height) {
  /** A subject that turns less than this to a side, as a share of looking straight, faces us. */
  private static final double SIDEWAYS = 0.25;

  /** The reading for a piece; null for what is not ahead of the lens or draws nothing. */
  public static Composition of(Plan plan, Entity subject, Eye eye) {
    if (!(subject instanceof Piece)) return null;
    Extent e = Extent.of(plan, eye, subject.id());
    if (e == null || e.wholeFarM() <= 0 || Double.isInfinite(e.left())) return null;
    double[] m = plan.world();
    int o = plan.slot(subject.id()) * Matrix.SIZE;
    Vec3 ahead = new Vec3(-m[o + Matrix.ZX], -m[o + Matrix.ZY], -m[o + Matrix.ZZ]).unit();
    double side =
        ahead.x() * eye.world()[0] + ahead.y() * eye.world()[1] + ahead.z() * eye.world()[2];
    Vec3 toLens = eye.place().minus(new Vec3(m[o + Matrix.OX], m[o + Matrix.OY], m[o + Matrix.OZ]));
    String neither = ahead.dot(toLens) >= 0 ? "lens" : "away";
    String faces = Math.abs(side) < SIDEWAYS ? neither : side > 0 ? "right" : "left";
    double right = 1 - e.right(), left = e.left();
    boolean toLeft = side < 0;
    return new Composition(
        e.top(), toLeft ? left : right, toLeft ? right : left, faces, e.height());
  }
}
