package kite.render;

import java.util.Arrays;
import java.util.Objects;
import kite.core.document.Light;
import kite.core.evaluate.Plan;
import kite.core.light.Lit;
import kite.core.math.Matrix;
import kite.render.sample.Disc;

/**
 * A light as the renderer samples it.
 *
 * @param id of the light, and {@code name} what it is called; "" for the sun of a sequence without
 *     lights
 * @param world place and axes, 16 numbers; −Z is the way its light travels
 * @param irradiance linear red, green, blue: for the sun on a face turned to it, for point and spot
 *     at one metre, for area the radiance of its face
 * @param softness half angle of the sun's disc in radians
 * @param lit the light's own numbers; null for a plain sun
 */
public record Lamp(
    String id,
    String name,
    Light.Form form,
    double[] world,
    double[] irradiance,
    double[] shadowTint,
    boolean specular,
    double softness,
    Lit lit) {
  /** No nearer than a millimetre to a lamp, square metres: its light would have no bound. */
  private static final double AT_THE_LAMP_M2 = 1e-6;

  /** Nothing stands as far away as the sun, metres. */
  private static final double SUN_M = 1e6;

  /** A sun in a direction. */
  static Lamp sun(double[] toSun, double[] irradiance, double softness) {
    double[] m = Matrix.newIdentity();
    System.arraycopy(toSun, 0, m, Matrix.ZX, 3);
    return new Lamp("", "sun", Light.Form.SUN, m, irradiance, new double[3], true, softness, null);
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
    return new Lamp(l.id(), l.name(), l.form(), m, e, lit.shadowTint(), l.specular(), soft, lit);
  }

  /** Whether it is as another was at another moment. */
  boolean shinesLike(Lamp o) {
    return Arrays.equals(world, o.world)
        && Arrays.equals(irradiance, o.irradiance)
        && Arrays.equals(shadowTint, o.shadowTint)
        && softness == o.softness
        && Objects.equals(lit, o.lit);
  }

  /** Whether anything of its light is kept away by what stands in its way. */
  boolean castsShadow() {
    for (double t : shadowTint) if (t < 1) return true;
    return false;
  }

  /** One look at a light. Reused; belongs to one thread. */
  static final class Look {
    /** Unit direction to the light. */
    double x, y, z;

    double distanceM;

    /** Share of {@link #irradiance} that arrives on a face turned to it. */
    double share;

    private final Disc disc = new Disc();
  }

  /** Whether there is more than one place to look at. */
  boolean chooses() {
    return form == Light.Form.SUN ? softness > 0 : form == Light.Form.AREA || lit.radiusM() > 0;
  }

  /**
   * One look at the light from a point.
   *
   * @param u where on the light, 0 to 1
   * @param v likewise
   */
  void look(double px, double py, double pz, double u, double v, Look out) {
    if (form == Light.Form.SUN) {
      sun(u, v, out);
      return;
    }
    double a = 0, b = 0, c = 0, radius = lit.radiusM();
    if (form == Light.Form.AREA) {
      a = (u - 0.5) * lit.widthM();
      b = (v - 0.5) * lit.heightM();
    } else if (radius > 0) {
      double z = 2 * u - 1, turn = 2 * Math.PI * v, k = Math.sqrt(1 - z * z);
      a = radius * k * Math.cos(turn);
      b = radius * k * Math.sin(turn);
      c = radius * z;
    }
    double x =
        world[Matrix.OX] + world[Matrix.XX] * a + world[Matrix.YX] * b + world[Matrix.ZX] * c - px;
    double y =
        world[Matrix.OY] + world[Matrix.XY] * a + world[Matrix.YY] * b + world[Matrix.ZY] * c - py;
    double z =
        world[Matrix.OZ] + world[Matrix.XZ] * a + world[Matrix.YZ] * b + world[Matrix.ZZ] * c - pz;
    double d = put(x, y, z, out);
    // the cosine between the light's axis and the way to the point
    double axis = world[Matrix.ZX] * out.x + world[Matrix.ZY] * out.y + world[Matrix.ZZ] * out.z;
    out.distanceM = d;
    out.share = 1 / Math.max(AT_THE_LAMP_M2, d * d);
    if (form == Light.Form.AREA) out.share *= Math.max(0, axis) * lit.widthM() * lit.heightM();
    if (form == Light.Form.SPOT)
      out.share *= lit.inCone(Math.acos(Math.max(-1, Math.min(1, axis))));
  }

  /** Somewhere on the sun's disc. */
  private void sun(double u, double v, Look out) {
    double k = Math.tan(softness), x = world[Matrix.ZX], y = world[Matrix.ZY], z = world[Matrix.ZZ];
    if (k > 0) {
      out.disc.at(u, v);
      // two directions square to the sun's (Duff et al., Building an Orthonormal Basis, JCGT 2017)
      double sign = Math.copySign(1, z), a = -1 / (sign + z), b = x * y * a;
      double p = k * out.disc.x, q = k * out.disc.y, ox = x, oy = y;
      x += p * (1 + sign * ox * ox * a) + q * b;
      y += p * sign * b + q * (sign + oy * oy * a);
      z += -p * sign * ox - q * oy;
    }
    put(x, y, z, out);
    out.distanceM = SUN_M;
    out.share = 1;
  }

  private static double put(double x, double y, double z, Look out) {
    double l = Math.sqrt(x * x + y * y + z * z);
    out.x = l == 0 ? 0 : x / l;
    out.y = l == 0 ? 1 : y / l;
    out.z = l == 0 ? 0 : z / l;
    return l;
  }
}
