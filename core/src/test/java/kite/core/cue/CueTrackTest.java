package kite.core.cue;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class CueTrackTest {
  private static double[] at(CueTrack t, double frame) {
    double[] s = new double[t.subjects()];
    t.shares(frame, s);
    return s;
  }

  @Test
  void aCueInsideAnotherStartsFromTheMixOfThatMoment() {
    List<Cue> cues =
        List.of(
            new Cue(0, 0, Ease.EVEN, Map.of("a", 1.0)),
            new Cue(10, 20, Ease.EVEN, Map.of("b", 1.0)),
            new Cue(20, 10, Ease.SLOW_BOTH, Map.of("c", 1.0)));
    CueTrack t = new CueTrack(cues, List.of("a", "b", "c"));
    assertEquals(0.5, at(t, 20)[0], 1e-12);
    double[] last = at(t, 0);
    for (double f = 0; f < 40; f += 0.01) {
      double[] now = at(t, f);
      double sum = 0;
      for (int i = 0; i < 3; i++) {
        sum += now[i];
        assertTrue(Math.abs(now[i] - last[i]) < 0.003, "no jump at " + f);
      }
      assertEquals(1, sum, 1e-12);
      last = now;
    }
    assertEquals(1, at(t, 30)[2], 1e-12);
  }

  @Test
  void travelZeroIsAJumpAndBeforeTheFirstCueItsOwnMixHolds() {
    CueTrack t =
        new CueTrack(
            List.of(
                new Cue(5, 0, Ease.EVEN, Map.of("a", 0.4)),
                new Cue(9, 0, Ease.EVEN, Map.of("b", 1.0))),
            List.of("a", "b"));
    assertEquals(0.4, at(t, -100)[0]);
    assertEquals(0.4, at(t, 8.999)[0]);
    assertEquals(1, at(t, 9)[1]);
    assertEquals(0, new CueTrack(List.of(), List.of()).subjects());
  }

  @Test
  void easesGoFromNothingToAll() {
    for (Ease e : Ease.values()) {
      assertEquals(0, e.at(-1));
      assertEquals(0, e.at(0));
      assertEquals(1, e.at(1));
      for (double t = 0; t < 1; t += 0.01) assertTrue(e.at(t + 0.01) >= e.at(t));
    }
    assertEquals(0.5, Ease.SLOW_BOTH.at(0.5));
    assertEquals(0.25, Ease.SLOW_START.at(0.5));
    assertEquals(0.75, Ease.SLOW_STOP.at(0.5));
  }
}
