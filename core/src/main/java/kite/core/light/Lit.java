package kite.core.light;

import kite.core.document.Light;
import kite.core.math.Trig;
import kite.core.shape.MeshBuilder;

/**
 * A light's numbers at one frame.
 *
 * @param colour linear red, green, blue of its light, before its power
 * @param power irradiance for the sun, irradiance at one metre for point and spot, radiance of the
 *     face for area
 * @param shadowTint linear share of its own light that reaches its shadows
 * @param radiusM bulb radius, 0 for hard shadows
 * @param coneRadians half angle at which a spot is dark
 * @param fullRadians half angle within which it is whole
 */
public record Lit(
    Light light,
    double[] colour,
    double power,
    double[] shadowTint,
    double radiusM,
    double coneRadians,
    double fullRadians,
    double widthM,
    double heightM) {

  public static Lit of(Light l, double frame) {
    double[] colour = l.kelvin() > 0 ? Temperature.linear(l.kelvin()) : linear(l.colour());
    boolean sun = l.form() == Light.Form.SUN;
    double half = Trig.radians(at(l, Light.CONE.name(), frame) / 2);
    return new Lit(
        l,
        colour,
        at(l, sun ? Light.INTENSITY.name() : Light.POWER.name(), frame),
        linear(l.shadowTint()),
        l.softShadow() ? at(l, Light.RADIUS.name(), frame) : 0,
        half,
        half * (1 - at(l, Light.EDGE.name(), frame)),
        at(l, Light.WIDTH.name(), frame),
        at(l, Light.HEIGHT.name(), frame));
  }

  /** A channel's value, kept in its limits; 0 for one this form of light does not have. */
  private static double at(Light l, String channel, double frame) {
    var spec = l.channelSpec(channel);
    if (spec == null) return 0;
    double v = l.channel(channel).at(frame);
    return Math.max(spec.least(), Math.min(spec.most(), v));
  }

  private static double[] linear(String rgb) {
    return new double[] {
      MeshBuilder.linear(rgb, 1), MeshBuilder.linear(rgb, 3), MeshBuilder.linear(rgb, 5)
    };
  }

  /** The share of a spot's light at an angle off its axis (smooth between whole and dark). */
  public double inCone(double radians) {
    if (radians <= fullRadians) return 1;
    if (radians >= coneRadians) return 0;
    double t =
        (Trig.cos(radians) - Trig.cos(coneRadians))
            / (Trig.cos(fullRadians) - Trig.cos(coneRadians));
    return t * t * (3 - 2 * t);
  }
}
