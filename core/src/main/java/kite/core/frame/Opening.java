package kite.core.frame;

import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.optics.Exposure;

/** When a camera's shutter is open. */
public final class Opening {
  private Opening() {}

  /**
   * On a frame, which the plan has evaluated last: its angle and offset are those of the frame.
   *
   * @param rate frames of the scene that pass in one of the programme
   */
  public static Exposure of(Sequence s, Plan plan, Camera camera, double frame, double rate) {
    return Exposure.of(
            frame,
            plan.lens()[plan.slot(camera.id()) * LensRow.SIZE + LensRow.SHUTTER],
            s.header().channel(camera, Camera.SHUTTER_OFFSET).at(frame))
        .at(frame, rate);
  }
}
