package kite.core.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.EntityCommand.Add;
import kite.core.command.ShotCommand;
import kite.core.command.ShotCommand.InsertShot;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.cut.Programme;
import kite.core.document.ActionLine;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.document.Speed;
import kite.core.document.StandInKind;
import kite.core.document.Take;
import kite.core.evaluate.Plan;
import kite.core.frame.LineOfAction;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import kite.core.report.CutNotes.About;
import kite.core.report.CutNotes.Note;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

/** Two people, Ann at x = −1 and Ben at x = 1, both facing +z, and cameras about them. */
class CutNotesTest {
  private static Piece person(String id, String name, Channel x) {
    return new Piece(
        id,
        name,
        null,
        new Shape.StandIn(StandInKind.ADULT, 0.5, 1.8, 0.3),
        "#a0b0c0",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", x));
  }

  /** A camera 1.2 m high that looks level with a pan, 0 being along −z. */
  private static Camera camera(String letter, double x, double z, Channel pan, double focalMm) {
    return new Camera(
        "cam" + letter,
        "Camera " + letter,
        letter,
        "#f0785a",
        false,
        false,
        Channels.NONE.with("focalLength", focalMm).with("focusDistance", 6).with("fStop", 8),
        List.of(
            new Base(
                "base",
                true,
                null,
                Base.Takes.POSITION,
                Channels.NONE.with("x", x).with("y", 1.2).with("z", z)),
            new Head("head", true, Channels.NONE.with("pan", pan))));
  }

  private static Camera camera(String letter, double x, double z, double pan) {
    return camera(letter, x, z, Channel.fixed(pan), 30);
  }

  private static Sequence scene(Camera... cameras) {
    List<Command> all = new ArrayList<>();
    all.add(new Add(person("ann", "Ann", Channel.fixed(-1))));
    all.add(new Add(person("ben", "Ben", Channel.fixed(1))));
    for (Camera c : cameras) all.add(new Add(c));
    return Edit.apply(new Sequence(RandomDocuments.header(), Map.of()), all);
  }

  private static Shot shot(String id, String camera, double first, int frames) {
    return Shot.of(id, id, camera, first, frames);
  }

  private static Sequence cut(Sequence s, Shot... shots) {
    List<Command> all = new ArrayList<>();
    for (Shot x : shots) all.add(new InsertShot(x, null));
    return Edit.apply(s, all);
  }

  private static List<Note> notes(Sequence s) {
    List<Note> all = new ArrayList<>();
    Programme p = Programme.of(s);
    for (int i = 0; i < p.placed().size(); i++)
      all.addAll(CutNotes.of(s, new Plan(s, Models.NONE), p, i));
    return all;
  }

  private static Set<About> about(Sequence s) {
    Set<About> all = EnumSet.noneOf(About.class);
    for (Note n : notes(s)) all.add(n.about());
    return all;
  }

  private static Set<About> between(Camera a, Camera b) {
    return about(cut(scene(a, b), shot("one", a.id(), 1, 20), shot("two", b.id(), 21, 20)));
  }

  @Test
  void aCleanCutHasNothingToSay() {
    // from in front of both to a closer one from 40° to the side
    Camera wide = camera("A", 0, 6, 0);
    Camera side = camera("B", 3.2, 3.8, Channel.fixed(40), 35);
    assertEquals(Set.of(), between(wide, side));
  }

  @Test
  void hardlyAnotherAngleAndSizeJumps() {
    Camera wide = camera("A", 0, 6, 0);
    assertTrue(between(wide, camera("B", 0.3, 5.7, 0)).contains(About.JUMP));
    // closer by a half is no jump, and neither is 45° round
    assertTrue(!between(wide, camera("B", 0, 3.9, Channel.fixed(0), 30)).contains(About.JUMP));
    assertTrue(!between(wide, camera("B", 4.2, 4.2, 45)).contains(About.JUMP));
  }

  @Test
  void behindTheTwoIsAcrossTheLine() {
    Camera front = camera("A", 0, 6, 0), back = camera("B", 0, -6, 180);
    assertTrue(between(front, back).contains(About.LINE));
    assertTrue(!between(front, camera("B", 3.2, 3.8, 40)).contains(About.LINE));
    Note line =
        notes(cut(scene(front, back), shot("one", "camA", 1, 20), shot("two", "camB", 21, 20)))
            .stream()
            .filter(n -> n.about() == About.LINE)
            .findFirst()
            .orElseThrow();
    assertTrue(line.text().contains("Ann and Ben") || line.text().contains("Ben and Ann"));
    assertEquals(21, line.frame());
    assertEquals("two", line.of());
  }

  @Test
  void theLineThatWasChosenIsTheOneThatCounts() {
    Camera front = camera("A", 0, 6, 0), back = camera("B", 0, -6, 180);
    Sequence s =
        cut(scene(front, back), shot("one", "camA", 1, 20), shot("two", "camB", 21, 20))
            .with(person("post", "Post", Channel.fixed(-1)).withChannel("z", Channel.fixed(-50)));
    Sequence across = s.with(new ActionLine("line", "Line", "ann", "ben"));
    assertTrue(about(across).contains(About.LINE));
    // from Ann away from the two cameras: both are to the right of it
    Sequence along = s.with(new ActionLine("line", "Line", "ann", "post"));
    assertTrue(!about(along).contains(About.LINE));
    Plan plan = new Plan(along, Models.NONE);
    plan.evaluate(1);
    assertEquals(List.of("A", "B"), LineOfAction.of(along, plan).right());
    plan = new Plan(across, Models.NONE);
    plan.evaluate(1);
    assertEquals(List.of("A"), LineOfAction.of(across, plan).right());
    assertEquals(List.of("B"), LineOfAction.of(across, plan).left());
    assertThrows(
        Refusal.class,
        () -> Edit.apply(s, List.of(new Add(new ActionLine("line", "Line", "ann", "ann")))));
    Command gone = new EntityCommand.Remove(List.of("ben"), false);
    assertNull(ActionLine.of(Edit.apply(across, List.of(gone))));
  }

  @Test
  void whoLookedToOneSideLooksToTheOther() {
    // in profile from their right and from their left: the same way, seen from both sides
    Camera right = camera("A", -6, 0, -90), left = camera("B", 6, 0, 90);
    assertTrue(between(right, left).contains(About.EYELINE), between(right, left) + "");
    assertTrue(!between(right, camera("B", -5, 2.5, -65)).contains(About.EYELINE));
  }

  @Test
  void whatGoesToTheRightGoesToTheLeft() {
    Camera front = camera("A", 0, 6, 0), back = camera("B", 0, -6, 180);
    Sequence s = scene(front, back);
    Channel walk =
        Channel.curve(Key.of(1, -1.5, KeyShape.STRAIGHT), Key.of(41, 1.5, KeyShape.STRAIGHT));
    s = s.with(person("ann", "Ann", walk)).without("ben");
    Sequence there = cut(s, shot("one", "camA", 1, 20), shot("two", "camB", 21, 20));
    assertTrue(about(there).contains(About.DIRECTION), about(there) + "");
    Sequence on = cut(s, shot("one", "camA", 1, 20), shot("two", "camA", 30, 11));
    assertTrue(!about(on).contains(About.DIRECTION));
  }

  @Test
  void aSubjectThatLeapsAcrossTheFrameIsSaid() {
    Camera onTheLeft = camera("A", 0.6, 6, 0), onTheRight = camera("B", -2.6, 6, 0);
    Sequence s = scene(onTheLeft, onTheRight).without("ben");
    assertTrue(
        about(cut(s, shot("one", "camA", 1, 20), shot("two", "camB", 21, 20)))
            .contains(About.LEAP));
  }

  @Test
  void focusAndLightAreHeldAgainstEachOther() {
    Camera sharp = camera("A", 0, 6, 0);
    Camera soft =
        camera("B", 3.2, 3.8, 40)
            .withChannel("focusDistance", Channel.fixed(1))
            .withChannel("fStop", Channel.fixed(1.4));
    Set<About> found = between(sharp, soft);
    assertTrue(found.containsAll(Set.of(About.FOCUS, About.EXPOSURE)), found + "");
    // half as long open and one stop wider is as bright
    Camera same =
        camera("B", 3.2, 3.8, 40)
            .withChannel("shutter", Channel.fixed(90))
            .withChannel("fStop", Channel.fixed(8 / Math.sqrt(2)));
    assertTrue(!between(sharp, same).contains(About.EXPOSURE));
  }

  private static String said(About about, Camera a, Camera b) {
    Sequence s = scene(a, b).without("ben");
    return notes(cut(s, shot("one", a.id(), 1, 20), shot("two", b.id(), 21, 20))).stream()
        .filter(n -> n.about() == about)
        .findFirst()
        .orElseThrow()
        .text();
  }

  @Test
  void theNumbersAreThoseOfAMeasuringTapeAndALightMeter() {
    // f/8 to f/2 lets in 16 times the light, half as long half of that
    Camera open =
        camera("B", 3.2, 3.8, 40)
            .withChannel("fStop", Channel.fixed(2))
            .withChannel("shutter", Channel.fixed(90));
    String light = said(About.EXPOSURE, camera("A", 0, 6, 0), open);
    assertTrue(light.contains("let in 3 stops more light"), light);
    // 6 m in front of her, and 10° round at the same distance
    double x = -1 + 6 * Math.sin(Math.toRadians(10)), z = 6 * Math.cos(Math.toRadians(10));
    String jump = said(About.JUMP, camera("A", -1, 6, 0), camera("B", x, z, 10));
    assertTrue(jump.contains("an angle 10° away"), jump);
    // 120° in 40 frames of 23.976 a second, through 45° of the lens
    Channel pan =
        Channel.curve(Key.of(1, 0, KeyShape.STRAIGHT), Key.of(41, 120, KeyShape.STRAIGHT));
    double wide = 2 * Math.toDegrees(Math.atan(24.89 / 60)), aSecond = 3 * 24 / 1.001;
    String fast = said(About.FAST_MOVE, camera("A", -1, 6, pan, 30), camera("B", 3.2, 3.8, 40));
    assertTrue(fast.contains("width in " + Math.round(wide / aSecond * 10) / 10.0 + " s"), fast);
  }

  @Test
  void gapsShortShotsAndFramesOutsideAreSaid() {
    Camera a = camera("A", 0, 6, 0);
    Sequence s =
        cut(
            scene(a),
            shot("gap", null, 1, 20),
            shot("short", "camA", 1, 11),
            shot("outside", "camA", 30, 20),
            shot("fine", "camA", 5, 12));
    List<String> said = notes(s).stream().map(n -> n.about() + " " + n.of()).toList();
    assertTrue(said.containsAll(List.of("GAP gap", "SHORT short", "HELD outside")), said + "");
    assertTrue(!said.contains("SHORT fine") && !said.contains("HELD fine"), said + "");
  }

  @Test
  void actionThatStandsStillAtACutIsSaid() {
    Channel.Curve stops =
        new Channel.Curve(List.of(Key.smooth(0, 0), Key.smooth(10, 10), Key.smooth(30, 10)));
    Take held = new Take("t", "1", "camA", 1, 20, new Speed.Curved(stops));
    Sequence s = cut(scene(camera("A", 0, 6, 0)), Shot.of("held", "held", held));
    assertEquals(Set.of(About.HELD), about(s));
  }

  @Test
  void aCutWhileTheCameraTurnsIsSaid() {
    Channel pan =
        Channel.curve(Key.of(1, 0, KeyShape.STRAIGHT), Key.of(41, 120, KeyShape.STRAIGHT));
    Camera turns = camera("A", 0, 6, pan, 30);
    assertTrue(between(turns, camera("B", 3.2, 3.8, 40)).contains(About.FAST_MOVE));
  }

  @Test
  void theSameCameraTwiceIsSaid() {
    Sequence s = scene(camera("A", 0, 6, 0));
    String on =
        notes(cut(s, shot("one", "camA", 1, 20), shot("two", "camA", 21, 20))).get(0).text();
    assertTrue(on.contains("goes on from the shot before"), on);
    String left =
        notes(cut(s, shot("one", "camA", 1, 12), shot("two", "camA", 28, 12))).get(0).text();
    assertTrue(left.contains("is left out between"), left);
  }

  @Test
  void camerasThatAreNowhereAndLensesNobodyChose() {
    Camera chosen = camera("A", 0, 6, 0);
    Camera begun =
        camera("B", 0, 6, 0)
            .withChannel("focalLength", Channel.fixed(Camera.FOCAL_LENGTH.initial()));
    Sequence s = cut(scene(chosen, begun, camera("C", 0, 6, 0)), shot("one", "camB", 1, 20));
    List<String> said =
        CutNotes.ofCameras(s, Programme.of(s)).stream().map(n -> n.about() + " " + n.of()).toList();
    assertEquals(List.of("CAMERA_UNUSED camA", "LENS_NOT_CHOSEN camB", "CAMERA_UNUSED camC"), said);
  }

  @Test
  void soundsThatGoOnWhereNothingIsSeen() {
    Sequence s = cut(scene(camera("A", 0, 6, 0)), shot("one", "camA", 1, 24));
    double fps = s.header().rate().perSecond();
    s = s.with(new SoundTrack("t", "Scratch", "i", 0, false, false));
    Sound fits = new Sound("fits", "Fits", "t", "ab".repeat(32), 9, 1, 0, 24 / fps, 0, false, 0, 0);
    s = s.with(fits).with(fits.withId("early").withName("Early").withAt(-5.5));
    s = s.with(fits.withId("late").withName("Late").withLastsS(30 / fps));
    assertEquals(
        List.of(
            "Early begins 7 frames before the first shot.",
            "Late goes on for 6 frames after the last shot."),
        CutNotes.ofSounds(s, Programme.of(s)).stream().map(Note::text).toList());
    ShotCommand.AcceptNote leave = new ShotCommand.AcceptNote("late", "soundOut", "rings out");
    Sequence on = Edit.apply(s, List.of(leave));
    assertEquals("rings out", CutNotes.ofSounds(on, Programme.of(on)).get(1).accepted());
    Sequence again = Edit.apply(on, List.of(new ShotCommand.AcceptNote("late", "soundOut", "")));
    assertEquals(s.entities(), again.entities());
  }

  @Test
  void aCameraThatIsInNoShotOnPurposeKeepsItsWord() {
    Sequence s = cut(scene(camera("A", 0, 6, 0), camera("B", 0, 6, 0)), shot("one", "camA", 1, 24));
    ShotCommand.AcceptNote spare = new ShotCommand.AcceptNote("camB", "cameraUnused", "a spare");
    Sequence on = Edit.apply(s, List.of(spare));
    assertEquals("a spare", CutNotes.ofCameras(on, Programme.of(on)).get(0).accepted());
  }

  @Test
  void whatIsAcceptedKeepsItsWord() {
    Sequence s =
        cut(scene(camera("A", 0, 6, 0)), shot("one", "camA", 1, 20), shot("two", "camA", 21, 5));
    for (Note n : notes(s)) assertNull(n.accepted());
    Sequence on =
        Edit.apply(
            s,
            List.of(
                new ShotCommand.AcceptNote("two", "sameCamera", " on purpose "),
                new ShotCommand.AcceptNote("two", "short", "a heartbeat")));
    assertEquals(
        List.of("a heartbeat", "on purpose"), notes(on).stream().map(Note::accepted).toList());
    Sequence again = Edit.apply(on, List.of(new ShotCommand.AcceptNote("two", "sameCamera", "")));
    assertNull(notes(again).get(1).accepted());
  }
}
