package kite.core.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import kite.core.document.Path;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rules.Refusal;

/**
 * Paths of a plain shape. Arcs are cubic Béziers of at most an eighth of a turn, whose radius is
 * off by less than 5e-6 of itself (handles 4/3·tan(a/4)·r; Goldapp, 1991).
 */
public final class PathShapes {
  /** The shapes. */
  public enum Form {
    LINE(5, 0, 0),
    CIRCLE(3, 0, 0),
    ARC(4, 90, 0),
    HELIX(3, 360, 2);
    private final double sizeM, degrees, riseM;

    Form(double sizeM, double degrees, double riseM) {
      this.sizeM = sizeM;
      this.degrees = degrees;
      this.riseM = riseM;
    }
  }

  /** Height at which paths begin, and drawn ones run, metres: a camera on a tripod. */
  public static final double HEIGHT_M = 1.5;

  private static final double MOST_M = 10000;
  private static final double MOST_DEGREES = 360 * 50;

  private PathShapes() {}

  /**
   * A shape of a size to begin with, at a camera's height above a place.
   *
   * @param free gives a name that is free
   */
  public static Path usual(Form form, double x, double z, String id, UnaryOperator<String> free) {
    return of(form, new Vec3(x, HEIGHT_M, z), form.sizeM, form.degrees, form.riseM, id, free);
  }

  /**
   * @param centre of a round path; where a line starts
   * @param sizeM length of a line, else radius
   * @param degrees of an arc or helix; more than 0
   * @param riseM height gained by a helix
   * @param free gives a name that is free
   */
  public static Path of(
      Form form,
      Vec3 centre,
      double sizeM,
      double degrees,
      double riseM,
      String id,
      UnaryOperator<String> free) {
    boolean sweeps = form == Form.ARC || form == Form.HELIX;
    if (!(sizeM > 0 && sizeM <= MOST_M && Math.abs(riseM) <= MOST_M)
        || sweeps && !(degrees > 0 && degrees <= MOST_DEGREES))
      throw new Refusal(
          "range",
          id,
          "points",
          "A path needs a size above 0 and at most 10000 m, and a sweep above 0 and at most 50 turns.");
    String name = free.apply(form.name().charAt(0) + form.name().substring(1).toLowerCase());
    return switch (form) {
      case LINE -> {
        List<PathPoint> two =
            List.of(
                new PathPoint(centre, Vec3.ZERO, Vec3.ZERO),
                new PathPoint(centre.plus(new Vec3(0, 0, -sizeM)), Vec3.ZERO, Vec3.ZERO));
        yield new Path(id, name, PathStyle.THROUGH, false, two);
      }
      case CIRCLE -> {
        List<PathPoint> all = round(centre, sizeM, 360, 0);
        yield new Path(id, name, PathStyle.BEZIER, true, all.subList(0, all.size() - 1));
      }
      case ARC -> new Path(id, name, PathStyle.BEZIER, false, round(centre, sizeM, degrees, 0));
      case HELIX ->
          new Path(id, name, PathStyle.BEZIER, false, round(centre, sizeM, degrees, riseM));
    };
  }

  /** Counter-clockwise seen from above, from +Z of the centre. */
  private static List<PathPoint> round(Vec3 c, double r, double degrees, double rise) {
    int spans = (int) Math.ceil(degrees / 45);
    double step = Trig.radians(degrees) / spans, reach = 4.0 / 3 * Trig.tan(step / 4) * r;
    List<PathPoint> all = new ArrayList<>();
    for (int i = 0; i <= spans; i++) {
      double a = i * step, up = rise / spans;
      Vec3 out = new Vec3(Trig.cos(a) * reach, up / 3, -Trig.sin(a) * reach);
      Vec3 at = c.plus(new Vec3(Trig.sin(a) * r, up * i, Trig.cos(a) * r));
      all.add(new PathPoint(at, out.times(-1), out));
    }
    return all;
  }
}
