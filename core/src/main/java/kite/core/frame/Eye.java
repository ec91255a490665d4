package kite.core.frame;

import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.optics.DeliveryWindow;

/**
 * A camera's place and window at one moment.
 *
 * @param world world transform, 16 numbers
 */
public record Eye(double[] world, DeliveryWindow window) {

  /** The camera as a plan last evaluated it. */
  public static Eye of(Plan plan, String camera) {
    int slot = plan.slot(camera), o = slot * LensRow.SIZE;
    double[] l = plan.lens(), m = new double[Matrix.SIZE];
    System.arraycopy(plan.world(), slot * Matrix.SIZE, m, 0, Matrix.SIZE);
    return new Eye(
        m,
        new DeliveryWindow(
            l[o + LensRow.LEFT], l[o + LensRow.RIGHT], l[o + LensRow.BOTTOM], l[o + LensRow.TOP]));
  }

  /** A world point on the camera's axes; −z is ahead. */
  public Vec3 seen(Vec3 p) {
    double x = p.x() - world[12], y = p.y() - world[13], z = p.z() - world[14];
    return new Vec3(
        world[0] * x + world[1] * y + world[2] * z,
        world[4] * x + world[5] * y + world[6] * z,
        world[8] * x + world[9] * y + world[10] * z);
  }

  /** A direction on the camera's axes, in the world. */
  public Vec3 worldDirection(Vec3 d) {
    return new Vec3(
        world[0] * d.x() + world[4] * d.y() + world[8] * d.z(),
        world[1] * d.x() + world[5] * d.y() + world[9] * d.z(),
        world[2] * d.x() + world[6] * d.y() + world[10] * d.z());
  }

  public Vec3 place() {
    return new Vec3(world[12], world[13], world[14]);
  }

  /** The same camera with its place moved. */
  public Eye at(Vec3 p) {
    double[] m = world.clone();
    m[Matrix.OX] = p.x();
    m[Matrix.OY] = p.y();
    m[Matrix.OZ] = p.z();
    return new Eye(m, window);
  }

  /** The same place with all slopes scaled: half of them is twice the focal length. */
  public Eye through(double scale) {
    return new Eye(
        world,
        new DeliveryWindow(
            window.left() * scale,
            window.right() * scale,
            window.bottom() * scale,
            window.top() * scale));
  }
}
