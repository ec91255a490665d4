package kite.core.optics;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class ExposureTest {
  @Test
  void halfATurnIsOpenForHalfAFrameAboutTheFrame() {
    Exposure e = Exposure.of(10, 180, 0);
    assertEquals(9.75, e.opens(), 1e-12);
    assertEquals(10.25, e.closes(), 1e-12);
    assertEquals(10, e.frameAt(0.5), 1e-12);
    assertFalse(e.isMoment());
  }

  @Test
  void anOffsetOfHalfTheAngleOpensOnTheFrame() {
    Exposure e = Exposure.of(10, 180, 90);
    assertEquals(10, e.opens(), 1e-12);
    assertEquals(10.5, e.closes(), 1e-12);
  }

  @Test
  void noAngleIsOneMoment() {
    assertTrue(Exposure.of(10, 0, 0).isMoment());
    assertEquals(10.25, Exposure.of(10, 0, 90).opens(), 1e-12);
  }
}
