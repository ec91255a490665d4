package kite.core.cutting;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.cut.Programme;
import kite.core.cutting.Retiming.Ends;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class RetimingTest {
  /** cut1 shows frames 20 to 40. */
  private static final Sequence S = RandomDocuments.of(1);

  private static Sequence to(double first, double last, boolean keepsLength) {
    return Edit.apply(S, Retiming.to(S, "cut1", new Ends(first, last), keepsLength));
  }

  @Test
  void halfSpeedShowsHalfOrLastsTwiceAsLong() {
    Programme.Placed half = Programme.of(to(0.5, 0.5, true)).of("cut1");
    assertEquals(21, half.frames());
    assertEquals(30, half.sceneLast());
    Programme.Placed twice = Programme.of(to(0.5, 0.5, false)).of("cut1");
    assertEquals(42, twice.frames());
    assertEquals(40.5, twice.sceneLast());
    assertEquals(new Speed.Steady(1, 2), ((Shot) to(0.5, 0.5, true).get("cut1")).take().speed());
  }

  @Test
  void aSpeedThatChangesEvenlyGoesAsFarAsItsMeanSays() {
    Sequence s = to(0.25, 1.75, true);
    Shot shot = (Shot) s.get("cut1");
    for (int f = 0; f <= 21; f++) // uniformly accelerated: v·t + a·t²/2
    assertEquals(20 + 0.25 * f + 1.5 / 21 * f * f / 2, shot.take().scene(f), 1e-9, "" + f);
    Ends ends = Retiming.of(shot);
    assertEquals(0.25, ends.first(), 1e-9);
    assertEquals(1.75, ends.last(), 1e-9);
    // from a standstill
    assertEquals(20, ((Shot) to(0, 2, true).get("cut1")).take().scene(0), 1e-12);
  }

  @Test
  void backAtItsSpeedItIsAsItWas() {
    Sequence there = to(0.25, 1.75, false);
    Sequence back = Edit.apply(there, Retiming.to(there, "cut1", new Ends(1, 1), false));
    assertEquals(S, back);
  }

  @Test
  void standingStillOrBackwardsIsASentence() {
    for (Ends bad : List.of(new Ends(0, 0), new Ends(-1, 3), new Ends(Double.NaN, 1)))
      assertTrue(
          assertThrows(Refusal.class, () -> Retiming.to(S, "cut1", bad, true))
              .getMessage()
              .contains("above 0 %"));
    assertTrue(
        assertThrows(Refusal.class, () -> to(1000, 1000, true)).getMessage().contains("50 times"));
  }
}
