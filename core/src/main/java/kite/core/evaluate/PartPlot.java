package kite.core.evaluate;

import java.util.List;
import java.util.Map;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.model.Models;
import kite.core.rig.Operator;
import kite.core.rig.RigPart;
import kite.core.rig.Spring;

/** What a part that moves by itself does over some seconds, apart from the rest of the stack. */
public final class PartPlot {
  private PartPlot() {}

  /**
   * Fills rows evenly spread over the seconds from the sequence's first frame.
   *
   * @param out for an operator rows of six: metres right, up and back, degrees of pan, tilt and
   *     roll; for a spring rows of two: its answers in place and in rotation to a step from 0 to 1
   */
  public static void fill(Sequence s, Camera c, RigPart part, double seconds, double[] out) {
    if (part instanceof Operator) operator(s, c, part, seconds, out);
    if (part instanceof Spring) spring(s, c, part.id(), seconds, out);
  }

  private static void operator(Sequence s, Camera c, RigPart part, double seconds, double[] out) {
    Sequence alone =
        new Sequence(s.header(), Map.of(c.id(), c.withRig(List.of(part.withOn(true)))));
    Plan plan = new Plan(alone, Models.NONE);
    int rows = out.length / 6;
    double fps = s.header().rate().perSecond();
    for (int r = 0; r < rows; r++) {
      plan.evaluate(s.header().firstFrame() + seconds * fps * r / Math.max(1, rows - 1));
      double[] m = Placement.matrix(plan, c.id());
      double[] a = Rotation.newPanTiltRoll(m, 0);
      for (int i = 0; i < 3; i++) {
        out[r * 6 + i] = m[Matrix.SIZE - 4 + i];
        out[r * 6 + 3 + i] = Math.toDegrees(a[i]);
      }
    }
  }

  private static void spring(Sequence s, Camera c, String part, double seconds, double[] out) {
    int rows = out.length / 2;
    double frame = s.header().firstFrame();
    DampedSpring place = new DampedSpring(), way = new DampedSpring();
    double step = seconds / Math.max(1, rows - 1);
    place.tune(
        c.channel(part + "/positionHz").at(frame),
        c.channel(part + "/positionDamping").at(frame),
        step);
    way.tune(
        c.channel(part + "/rotationHz").at(frame),
        c.channel(part + "/rotationDamping").at(frame),
        step);
    for (int r = 0; r < rows; r++) {
      out[r * 2] = place.x;
      out[r * 2 + 1] = way.x;
      place.go(1, 1);
      way.go(1, 1);
    }
  }
}
