package kite.render;

import java.util.Map;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;

/**
 * What passes ask for beside the light.
 *
 * @param here where everything stands on the frame, with {@code next} a frame later; null both
 *     where no pass asks for motion
 * @param named what mattes call a piece, by its id
 */
public record Data(Standing here, Standing next, Map<Pass, Map<String, String>> named) {
  /** For a picture without passes. */
  static final Data NONE = new Data(null, null, Map.of());

  /**
   * @param next the frame of the scene that the next picture shows
   */
  public static Data of(
      Sequence s,
      Plan plan,
      Camera camera,
      double frame,
      double next,
      SceneBuilder scenes,
      Wanted wanted) {
    return new Data(
        wanted.moves() ? Standing.at(s, plan, camera, frame, scenes) : null,
        wanted.moves() ? Standing.at(s, plan, camera, next, scenes) : null,
        wanted.mattes() ? MatteNames.of(s) : Map.of());
  }
}
