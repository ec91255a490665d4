package kite.core.cueing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Focus;
import kite.core.document.Mark;
import kite.core.document.Sequence;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class CueingTest {
  private static final String CAMERA = "cueing", PART = "look";

  /** A camera that looks at a, then b, then nothing. */
  private static Sequence document() {
    Sequence s = new Sequence(RandomDocuments.header(), Map.of());
    for (String id : List.of("a", "b", "c")) s = s.with(new Mark(id, id, null, Channels.NONE));
    Attention look =
        new Attention(
            PART,
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.POINTS,
            List.of(Subject.of("a"), Subject.of("b")),
            List.of(
                cue(1001, 0, Map.of("a", 1.0)),
                cue(1040, 10, Map.of("b", 1.0)),
                cue(1080, 0, Map.of()),
                cue(1100, 0, Map.of("a", 0.5, "b", 0.5))),
            Channels.NONE);
    return s.with(plain(CAMERA, look));
  }

  private static Camera plain(String id, RigPart... rig) {
    return new Camera(id, id, "C", "#f0785a", false, false, Channels.NONE, List.of(rig));
  }

  private static Cue cue(double frame, double travel, Map<String, Double> mix) {
    return new Cue(frame, travel, Ease.SLOW_BOTH, mix);
  }

  private static Sequence done(Sequence s, List<Command> commands) {
    return Edit.apply(s, commands);
  }

  private static Camera camera(Sequence s) {
    return (Camera) s.get(CAMERA);
  }

  private static Cued look(Sequence s) {
    return (Cued) camera(s).part(PART);
  }

  @Test
  void whoGoesTakesTheCuesAlongThatHeldNothingElse() {
    Sequence s = document();
    Cued after = look(done(s, Members.letGo(camera(s), PART, "b")));
    assertEquals(List.of(Subject.of("a")), after.subjects());
    assertEquals(
        List.of(
            cue(1001, 0, Map.of("a", 1.0)),
            cue(1080, 0, Map.of()), // one that lets go stays
            cue(1100, 0, Map.of("a", 0.5))),
        after.cues());
    assertThrows(Refusal.class, () -> Members.letGo(camera(s), PART, "c"));
  }

  @Test
  void focusThatFollowsNobodyMoreIsByHandAgain() {
    Sequence s = document();
    s = done(s, FocusPull.follow(camera(s), "a", 1010));
    assertEquals(
        new Focus(List.of(Subject.of("a")), List.of(cue(1010, 0, Map.of("a", 1.0)))),
        camera(s).focus());
    s = done(s, Members.take(camera(s), Focus.ID, "b", 1001));
    assertEquals(2, camera(s).focus().subjects().size());
    assertEquals(1, camera(s).focus().cues().size(), "the cue that is there stays the first");
    s = done(s, Members.letGo(camera(s), Focus.ID, "a"));
    assertEquals(List.of(), camera(s).focus().cues());
    s = done(s, Members.letGo(camera(s), Focus.ID, "b"));
    assertNull(camera(s).focus());
    s = done(s, Members.take(camera(s), Focus.ID, "c", 1001));
    assertEquals(List.of(cue(1001, 0, Map.of("c", 1.0))), camera(s).focus().cues());
  }

  @Test
  void aRackIsOnTheFirstUpToItsFrameAndKeepsWhatWasBefore() {
    Sequence s = document();
    s = done(s, FocusPull.follow(camera(s), "c", 1005));
    s = done(s, FocusPull.rack(camera(s), "a", "b", 1050, 24));
    Focus f = camera(s).focus();
    assertEquals(
        List.of(
            cue(1005, 0, Map.of("c", 1.0)),
            cue(1049, 0, Map.of("a", 1.0)),
            cue(1050, 24, Map.of("b", 1.0))),
        f.cues());
    double[] shares = new double[3];
    f.track().shares(1062, shares); // half way, with an even ease at both ends
    assertEquals(0.5, shares[1], 1e-12);
    assertEquals(0.5, shares[2], 1e-12);
    // the same again on the same frame makes no second one
    s = done(s, FocusPull.rack(camera(s), "b", "a", 1050, 12));
    assertEquals(3, camera(s).focus().cues().size());
  }

  @Test
  void focusIsPulledFromItsDistanceOrFromASubject() {
    Sequence s = document();
    s = done(s, FocusPull.pull(camera(s), "a", 1010, 20));
    double[] shares = new double[2];
    camera(s).focus().track().shares(1010, shares);
    assertEquals(0, shares[0], 1e-12, "up to there it stands where it was set by hand");
    s = done(s, FocusPull.pull(camera(s), "b", 1040, 10));
    assertEquals(
        List.of(
            cue(1009, 0, Map.of()),
            cue(1010, 20, Map.of("a", 1.0)),
            cue(1040, 10, Map.of("b", 1.0))),
        camera(s).focus().cues());
    // before the first cue is what that holds
    s = done(s, FocusPull.follow(camera(s), "a", 1010));
    s = done(s, FocusPull.pull(camera(s), "b", 1005, 0));
    assertEquals(
        List.of(
            cue(1004, 0, Map.of("a", 1.0)),
            cue(1005, 0, Map.of("b", 1.0)),
            cue(1010, 0, Map.of("a", 1.0))),
        camera(s).focus().cues());
  }

  @Test
  void aTurnFromTheFirstCueComesFromWhatItHeld() {
    Sequence s = document();
    s = done(s, Turning.to(camera(s), PART, "b", 1001, Turning.TURN_FRAMES));
    List<Cue> cues = look(s).cues();
    assertEquals(cue(1000, 0, Map.of("a", 1.0)), cues.get(0));
    assertEquals(cue(1001, 12, Map.of("b", 1.0)), cues.get(1));
    double[] shares = new double[2];
    look(s).track().shares(1001, shares);
    assertEquals(1, shares[0], 1e-12);
  }

  @Test
  void aTurnBeforeTheFirstCueLeavesWhatWasBeforeIt() {
    Sequence s = document();
    s = done(s, Turning.to(camera(s), PART, "b", 990, 10));
    double[] shares = new double[2];
    look(s).track().shares(985, shares);
    assertEquals(1, shares[0], 1e-12, "as the first cue held it");
    look(s).track().shares(1000, shares);
    assertEquals(1, shares[1], 1e-12);
    // what is held already needs nothing before it
    Sequence same = done(document(), Turning.to(camera(document()), PART, "a", 1001, 12));
    assertEquals(1001, look(same).cues().get(0).frame());
  }

  @Test
  void aHeldMixStaysAndATurnThatIsHeldComesToRest() {
    Sequence s = document();
    List<Command> still = Turning.hold(camera(s), PART, 1020, false);
    assertEquals(
        List.of(new RigCommand.PutCue(CAMERA, PART, cue(1020, 0, Map.of("a", 1.0)))), still);
    Sequence held = done(s, Turning.hold(camera(s), PART, 1045, false));
    double[] before = new double[2], at = new double[2], then = new double[2];
    look(s).track().shares(1045, before);
    look(held).track().shares(1045, at);
    assertEquals(before[1], at[1], 1e-12, "nothing jumps");
    look(s).track().shares(1049, before);
    look(held).track().shares(1060, then);
    assertEquals(before[1], then[1], 1e-12, "it rests where the turn was half of its easing on");
    Sequence atOnce = done(s, Turning.hold(camera(s), PART, 1045, true));
    look(atOnce).track().shares(1060, then);
    assertEquals(at[1], then[1], 1e-12);
    assertTrue(Turning.hold(plain("x"), Focus.ID, 1, false).isEmpty());
  }
}
