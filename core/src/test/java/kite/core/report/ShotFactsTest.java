package kite.core.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import kite.core.rig.Subject;
import kite.core.rig.base.Base;
import org.junit.jupiter.api.Test;

/** What a shot list says of cameras whose moves are known. */
class ShotFactsTest {
  private Channels lens =
      Channels.NONE
          .with("focalLength", 35)
          .with("fStop", 2.8)
          .with("focusDistance", 5)
          .with("farClip", 300);
  private Focus focus;

  private static Channel keys(double... frameAndValue) {
    List<Key> all = new ArrayList<>();
    for (int i = 0; i < frameAndValue.length; i += 2)
      all.add(Key.of(frameAndValue[i], frameAndValue[i + 1], KeyShape.STRAIGHT));
    return new Channel.Curve(all);
  }

  private ShotFacts facts(Channels base, Entity... more) {
    Camera c =
        new Camera(
            "cam",
            "Cam",
            "A",
            "#f0785a",
            false,
            false,
            lens,
            List.of(new Base("base", true, null, Base.Takes.POSITION, base)));
    if (focus != null) c = c.withFocus(focus);
    List<Command> adds = new ArrayList<>();
    for (Entity e : more) adds.add(new EntityCommand.Add(e));
    adds.add(new EntityCommand.Add(c));
    Sequence s = Edit.apply(new Sequence(RandomDocuments.header(), Map.of()), adds);
    return ShotFacts.of(s, new Plan(s, Models.NONE), (Camera) s.get("cam"), 1, 39);
  }

  private String move(Channels base, Entity... more) {
    return String.join(", ", facts(base, more).move());
  }

  private static Piece figure(String id, double heightM, double aheadM) {
    return new Piece(
        id,
        id,
        null,
        new Shape.StandIn(StandInKind.ADULT, 0.5, heightM, 0.3),
        "#a0b0c0",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("z", -aheadM));
  }

  @Test
  void aCameraThatStandsStillIsLockedOff() {
    assertEquals("locked off", move(Channels.NONE.with("pan", 30).with("y", 2)));
  }

  @Test
  void whereItGoesIsToldOnTheAxesOfTheCrew() {
    assertEquals("push 2.1 m", move(Channels.NONE.with("z", keys(1, 0, 39, -2.1))));
    assertEquals("pull back 1.5 m", move(Channels.NONE.with("z", keys(1, 0, 39, 1.5))));
    // turned to the right, its right is the world's +Z
    assertEquals(
        "truck right 3 m", move(Channels.NONE.with("pan", -90).with("z", keys(1, 0, 39, 3))));
    // looking down does not make a push a boom
    assertEquals(
        "push 2 m, boom down 1 m",
        move(
            Channels.NONE
                .with("tilt", -40)
                .with("z", keys(1, 0, 39, -2))
                .with("y", keys(1, 3, 39, 2))));
    assertEquals("boom up 4 m", move(Channels.NONE.with("tilt", -90).with("y", keys(1, 1, 39, 5))));
  }

  @Test
  void aWayRoundIsToldBesideWhereItEnds() {
    assertEquals(
        "push 1 m, travel 5 m in all", move(Channels.NONE.with("z", keys(1, 0, 20, -3, 39, -1))));
  }

  @Test
  void turnsAreToldByTheirSidesAcrossTheSeamToo() {
    assertEquals("pan 14° left", move(Channels.NONE.with("pan", keys(1, 0, 39, 14))));
    assertEquals("pan 40° right", move(Channels.NONE.with("pan", keys(1, 200, 39, 160))));
    assertEquals("tilt 8° up", move(Channels.NONE.with("tilt", keys(1, -2, 39, 6))));
    assertEquals("roll 5° clockwise", move(Channels.NONE.with("roll", keys(1, 0, 39, -5))));
    assertEquals("pan 400° left", move(Channels.NONE.with("pan", keys(1, 0, 39, 400))));
    assertEquals(
        "pan 20° left and back", move(Channels.NONE.with("pan", keys(1, 0, 20, 20, 39, 0.5))));
  }

  @Test
  void theLensAndItsFocusAreTold() {
    lens = lens.with("focalLength", keys(1, 35, 39, 50)).with("focusDistance", keys(1, 2, 39, 5));
    ShotFacts f = facts(Channels.NONE);
    assertEquals(List.of("zoom 35 → 50 mm", "focus 2 m → 5 m"), f.move());
    assertEquals(new ShotFacts.LensThere(35, 2.8, 2), f.lens());
    assertEquals(new ShotFacts.LensThere(50, 2.8, 5), f.lastLens());
  }

  @Test
  void aRackIsToldByTheNamesOfItsSubjects() {
    focus =
        new Focus(
            List.of(Subject.of("Pim"), Subject.of("Oda")),
            List.of(
                new Cue(1, 0, Ease.EVEN, Map.of("Pim", 1.0)),
                new Cue(10, 5, Ease.EVEN, Map.of("Oda", 1.0))));
    assertEquals(
        "rack Pim → Oda",
        move(Channels.NONE.with("y", 1), figure("Pim", 1.2, 3), figure("Oda", 1.7, 9)));
  }

  /** 35 mm on a back 24.89 mm wide and a frame of 1.78: the frame is 0.4 of the distance high. */
  @Test
  void theSizeIsHowMuchOfTheFigureTheFrameHolds() {
    double[] ahead = {0.4, 1.3, 3, 5.5, 15, 60};
    ShotFacts.ShotSize[] sizes = ShotFacts.ShotSize.values();
    for (int i = 0; i < ahead.length; i++) {
      ShotFacts f = facts(Channels.NONE.with("y", 1.5), figure("Pim", 1.8, ahead[i]));
      assertEquals(sizes[i].words, f.size(), ahead[i] + " m");
      assertEquals(List.of(new ShotFacts.SubjectSeen("Pim", "Pim", 1)), f.subjects());
    }
    assertEquals("", facts(Channels.NONE).size());
  }

  @Test
  void whoFillsMostOfTheFrameForLongestComesFirst() {
    ShotFacts f =
        facts(
            Channels.NONE.with("y", 1).with("pan", keys(1, 90, 39, 0)),
            figure("Oda", 1.7, 12),
            figure("Pim", 1.2, 3));
    assertEquals(
        List.of("Pim", "Oda"), f.subjects().stream().map(ShotFacts.SubjectSeen::name).toList());
    assertTrue(f.subjects().get(0).share() > 0.1 && f.subjects().get(0).share() < 0.6);
  }
}
