package kite.core.path;

import kite.core.math.Vec3;

/**
 * A point of a path, in metres of the world.
 *
 * @param in incoming handle relative to the point; used by BEZIER paths
 * @param out outgoing handle relative to the point; used by BEZIER paths
 */
public record PathPoint(Vec3 at, Vec3 in, Vec3 out) {
  public static PathPoint of(double x, double y, double z) {
    return new PathPoint(new Vec3(x, y, z), Vec3.ZERO, Vec3.ZERO);
  }
}
