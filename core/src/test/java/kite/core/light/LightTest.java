package kite.core.light;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

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
