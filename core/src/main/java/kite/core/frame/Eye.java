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
    double x = p.x() - world[Matrix.OX], y = p.y() - world[Matrix.OY], z = p.z() - world[Matrix.OZ];
    return new Vec3(
        world[Matrix.XX] * x + world[Matrix.XY] * y + world[Matrix.XZ] * z,
        world[Matrix.YX] * x + world[Matrix.YY] * y + world[Matrix.YZ] * z,
        world[Matrix.ZX] * x + world[Matrix.ZY] * y + world[Matrix.ZZ] * z);
  }

  /** A direction on the camera's axes, in the world. */
  public Vec3 worldDirection(Vec3 d) {
    return new Vec3(
        world[Matrix.XX] * d.x() + world[Matrix.YX] * d.y() + world[Matrix.ZX] * d.z(),
        world[Matrix.XY] * d.x() + world[Matrix.YY] * d.y() + world[Matrix.ZY] * d.z(),
        world[Matrix.XZ] * d.x() + world[Matrix.YZ] * d.y() + world[Matrix.ZZ] * d.z());
  }

  public Vec3 place() {
    return new Vec3(world[Matrix.OX], world[Matrix.OY], world[Matrix.OZ]);
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
