package kite.render;

import java.util.function.DoubleSupplier;
import kite.core.document.Light;
import kite.core.evaluate.Plan;
import kite.core.light.Lit;
import kite.core.math.Matrix;

/**
 * A light as the renderer samples it.
 *
 * @param world place and axes, 16 numbers; −Z is the way its light travels
 * @param irradiance linear red, green, blue: for the sun on a face turned to it, for point and spot
 *     at one metre, for area the radiance of its face
 * @param softness half angle of the sun's disc in radians
 * @param lit the light's own numbers; null for a plain sun
 */
public record Lamp(
    Light.Form form,
    double[] world,
    double[] irradiance,
    double[] shadowTint,
    boolean specular,
    double softness,
    Lit lit) {
  /** No nearer than a millimetre to a lamp, square metres: its light would have no bound. */
  private static final double AT_THE_LAMP_M2 = 1e-6;

  /** A sun in a direction. */
  static Lamp sun(double[] toSun, double[] irradiance, double softness) {
    double[] m = Matrix.newIdentity();
    System.arraycopy(toSun, 0, m, 8, 3);
    return new Lamp(Light.Form.SUN, m, irradiance, new double[3], true, softness, null);
  }

  /** A light of a sequence as the plan last evaluated it. */
  static Lamp of(Plan plan, Light l, double frame) {
    Lit lit = Lit.of(l, frame);
    double[] m = new double[Matrix.SIZE], e = lit.colour().clone();
    System.arraycopy(plan.world(), plan.slot(l.id()) * Matrix.SIZE, m, 0, Matrix.SIZE);
    Matrix.makeRigid(m, 0);
    for (int i = 0; i < 3; i++) e[i] *= lit.power();
    boolean sun = l.form() == Light.Form.SUN;
    double soft =
        sun && l.softShadow() ? Math.toRadians(l.channel(Light.SOFTNESS.name()).at(frame)) : 0;
    return new Lamp(l.form(), m, e, lit.shadowTint(), l.specular(), soft, lit);
  }

  /**
   * One look at the light from a point.
   *
   * @param random even in 0–1
   * @param out direction to the light x, y, z, distance in metres, then the share of {@link
   *     #irradiance} that arrives on a face turned to it
   */
  void look(double px, double py, double pz, DoubleSupplier random, double[] out) {
    if (form == Light.Form.SUN) {
      double k = Math.tan(softness);
      double x = world[8], y = world[9], z = world[10];
      if (k > 0) {
        x += (2 * random.getAsDouble() - 1) * k;
        y += (2 * random.getAsDouble() - 1) * k;
        z += (2 * random.getAsDouble() - 1) * k;
      }
      put(x, y, z, out);
      out[3] = 1e6;
      out[4] = 1;
      return;
    }
    double u = 0, v = 0, w = 0, radius = lit.radiusM();
    if (form == Light.Form.AREA) {
      u = (random.getAsDouble() - 0.5) * lit.widthM();
      v = (random.getAsDouble() - 0.5) * lit.heightM();
    } else if (radius > 0) {
      double z = 2 * random.getAsDouble() - 1, a = 2 * Math.PI * random.getAsDouble();
      double k = Math.sqrt(1 - z * z);
      u = radius * k * Math.cos(a);
      v = radius * k * Math.sin(a);
      w = radius * z;
    }
    double x = world[12] + world[0] * u + world[4] * v + world[8] * w - px;
    double y = world[13] + world[1] * u + world[5] * v + world[9] * w - py;
    double z = world[14] + world[2] * u + world[6] * v + world[10] * w - pz;
    double d = put(x, y, z, out);
    // the cosine between the light's axis and the way to the point
    double axis = world[8] * out[0] + world[9] * out[1] + world[10] * out[2];
    out[3] = d;
    out[4] = 1 / Math.max(AT_THE_LAMP_M2, d * d);
    if (form == Light.Form.AREA) out[4] *= Math.max(0, axis) * lit.widthM() * lit.heightM();
    if (form == Light.Form.SPOT) out[4] *= lit.inCone(Math.acos(Math.max(-1, Math.min(1, axis))));
  }

  private static double put(double x, double y, double z, double[] out) {
    double l = Math.sqrt(x * x + y * y + z * z);
    out[0] = l == 0 ? 0 : x / l;
    out[1] = l == 0 ? 1 : y / l;
    out[2] = l == 0 ? 0 : z / l;
    return l;
  }
}
