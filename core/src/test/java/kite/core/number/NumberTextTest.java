package kite.core.number;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import kite.core.cut.Timecode;
import kite.core.document.Rate;
import kite.core.document.Unit;
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
}
