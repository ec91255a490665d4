package kite.core.motion;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.cue.Cue;
import kite.core.cue.CueTrack;
import kite.core.cue.Ease;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Mark;
import kite.core.document.Sequence;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class CueMotionTest {
  private static final Cue A = new Cue(10, 0, Ease.EVEN, Map.of("a", 1.0));
  private static final Cue B = new Cue(20, 8, Ease.SLOW_BOTH, Map.of("b", 1.0));
  private static final Cue BACK = new Cue(40, 6, Ease.SLOW_STOP, Map.of("a", 1.0));

  private static Sequence cued(Cue... cues) {
    Attention look =
        new Attention(
            "look",
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.POINTS,
            List.of(Subject.of("a"), Subject.of("b")),
            List.of(cues),
            Channels.NONE);
    return Edit.apply(
        new Sequence(RandomDocuments.header(), Map.of()),
        List.of(
            new EntityCommand.Add(new Mark("a", "A", null, Channels.NONE)),
            new EntityCommand.Add(new Mark("b", "B", null, Channels.NONE.with("x", 3))),
            new EntityCommand.Add(
                new Camera(
                    "cam", "Cam", "A", "#f0785a", false, false, Channels.NONE, List.of(look)))));
  }

  private static Camera camera(Sequence s) {
    return (Camera) s.get("cam");
  }

  private static CueTrack track(Sequence s) {
    return ((Attention) camera(s).part("look")).track();
  }

  private static double[] at(CueTrack t, double frame) {
    double[] shares = new double[t.subjects()];
    t.shares(frame, shares);
    return shares;
  }

  @Test
  void stretchedCuesShareAtStretchedFramesWhatTheySharedBefore() {
    Sequence s = cued(A, B, BACK);
    Sequence wide = Edit.apply(s, CueMotion.stretch(camera(s), "look", 20, 2.5));
    for (double f = 5; f < 60; f += 0.7)
      assertArrayEquals(at(track(s), f), at(track(wide), 20 + (f - 20) * 2.5), 1e-9);
    Sequence fitted = Edit.apply(s, CueMotion.fitTo(camera(s), "look", 72));
    List<Cue> cues = ((Attention) camera(fitted).part("look")).cues();
    assertEquals(72, CueMotion.length(cues), 1e-9);
    assertEquals(10, cues.get(0).frame(), "the first stays");
  }

  @Test
  void aRoundThatEndsAsItBeganRepeatsExactly() {
    Sequence s = cued(A, B, BACK);
    CueTrack thrice = track(Edit.apply(s, CueMotion.repeat(camera(s), "look", 2)));
    for (double f = 10; f < 40; f += 0.7)
      for (int n = 1; n <= 2; n++) {
        // on the first frames of a round the last turn of the round before still ends
        if (f < 46 - 30) continue;
        assertArrayEquals(at(thrice, f), at(thrice, f + 30 * n), 1e-9, f + " in round " + n);
      }
  }

  @Test
  void aRoundThatEndsElsewhereTurnsBackWithoutAJump() {
    Sequence s = cued(A, B);
    CueTrack t = track(Edit.apply(s, CueMotion.repeat(camera(s), "look", 3)));
    for (double f = 10; f < 120; f += 0.1)
      assertTrue(Math.abs(at(t, f + 0.1)[0] - at(t, f)[0]) < 0.05, "no jump near frame " + f);
    assertArrayEquals(new double[] {1, 0}, at(t, 28 + 8), 1e-9, "back at A after eight frames");
    assertArrayEquals(new double[] {0, 1}, at(t, 28 + 8 + 18), 1e-9, "and at B a round on");
  }

  @Test
  void whatCannotBeIsRefusedAndACueIsNeverLost() {
    Sequence s = cued(A, B, BACK), one = cued(A);
    assertThrows(Refusal.class, () -> CueMotion.stretch(camera(s), "look", 0, 0));
    assertThrows(Refusal.class, () -> CueMotion.fitTo(camera(one), "look", 20));
    assertThrows(Refusal.class, () -> CueMotion.repeat(camera(one), "look", 2));
    assertThrows(Refusal.class, () -> CueMotion.repeat(camera(s), "look", 5000));
    assertThrows(Refusal.class, () -> CueMotion.repeat(camera(s), "gone", 1));
    assertThrows(Refusal.class, () -> MoveTogether.move(camera(s), List.of(20.0), 20));
  }
}
