package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;

import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.demo.SaltWind;
import kite.exchange.picture.ExrFacts;
import org.junit.jupiter.api.Test;

/** What the header of a frame says, against what the core says of the same camera. */
class FrameFilesTest {
  private static final int FRAME = 1100;
  private final Sequence s = new SaltWind().sw010();
  private final Plan plan = new Plan(s, Models.NONE);

  private ExrFacts facts(String camera) {
    RenderJob job = new RenderJob();
    job.numbered = 3;
    return FrameFiles.facts(job, s, plan, new Shot.At(camera, FRAME, FRAME, FRAME + 1, "0020"));
  }

  /** A point as the standard turns it: a row before the matrix, whose rows are our columns. */
  private static double[] turned(double[] m, double... p) {
    double[] out = new double[4];
    for (int i = 0; i < 4; i++)
      out[i] = p[0] * m[i] + p[1] * m[4 + i] + p[2] * m[8 + i] + m[12 + i];
    return out;
  }

  @Test
  void pointsAreWhereTheCoreSeesThem() {
    for (String camera : new String[] {"camA", "camB", "camC"}) {
      ExrFacts f = facts(camera);
      Eye eye = Eye.of(plan, camera);
      for (double[] p : new double[][] {{0, 1, -3}, {2.5, 0.3, -9}, {-1, 4, -20}}) {
        Vec3 seen = eye.seen(new Vec3(p[0], p[1], p[2]));
        double[] c = turned(f.worldToCamera(), p), n = turned(f.worldToFrame(), p);
        assertEquals(seen.x(), c[0], 1e-9);
        assertEquals(seen.y(), c[1], 1e-9);
        assertEquals(-seen.z(), c[2], 1e-9, "it looks along +Z there");
        assertEquals(eye.window().across(seen.x(), seen.z()), n[0] / n[3], 1e-9);
        assertEquals(eye.window().down(seen.y(), seen.z()), n[1] / n[3], 1e-9);
      }
    }
  }

  @Test
  void theRestIsTheShotsOwn() {
    ExrFacts f = facts("camB");
    assertEquals("B Along the stalls", f.camera());
    assertEquals("v3", f.version());
    assertEquals("00:00:04:03", f.timecode(), "frame 99 of 24 a second");
    assertEquals(32, f.focalMm());
    assertEquals(4, f.fStop());
    assertEquals(6, f.focusM());
    assertEquals(180, f.shutterDegrees());
    assertEquals("", facts(null).camera(), "a gap has none");
  }
}
