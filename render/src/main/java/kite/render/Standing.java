package kite.render;

import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;

/**
 * Where everything stands at one moment, in the order of the scene's surfaces.
 *
 * @param view of the camera then
 */
public record Standing(List<Placed> placed, CameraView view) {
  /** At a frame. */
  public static Standing at(
      Sequence s, Plan plan, Camera camera, double frame, SceneBuilder scenes) {
    plan.evaluate(frame);
    return new Standing(scenes.placed(s, plan), CameraView.of(s, plan, camera));
  }

  /** Where in the frame what was met stands at this moment, in pixels from the left and the top. */
  void frameOf(Scene.Hit h, int width, int height, double[] point, double[] out) {
    placed.get(h.placed).point(h, point);
    view.frameOf(point, out);
    out[0] *= width;
    out[1] *= height;
  }
}
