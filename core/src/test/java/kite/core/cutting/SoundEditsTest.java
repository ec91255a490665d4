package kite.core.cutting;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.cut.Heard;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class SoundEditsTest {
  private static final String WIND = "ab".repeat(32);

  private static Sequence empty() {
    return new Sequence(RandomDocuments.header(), Map.of());
  }

  private static Sequence laid(Sequence s, String id, double seconds, double at, String track) {
    return Edit.apply(s, SoundEdits.lay(s, WIND, seconds, "Wind", at, track, id, "track" + id));
  }

  private static Sound sound(Sequence s, String id) {
    return (Sound) s.get(id);
  }

  /** The second of the recording that is heard on each frame. */
  private static Map<Integer, Double> told(Sequence s) {
    double fps = s.header().rate().perSecond();
    Map<Integer, Double> all = new TreeMap<>();
    for (int f = -40; f < 400; f++)
      for (Heard h : Heard.between(s, f, f + 1))
        if (h.lastsS() > 0.25 / fps)
          all.put(f, Math.rint(h.fromS() * 1e6) - Math.rint(h.afterS() * 1e6));
    return all;
  }

  @Test
  void aRecordingIsLaidWhereThereIsRoomForIt() {
    Sequence s = laid(laid(empty(), "a", 2, 10, ""), "b", 2, 200, "");
    assertEquals(1, s.all(SoundTrack.class).size());
    assertEquals("tracka", sound(s, "b").track());
    s = laid(s, "c", 3, 12, "tracka");
    assertEquals("trackc", sound(s, "c").track());
    assertEquals(
        List.of("tracka", "trackc"), SoundEdits.tracks(s).stream().map(SoundTrack::id).toList());
    assertEquals("Wind 3", sound(s, "c").name());
  }

  @Test
  void whatIsHeardStaysWhereItIsWhenEndsMove() {
    Random r = new Random(5);
    for (int i = 0; i < 200; i++) {
      Sequence s = laid(empty(), "a", 6, 20, "");
      s = Edit.apply(s, SoundEdits.trim(s, "a", 30, -30));
      Map<Integer, Double> before = told(s);
      Sequence on =
          Edit.apply(s, SoundEdits.trim(s, "a", r.nextInt(400) - 200, r.nextInt(400) - 200));
      Map<Integer, Double> after = told(on);
      assertFalse(after.isEmpty());
      for (Map.Entry<Integer, Double> f : after.entrySet())
        if (before.containsKey(f.getKey())) assertEquals(before.get(f.getKey()), f.getValue(), 2);
    }
  }

  @Test
  void anEndGoesAsFarAsTheRecordingAndLeavesAFrame() {
    Sequence s = laid(empty(), "a", 6, 20, "");
    double fps = s.header().rate().perSecond();
    Sound shortest = sound(Edit.apply(s, SoundEdits.trim(s, "a", 1000, 0)), "a");
    assertEquals(1 / fps, shortest.lastsS(), 1e-9);
    Sound whole = sound(Edit.apply(s, SoundEdits.trim(s, "a", -50, 50)), "a");
    assertEquals(sound(s, "a"), whole);
    Sequence part = Edit.apply(s, SoundEdits.trim(s, "a", 24, -24));
    Sound slipped = sound(Edit.apply(part, SoundEdits.slip(part, "a", 1000)), "a");
    assertEquals(6, slipped.fromS() + slipped.lastsS(), 1e-9);
    assertEquals(sound(part, "a").at(), slipped.at());
  }

  @Test
  void twoOfOneAreHeardAsTheOneWas() {
    Sequence s = laid(empty(), "a", 6, 20, "");
    Sequence on = Edit.apply(s, SoundEdits.split(s, "a", 50.5, "b"));
    Map<Integer, Double> before = told(s), after = told(on);
    assertEquals(before.keySet(), after.keySet());
    before.forEach((frame, at) -> assertEquals(at, after.get(frame), 2));
    assertEquals(50.5, sound(on, "b").at());
    assertThrows(Refusal.class, () -> SoundEdits.split(s, "a", 20, "b"));
    assertThrows(Refusal.class, () -> SoundEdits.split(s, "a", 10, "b"));
  }

  @Test
  void soundsGoWithTheirTrackAndWordsWithTheirSound() {
    Sequence s = laid(empty(), "a", 6, 20, "");
    Sequence said =
        Edit.apply(
            s,
            List.of(new kite.core.command.ShotCommand.AcceptNote("a", "soundOut", "atmosphere")));
    assertEquals(3, said.entities().size());
    Command track = new EntityCommand.Remove(List.of("tracka"), false);
    Refusal used = assertThrows(Refusal.class, () -> Edit.apply(said, List.of(track)));
    assertTrue(used.getMessage().contains("“Wind” lies on “Sound”"), used.getMessage());
    Command all = new EntityCommand.Remove(List.of("tracka"), true);
    assertEquals(Map.of(), Edit.apply(said, List.of(all)).entities());
    Command sound = new EntityCommand.Remove(List.of("a"), false);
    assertEquals(1, Edit.apply(said, List.of(sound)).entities().size());
  }

  @Test
  void whatNoRecordingHasIsRefusedWithItsLength() {
    Sequence s = laid(empty(), "a", 6, 20, "");
    Sound x = sound(s, "a");
    for (Sound bad :
        List.of(
            x.withLastsS(6.5),
            x.withLastsS(0),
            x.withFromS(-1),
            x.withFadeInS(4).withFadeOutS(3),
            x.withGainDb(40),
            x.withAt(1e9)))
      assertThrows(
          Refusal.class,
          () -> Edit.apply(s, List.of(new EntityCommand.Replace(bad))),
          bad.toString());
    Refusal longer =
        assertThrows(
            Refusal.class,
            () -> Edit.apply(s, List.of(new EntityCommand.Replace(x.withLastsS(6.5)))));
    assertTrue(longer.getMessage().contains("which has 6 s"), longer.getMessage());
  }

  /** The header is used by others too: its rate is what the numbers above count in. */
  @Test
  void theRateIsWhatTheseNumbersAreFor() {
    Header h = RandomDocuments.header();
    assertTrue(h.rate().perSecond() > 20 && h.rate().perSecond() < 31);
  }
}
