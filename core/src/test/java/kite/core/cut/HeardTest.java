package kite.core.cut;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.number.Rate;
import org.junit.jupiter.api.Test;

class HeardTest {
  private static final String WIND = "ab".repeat(32);

  /** Half as loud. */
  private static final double HALF_DB = 20 * Math.log10(0.5);

  private static Sequence at(Rate rate, Sound... sounds) {
    Header h = RandomDocuments.header();
    Header own =
        new Header(
            h.code(), h.title(), 1001, 1240, rate, h.displayUnit(), h.gridM(), h.cameraPackage());
    Sequence s =
        new Sequence(own, Map.of())
            .with(new SoundTrack("low", "Low", "i", HALF_DB, false, false))
            .with(new SoundTrack("other", "Other", "r", 0, false, false));
    for (Sound x : sounds) s = s.with(x);
    return s;
  }

  private static Sound sound(String id, double at, double from, double lasts) {
    return new Sound(id, id, "low", WIND, 20, at, from, lasts, 0, false, 0, 0);
  }

  @Test
  void aStretchHasWhatFallsIntoItFromWhereTheRecordingIsThen() {
    Sequence s = at(new Rate(24, 1), sound("a", 1013, 3, 4), sound("b", 1100, 0, 2));
    assertEquals(
        List.of(
            new Heard(
                "a",
                WIND,
                0.5,
                3,
                1.5,
                List.of(new Heard.Loudness(0, 0.5), new Heard.Loudness(1.5, 0.5)))),
        Heard.between(s, 1001, 1049));
    Heard later = Heard.between(s, 1061, 1100).get(0); // two seconds of it have gone
    assertEquals(0, later.afterS(), 1e-12);
    assertEquals(5, later.fromS(), 1e-12);
    assertEquals(39 / 24.0, later.lastsS(), 1e-12);
    assertEquals(List.of(), Heard.between(s, 1150, 1200));
  }

  @Test
  void tenMinutesAtTwentyThreeNineSevenSixAreInStep() {
    Sequence s =
        at(
            new Rate(24000, 1001),
            new Sound("a", "a", "low", WIND, 700, 1001, 0, 700, 0, false, 0, 0));
    int frames = 14385; // ten minutes and a bit: 14385 × 1001 / 24000 s
    Heard one = Heard.between(s, 1001 + frames, 1001 + frames + 24).get(0);
    assertEquals(599.974375, one.fromS(), 1e-9);
  }

  @Test
  void aFadeGoesOnWhereAStretchBeginsInIt() {
    Sound x = sound("a", 1001, 0, 4).withFadeInS(2).withFadeOutS(1);
    List<Heard.Loudness> all = Heard.between(at(new Rate(24, 1), x), 1001, 1240).get(0).levels();
    assertEquals(
        List.of(
            new Heard.Loudness(0, 0),
            new Heard.Loudness(2, 0.5),
            new Heard.Loudness(3, 0.5),
            new Heard.Loudness(4, 0)),
        all);
    List<Heard.Loudness> part = Heard.between(at(new Rate(24, 1), x), 1025, 1085).get(0).levels();
    assertEquals(0.25, part.get(0).factor(), 1e-12); // a second into it
    assertEquals(0.25, part.get(3).factor(), 1e-12); // half a second before its end
  }

  @Test
  void whatIsMutedIsNotHeardAndSoloIsHeardAlone() {
    Sound here = sound("a", 1001, 0, 4), there = sound("b", 1001, 0, 4).withTrack("other");
    Sequence s = at(new Rate(24, 1), here, there);
    assertEquals(2, Heard.between(s, 1001, 1240).size());
    assertEquals(1, Heard.between(s.with(here.withMuted(true)), 1001, 1240).size());
    Sequence solo = s.with(new SoundTrack("other", "Other", "r", 0, false, true));
    assertEquals("b", Heard.between(solo, 1001, 1240).get(0).sound());
    Sequence both = s.with(new SoundTrack("other", "Other", "r", 0, true, true));
    assertTrue(Heard.between(both, 1001, 1240).isEmpty());
  }
}
