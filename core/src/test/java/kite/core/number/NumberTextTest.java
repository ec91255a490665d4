package kite.core.number;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import org.junit.jupiter.api.Test;

class NumberTextTest {
  private static double m(String text) {
    return NumberText.read(text, Unit.METRES, 2, "m");
  }

  @Test
  void readsUnitsArithmeticAndRelativeChanges() {
    assertEquals(1.8288, m("6ft"), 1e-12);
    assertEquals(1.8796, m("6ft 2in"), 1e-12);
    assertEquals(1.82, m("182cm"), 1e-12);
    assertEquals(3.6, m("2*1.8"), 1e-12);
    assertEquals(3.5, m("(1+2.5)*2/2"), 1e-12);
    assertEquals(2.5, m("+=0.5"), 1e-12);
    assertEquals(1.5, m("-=50cm"), 1e-12);
    assertEquals(4, m("*=2"), 1e-12);
    assertEquals(-3, m("-3"), 1e-12);
    assertEquals(0.3048, NumberText.read("1", Unit.METRES, 0, "ft"), 1e-12);
    assertEquals(35, NumberText.read("35mm", Unit.MILLIMETRES, 0, "m"), 1e-12);
    assertEquals(50, NumberText.read("5cm", Unit.MILLIMETRES, 0, "m"), 1e-12);
    assertEquals(4, NumberText.read("f/4", Unit.F_STOP, 0, "m"), 1e-12);
    assertEquals(0.5, NumberText.read("50%", Unit.SHARE, 0, "m"), 1e-12);
    assertEquals(90, NumberText.read("90°", Unit.DEGREES, 0, "m"), 1e-12);
  }

  @Test
  void whatCannotBeReadIsRefusedInWords() {
    for (String bad : new String[] {"", "two", "3kg", "1/0", "(((", "1e999", "5m m", "((1)"}) {
      assertThrows(IllegalArgumentException.class, () -> m(bad), bad);
    }
  }

  @Test
  void showsWithoutNeedlessZeros() {
    assertEquals("1.85", NumberText.rounded(1.85000001, 3));
    assertEquals("-0.5", NumberText.rounded(-0.5, 2));
    assertEquals("0", NumberText.rounded(-0.0001, 2));
    assertEquals("∞", NumberText.rounded(Double.POSITIVE_INFINITY, 2));
    assertEquals("6", NumberText.shown(1.8288, Unit.METRES, "ft"));
  }

  @Test
  void timecodeDropsNumbersOnlyWhereTheRateAsksForIt() {
    Rate film = new Rate(24000, 1001), video = new Rate(30000, 1001);
    assertEquals("00:00:01:00", Timecode.of(24, film));
    assertEquals("01:00:00:00", Timecode.of(86400, film));
    // SMPTE ST 12-1: after 00:00:59;29 comes 00:01:00;02; ten minutes are 17982 frames
    assertEquals("00:00:59;29", Timecode.of(1799, video));
    assertEquals("00:01:00;02", Timecode.of(1800, video));
    assertEquals("00:10:00;00", Timecode.of(17982, video));
    assertEquals("01:00:00;00", Timecode.of(107892, video));
  }

  @Test
  void aLengthThatIsAsGoodAsEndlessIsSaidSo() {
    for (String unit : List.of("m", "cm", "ft", "ft+in")) {
      assertEquals("∞", NumberText.shown(3.8344951629346704E16, Unit.METRES, unit));
      assertEquals("∞", NumberText.shown(Double.POSITIVE_INFINITY, Unit.METRES, unit));
    }
    assertEquals("999999", NumberText.shown(999999, Unit.METRES, "m"));
  }

  @Test
  void framesAreReadAsSecondsTimecodeAndSteps() {
    Rate film = new Rate(24, 1), slow = new Rate(24000, 1001), video = new Rate(30000, 1001);
    assertEquals(1090, FrameText.frame("1090", film, 1001, 1050));
    assertEquals(1001 + 288, FrameText.frame("12s", film, 1001, 1050));
    assertEquals(1001 + 288, FrameText.frame("12 s", slow, 1001, 1050), "287.71 frames rounded");
    assertEquals(1098, FrameText.frame("+2s", film, 1001, 1050));
    assertEquals(1002, FrameText.frame("-2s", film, 1001, 1050));
    assertEquals(1062, FrameText.frame("+=12", film, 1001, 1050));
    assertEquals(1040, FrameText.frame("-10", film, 1001, 1050));
    assertEquals(-10, FrameText.frame("-10", film, -20, 5), "such frames are there");
    assertEquals(1001 + 12 * 24 + 5, FrameText.frame("12:05", film, 1001, 0));
    assertEquals(1001 + 3600 * 24, FrameText.frame("01:00:00:00", film, 1001, 0));
    assertEquals(1 + 1800, FrameText.frame("00:01:00;02", video, 1, 0));
    assertEquals(1003, FrameText.frame("1001+2", film, 1001, 0));
    assertEquals(36, FrameText.frames("1.5s", film, 12));
    assertEquals(36, FrameText.frames("+1s", film, 12));
    assertEquals(-12, FrameText.frames("-12", film, 5));
    assertEquals(24, FrameText.frames("24f", film, 5));
    for (String bad : List.of("00:01:00;00", "00:00:00:30", "soon", "", "+", "12:05:99:99:1"))
      assertThrows(IllegalArgumentException.class, () -> FrameText.frame(bad, video, 1, 0), bad);
  }

  @Test
  void aTimecodeNamesTheFrameItWasWrittenFrom() {
    for (Rate r : List.of(new Rate(24, 1), new Rate(30000, 1001), new Rate(60000, 1001)))
      for (int f = 0; f < 120_000; f += 7) {
        String[] p = Timecode.of(f, r).split("[:;]");
        int[] n = new int[4];
        for (int i = 0; i < 4; i++) n[i] = Integer.parseInt(p[i]);
        assertEquals(f, Timecode.frame(n[0], n[1], n[2], n[3], r), Timecode.of(f, r));
      }
  }
}
