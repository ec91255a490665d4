package kite.core.frame;

import java.util.List;
import kite.core.command.Command;
import kite.core.command.RigCommand;
import kite.core.document.Camera;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;
import kite.core.rig.Subject;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rules.Refusal;

/** Lets a dolly zoom hold a subject's size as the picture has it. */
public final class HoldSize {
  /** Nearer than this along the axis a thing has no size to speak of. */
  private static final double NEAREST_M = 0.01;

  private HoldSize() {}

  /**
   * The commands that do it, with the picture left as it is.
   *
   * @param plan evaluated at the frame whose picture is meant
   * @throws Refusal when the subject is at the lens or behind it
   */
  public static List<Command> of(Plan plan, Camera c, DollyZoom part, Subject subject) {
    double along = along(plan, c, subject);
    if (!(along > NEAREST_M))
      throw new Refusal(
          "behind",
          c.id(),
          part.id(),
          "“"
              + plan.sequence().get(subject.entity()).name()
              + "” is not ahead of camera "
              + c.letter()
              + " on this frame. Turn the camera to it first.");
    double focalMm = plan.lens()[plan.slot(c.id()) * LensRow.SIZE + LensRow.FOCAL];
    return List.of(new RigCommand.SetPart(c.id(), part.withHeld(subject, focalMm / along)));
  }

  /** Metres a subject stands ahead along a camera's axis; negative behind it. */
  public static double along(Plan plan, Camera c, Subject subject) {
    double[] p = new double[3];
    plan.subject(subject, p);
    return -Eye.of(plan, c.id()).seen(new Vec3(p[0], p[1], p[2])).z();
  }
}
