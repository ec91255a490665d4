package kite.core.check;

import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.ArcTrig;
import kite.core.math.Powers;
import kite.core.math.Trig;
import kite.core.math.Vec3;

/** Whether a camera moves right where a shot begins or ends, and stands still outside. */
final class Edges {
  /** So many frames in and out are looked at; fewer where the handles are shorter. */
  private static final int REACH_FRAMES = 4;

  /**
   * Nobody sees a camera go over so many metres, or turn over so many radians, or zoom by such a
   * share.
   */
  private static final double LEAST_M = 0.01;

  private static final double LEAST_RADIANS = Trig.radians(0.2);
  private static final double LEAST_ZOOM = 0.005;

  /** Of what it does within, so little outside is standing still. */
  private static final double STILL = 0.02;

  private final Plan plan;
  private final Camera camera;

  Edges(Plan plan, Camera camera) {
    this.plan = plan;
    this.camera = camera;
  }

  /**
   * What is said of a shot; null for nothing.
   *
   * @param handles frames at each end
   */
  String says(Programme.Placed p, int handles) {
    plan.inTake(p.inTake());
    boolean begins = moves(p.sceneFirst(), 1, handles), ends = moves(p.sceneLast(), -1, handles);
    if (!begins && !ends) return null;
    String where =
        begins && ends
            ? "where the shot begins and ends"
            : begins ? "where the shot begins" : "where the shot ends";
    return handles == 0
        ? "Camera " + camera.letter() + " moves " + where + ", and there are no handles."
        : "Camera " + camera.letter() + " moves " + where + ", and stands still in the handles.";
  }

  /**
   * @param inward 1 at a shot's beginning, −1 at its end
   */
  private boolean moves(double edge, int inward, int handles) {
    double within = between(edge, edge + inward * REACH_FRAMES);
    if (within < 1) return false;
    if (handles == 0) return true;
    double out = Math.min(REACH_FRAMES, handles);
    return between(edge, edge - inward * out) < STILL * within;
  }

  /** How much it does from one frame to another, as a multiple of what is seen. */
  private double between(double a, double b) {
    plan.evaluateOnly(camera.id(), a);
    Eye was = Eye.of(plan, camera.id());
    Vec3 at = was.place();
    Vec3 ahead = was.worldDirection(new Vec3(0, 0, -1)), up = was.worldDirection(new Vec3(0, 1, 0));
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double focal = plan.lens()[o + LensRow.FOCAL];
    plan.evaluateOnly(camera.id(), b);
    Eye is = Eye.of(plan, camera.id());
    double turned =
        Math.max(
            angle(ahead, is.worldDirection(new Vec3(0, 0, -1))),
            angle(up, is.worldDirection(new Vec3(0, 1, 0))));
    return Math.max(
        is.place().minus(at).length() / LEAST_M,
        Math.max(
            turned / LEAST_RADIANS,
            Math.abs(Powers.log(plan.lens()[o + LensRow.FOCAL] / focal)) / LEAST_ZOOM));
  }

  private static double angle(Vec3 a, Vec3 b) {
    return ArcTrig.atan2(a.cross(b).length(), a.dot(b));
  }
}
