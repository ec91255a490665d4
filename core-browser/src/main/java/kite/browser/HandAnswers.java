package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.frame.LensDrag;
import kite.core.math.Vec3;

/** A hand on a camera in its picture: what its drags, keys and wheel mean. */
@Answers
final class HandAnswers {
  private static LensDrag held;

  private HandAnswers() {}

  /**
   * A hand takes hold of a camera: what its drags mean does not drift from here on.
   *
   * @param x with {@code y} and {@code z} the point that is looked at, {@code alongM} ahead
   */
  public static void takeHold(
      String camera, double frame, double x, double y, double z, double alongM, boolean key) {
    Plan plan = Opened.plan();
    double focalMm = plan.lens()[plan.slot(camera) * LensRow.SIZE + LensRow.FOCAL];
    held =
        new LensDrag(
            camera, frame, focalMm, Eye.of(plan, camera).window(), new Vec3(x, y, z), alongM, key);
  }

  /**
   * The commands of a drag so far.
   *
   * @param across share of the frame's width, {@code down} of its height
   */
  public static List<Command> lensDrag(LensDrag.Tool tool, double across, double down) {
    return List.of(held.drag(tool, across, down));
  }

  /** The commands of so many steps of the arrow keys. */
  public static List<Command> lensSteps(LensDrag.Tool tool, int right, int down) {
    return List.of(held.steps(tool, right, down));
  }

  /** The commands of so many notches of the wheel with a longer lens. */
  public static List<Command> lensZoom(int notches) {
    return List.of(held.zoom(notches));
  }

  /** The commands of so many metres towards what is looked at. */
  public static List<Command> lensDolly(double metres) {
    return List.of(held.dolly(metres));
  }

  /** The metres of a notch of the wheel where what is looked at is so far away. */
  public static double notchM(double alongM) {
    return LensDrag.notchM(alongM);
  }
}
