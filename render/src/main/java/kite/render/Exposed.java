package kite.render;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Opening;
import kite.core.optics.Exposure;

/**
 * The moments of a frame: one, or as many as its exposure is taken apart into, each evaluated at
 * its true time, so that what moves on a curve is blurred along that curve. The camera goes
 * straight from one moment to the next; pieces stand where they are at the nearest.
 */
public final class Exposed {
  /**
   * Steps of an exposure. What moves less than so many pixels while the shutter is open shows none.
   */
  private static final int STEPS = 48;

  private Exposed() {}

  /**
   * The moment of a frame itself.
   *
   * @param images the pictures of plates by asset; null for one that is not to be had
   */
  public static List<Moment> sharp(
      Sequence s,
      Plan plan,
      Camera camera,
      double frame,
      SceneBuilder scenes,
      Function<String, BufferedImage> images) {
    plan.evaluate(frame);
    return List.of(
        new Moment(
            scenes.build(s, plan),
            Surroundings.of(s, plan, frame, camera, images),
            CameraView.of(s, plan, camera)));
  }

  /**
   * The moments while a camera's shutter is open; one where nothing moves or it shows but one.
   *
   * @param rate frames of the scene that pass in one of the programme
   */
  public static List<Moment> open(
      Sequence s,
      Plan plan,
      Camera camera,
      double frame,
      double rate,
      SceneBuilder scenes,
      Function<String, BufferedImage> images) {
    plan.evaluate(frame);
    Exposure e = Opening.of(s, plan, camera, frame, rate);
    if (e.isMoment()) return sharp(s, plan, camera, e.opens(), scenes, images);
    // a plate is a picture of this frame, whose own blur is in it
    List<PlateLayer> plates = Surroundings.of(s, plan, frame, camera, images).plates();
    List<List<Placed>> placed = new ArrayList<>();
    List<Surroundings> around = new ArrayList<>();
    List<CameraView> views = new ArrayList<>();
    for (int i = 0; i <= STEPS; i++) {
      double at = e.frameAt((double) i / STEPS);
      plan.evaluate(at);
      placed.add(scenes.placed(s, plan));
      around.add(Surroundings.of(s, plan, at).withPlates(plates));
      views.add(CameraView.of(s, plan, camera));
    }
    List<Scene> all = scenes.together(placed);
    List<Moment> moments = new ArrayList<>();
    for (int i = 0; i <= STEPS; i++)
      moments.add(new Moment(all.get(i), around.get(i), views.get(i)));
    boolean still =
        all.stream().distinct().count() == 1 && around.stream().allMatch(around.get(0)::looksLike);
    for (CameraView v : views) still &= same(v, views.get(0));
    return still ? moments.subList(0, 1) : moments;
  }

  private static boolean same(CameraView a, CameraView b) {
    return Arrays.equals(a.world(), b.world())
        && a.window().equals(b.window())
        && a.focusM() == b.focusM()
        && a.pupilRadiusM() == b.pupilRadiusM()
        && a.nearM() == b.nearM()
        && a.farM() == b.farM();
  }
}
