package kite.render;

import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.shape.MeshBuilder;

/**
 * Sun and sky at one moment.
 *
 * @param toSun unit direction towards the sun
 * @param sun linear red, green, blue irradiance of a face turned to the sun
 * @param zenith linear radiance overhead
 * @param horizon linear radiance at the horizon
 * @param softness half angle of the sun's disc in radians
 */
public record Sky(
    double[] toSun, double[] sun, double[] zenith, double[] horizon, double softness) {

  /** The sequence's first sun; a plain noon when it has no light at all, darkness without sun. */
  public static Sky of(Sequence s, Plan plan, double frame) {
    for (Light l : s.all(Light.class)) {
      if (l.form() != Light.Form.SUN || !s.shines(l, true)) continue;
      int o = plan.slot(l.id()) * Matrix.SIZE;
      double[] m = plan.world();
      double k = l.channel("intensity").at(frame), a = l.channel("skyIntensity").at(frame);
      return new Sky(
          new double[] {m[o + Matrix.ZX], m[o + Matrix.ZY], m[o + Matrix.ZZ]},
          linear(l.colour(), k),
          linear(l.sky(), a),
          linear(l.horizon(), a),
          Math.toRadians(l.channel("softness").at(frame)));
    }
    double k = s.all(Light.class).isEmpty() ? 1 : 0;
    return new Sky(
        new double[] {0.4, 0.8, 0.45},
        linear("#ffffff", 3 * k),
        linear("#7fa6d0", k),
        linear("#d8e2ec", k),
        0.01);
  }

  private static double[] linear(String rgb, double k) {
    return new double[] {
      MeshBuilder.linear(rgb, 1) * k, MeshBuilder.linear(rgb, 3) * k, MeshBuilder.linear(rgb, 5) * k
    };
  }

  /** Radiance from a unit direction: horizon to zenith with the root of height; dimmer below. */
  void radiance(double y, double[] out) {
    double t = Math.sqrt(Math.max(0, y)), k = y < 0 ? Math.max(0.35, 1 + y * 2) : 1;
    for (int i = 0; i < 3; i++) out[i] = (horizon[i] + (zenith[i] - horizon[i]) * t) * k;
  }
}
