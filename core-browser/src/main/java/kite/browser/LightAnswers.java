package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.document.Air;
import kite.core.document.Light;
import kite.core.document.OrNull;
import kite.core.document.Plate;
import kite.core.frame.PlatePlace;
import kite.core.light.Lit;
import kite.core.light.ThreeLights;
import org.teavm.jso.typedarrays.Float64Array;

/** Lights, air and plates at a frame. */
@Answers
final class LightAnswers {
  private LightAnswers() {}

  /** A light's numbers at a frame; those of {@link Lit} are in its units. */
  record LightNow(
      String id,
      Light.Form form,
      boolean shines,
      double[] colour,
      double power,
      double[] shadowTint,
      double radiusM,
      double coneRadians,
      double fullRadians,
      double widthM,
      double heightM,
      boolean specular) {}

  /** Lights at a frame. */
  public static List<LightNow> lights(double frame) {
    List<LightNow> all = new ArrayList<>();
    for (Light l : Opened.shown().all(Light.class)) {
      Lit x = Lit.of(l, frame);
      all.add(
          new LightNow(
              l.id(),
              l.form(),
              Opened.shown().shines(l, false),
              x.colour(),
              x.power(),
              x.shadowTint(),
              x.radiusM(),
              x.coneRadians(),
              x.fullRadians(),
              x.widthM(),
              x.heightM(),
              l.specular()));
    }
    return all;
  }

  /** Haze and what stands behind everything, at a frame. */
  record AirNow(double density, double heightM, String colour, @OrNull String background) {}

  /** Haze and background at a frame; null where the sequence has no air. */
  @OrNull
  public static AirNow air(double frame) {
    for (Air a : Opened.shown().all(Air.class))
      return new AirNow(
          a.channel("density").at(frame),
          a.channel("height").at(frame),
          a.colour(),
          a.background());
    return null;
  }

  /** Writes a plate's left, top, width and height in shares of the frame, opacity and depth. */
  public static void platePlace(String plate, double frame, double imageAspect, Float64Array out) {
    Plate p = (Plate) Opened.thing(plate);
    PlatePlace at =
        PlatePlace.of(p, frame, imageAspect, Opened.shown().header().cameraPackage().aspect());
    double[] all = {
      at.left(),
      at.top(),
      at.width(),
      at.height(),
      p.channel("opacity").at(frame),
      p.channel("depth").at(frame)
    };
    out.set(all, 0);
  }

  /** The image asset of a plate on a frame. */
  public static String plateImage(String plate, double frame) {
    return ((Plate) Opened.thing(plate)).at(frame);
  }

  /** The commands that add key, fill and rim about a subject, as seen from a camera. */
  public static List<Command> threeLights(String camera, String subject, List<String> ids) {
    return ThreeLights.about(Opened.shown(), Opened.plan(), camera, subject, ids);
  }
}
