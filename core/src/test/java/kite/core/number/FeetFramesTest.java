package kite.core.number;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class FeetFramesTest {
  /** A minute at 24 frames a second is 90 feet. */
  @Test
  void sixteenFramesAreAFoot() {
    assertEquals("0+00", FeetFrames.of(0));
    assertEquals("0+15", FeetFrames.of(15));
    assertEquals("1+00", FeetFrames.of(16));
    assertEquals("90+00", FeetFrames.of(24 * 60));
    assertEquals("3+12", FeetFrames.of(60));
  }
}
