package kite.render;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.Light;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.light.Haze;
import kite.core.shape.MeshBuilder;

/**
 * What is around the triangles: sky, lights, air and plates.
 *
 * @param hazeColour linear; what the far pales to
 * @param background linear colour in the sky's place, or null
 */
public record Surroundings(
    Sky sky,
    List<Lamp> lamps,
    Haze haze,
    double[] hazeColour,
    double[] background,
    List<PlateLayer> plates) {

  /** Clear air under a sky. */
  public static Surroundings of(Sky sky) {
    Lamp sun = Lamp.sun(sky.toSun(), sky.sun(), sky.softness());
    return new Surroundings(sky, List.of(sun), new Haze(0, 1), new double[3], null, List.of());
  }

  /**
   * Everything around a camera, as the plan last evaluated it.
   *
   * @param images the pictures of plates by asset; null for one that is not to be had
   */
  public static Surroundings of(
      Sequence s, Plan plan, double frame, Camera camera, Function<String, BufferedImage> images) {
    List<PlateLayer> plates = new ArrayList<>();
    for (Plate p : s.all(Plate.class)) {
      if (!p.shown() || p.camera() != null && !p.camera().equals(camera.id())) continue;
      BufferedImage image = images.apply(p.at(frame));
      if (image != null)
        plates.add(PlateLayer.of(p, frame, s.header().cameraPackage().aspect(), image));
    }
    return of(s, plan, frame).withPlates(plates);
  }

  /** Light and air alone, as the plan last evaluated them. */
  static Surroundings of(Sequence s, Plan plan, double frame) {
    Sky sky = Sky.of(s, plan, frame);
    List<Lamp> lamps = new ArrayList<>();
    for (Light l : s.all(Light.class)) if (s.shines(l, true)) lamps.add(Lamp.of(plan, l, frame));
    if (s.all(Light.class).isEmpty()) lamps.add(Lamp.sun(sky.toSun(), sky.sun(), sky.softness()));
    Haze haze = new Haze(0, 1);
    double[] hazeColour = new double[3], background = null;
    for (Air a : s.all(Air.class)) {
      haze = new Haze(a.channel("density").at(frame), a.channel("height").at(frame));
      hazeColour = linear(a.colour());
      background = a.background() == null ? null : linear(a.background());
    }
    return new Surroundings(sky, lamps, haze, hazeColour, background, List.of());
  }

  Surroundings withPlates(List<PlateLayer> p) {
    return new Surroundings(sky, lamps, haze, hazeColour, background, p);
  }

  /** Whether light and air are those of another moment. */
  boolean looksLike(Surroundings o) {
    if (!haze.equals(o.haze) || lamps.size() != o.lamps.size()) return false;
    for (int i = 0; i < lamps.size(); i++)
      if (!lamps.get(i).shinesLike(o.lamps.get(i))) return false;
    return Arrays.equals(sky.zenith(), o.sky.zenith())
        && Arrays.equals(sky.horizon(), o.sky.horizon());
  }

  static double[] linear(String rgb) {
    return new double[] {
      MeshBuilder.linear(rgb, 1), MeshBuilder.linear(rgb, 3), MeshBuilder.linear(rgb, 5)
    };
  }
}
