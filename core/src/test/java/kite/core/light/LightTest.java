package kite.core.light;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Vec3;
import kite.core.model.Models;
import org.junit.jupiter.api.Test;

class LightTest {
  @Test
  void whiteIsWhiteAndWarmIsWarm() {
    double[] day = Temperature.linear(6504);
    for (double c : day) assertEquals(1, c, 0.07);
    // 2856 K, illuminant A: x 0.4476, y 0.4074, in linear Rec. 709 (brightest at 1)
    double x = 0.4476 / 0.4074, z = (1 - 0.4476 - 0.4074) / 0.4074;
    double r = 3.2404542 * x - 1.5371385 - 0.4985314 * z;
    double g = -0.9692660 * x + 1.8760108 + 0.0415560 * z;
    double b = 0.0556434 * x - 0.2040259 + 1.0572252 * z;
    double[] a = Temperature.linear(2856);
    assertEquals(1, a[0]);
    assertEquals(g / r, a[1], 0.01);
    assertEquals(b / r, a[2], 0.01);
    assertTrue(Temperature.linear(12000)[0] < 0.75, "an overcast sky is blue");
  }

  @Test
  void keyFillAndRimStandAboutTheSubjectAsTheCameraSeesIt() {
    Sequence s = RandomDocuments.of(3);
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(20);
    Eye eye = Eye.of(plan, "cam0");
    for (String subject : List.of("piece0", "piece4")) {
      double[] p = new double[3];
      plan.anchor(subject, null, p);
      Vec3 at = new Vec3(p[0], p[1], p[2]);
      Vec3 toCamera = level(eye.place().minus(at));
      Sequence lit =
          Edit.apply(s, ThreeLights.about(s, plan, "cam0", subject, List.of("k", "f", "r")));
      double[] turns = {40, -50, 165};
      int i = 0;
      for (String id : List.of("k", "f", "r")) {
        Light l = (Light) lit.get(id);
        Vec3 off =
            new Vec3(l.channel("x").at(1), l.channel("y").at(1), l.channel("z").at(1)).minus(at);
        Vec3 flat = level(off);
        double angle = Math.toDegrees(Math.acos(flat.dot(toCamera)));
        assertEquals(Math.abs(turns[i]), angle, 1e-6, id);
        // seen from above, +X lies to the left of +Z: a positive turn goes towards the camera's
        // right
        double side = toCamera.z() * flat.x() - toCamera.x() * flat.z();
        assertEquals(Math.signum(turns[i++]), Math.signum(side), id);
        double level = Math.hypot(off.x(), off.z());
        Plan aimed = new Plan(lit, Models.NONE);
        aimed.evaluate(20);
        double[] w = aimed.world();
        int o = aimed.slot(id) * 16;
        Vec3 ahead = new Vec3(-w[o + 8], -w[o + 9], -w[o + 10]);
        assertEquals(1, ahead.dot(off.times(-1 / off.length())), 1e-9, id + " is aimed");
        assertTrue(l.channel("power").at(1) / (level * level) < 3.01, "as bright near as far");
      }
    }
  }

  private static Vec3 level(Vec3 v) {
    Vec3 flat = new Vec3(v.x(), 0, v.z());
    return flat.times(1 / flat.length());
  }

  @Test
  void hazeIsWhatAddingUpSmallStepsGives() {
    Haze h = new Haze(0.02, 12);
    for (double fromY : new double[] {-3, 0, 1.6, 30}) {
      for (double dirY : new double[] {-0.6, -1e-9, 0, 0.3, 1}) {
        double loss = 0, step = 0.01, way = 60;
        for (double t = step / 2; t < way; t += step)
          loss += 0.02 * Math.exp(-Math.max(0, fromY + dirY * t) / 12) * step;
        assertEquals(Math.exp(-loss), h.through(fromY, dirY, way), 1e-5, fromY + " " + dirY);
      }
    }
    assertEquals(1, new Haze(0, 10).through(1, 0.2, 1e6));
  }
}
