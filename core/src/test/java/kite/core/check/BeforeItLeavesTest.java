package kite.core.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import kite.core.RandomDocuments;
import kite.core.check.Finding.Severity;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.ShotCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Layer;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.form.Words;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import org.junit.jupiter.api.Test;

/** One camera at the origin, 1.6 m high, that looks at Ann, 6 m away, over frames 9 to 28. */
class BeforeItLeavesTest {
  private static final Channels LENS =
      Channels.NONE.with("focalLength", 40).with("focusDistance", 6).with("fStop", 4);

  private static Piece box(String id, double z, double size) {
    return new Piece(
        id,
        id,
        null,
        new Shape.StandIn(StandInKind.BOX, size, size, size),
        "#a0b0c0",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("z", z).with("x", 1));
  }

  private static Piece ann() {
    return new Piece(
        "ann",
        "Ann",
        null,
        new Shape.StandIn(StandInKind.ADULT, 0.5, 1.8, 0.3),
        "#a0b0c0",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("z", -6));
  }

  private static Camera camera(Channels lens, Channels base) {
    Attention look =
        new Attention(
            "look",
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.POINTS,
            List.of(Subject.of("ann")),
            List.of(new Cue(1, 0, Ease.EVEN, Map.of("ann", 1.0))),
            Channels.NONE);
    return new Camera(
        "cam",
        "Cam",
        "A",
        "#f0785a",
        false,
        false,
        lens,
        List.of(new Base("base", true, null, Base.Takes.POSITION, base.with("y", 1.6)), look));
  }

  private static Sequence scene(Camera c, Entity... more) {
    List<Command> all = new ArrayList<>();
    boolean mine = false;
    for (Entity e : more) mine |= e.id().equals("ann");
    for (Entity e : more) if (e instanceof Layer) all.add(new Add(e));
    if (!mine) all.add(new Add(ann()));
    for (Entity e : more) if (e.id().equals("ann")) all.add(new Add(e));
    all.add(new Add(c));
    for (Entity e : more) if (!(e instanceof Layer) && !e.id().equals("ann")) all.add(new Add(e));
    all.add(new ShotCommand.InsertShot(Shot.of("one", "SW1_0010", "cam", 9, 20), null));
    return Edit.apply(new Sequence(RandomDocuments.header(), Map.of()), all);
  }

  private static List<Finding> found(Sequence s) {
    return BeforeItLeaves.of(s, new Plan(s, Models.NONE), Set.of());
  }

  private static Set<String> about(Sequence s) {
    return found(s).stream().map(Finding::about).collect(Collectors.toSet());
  }

  private static Finding only(Sequence s, Flag flag) {
    List<Finding> all = found(s);
    assertEquals(List.of(Words.of(flag)), all.stream().map(Finding::about).toList(), "" + all);
    return all.get(0);
  }

  private static Sequence mended(Sequence s, Flag flag) {
    return Edit.apply(s, BeforeItLeaves.mends(s, Models.NONE, Words.of(flag), "one"));
  }

  @Test
  void aCleanShotHasNothingToSay() {
    assertEquals(List.of(), found(scene(camera(LENS, Channels.NONE))));
  }

  @Test
  void aClipThatCutsIsSaidAndMended() {
    Sequence s = scene(camera(LENS.with("farClip", 20), Channels.NONE), box("house", -30, 4));
    Finding f = only(s, Flag.CLIPPED);
    assertEquals(Severity.WRONG, f.severity());
    assertTrue(f.text().contains("house"), f.text());
    assertEquals("SW1_0010", f.shot());
    assertEquals(List.of(), found(mended(s, Flag.CLIPPED)));
  }

  @Test
  void whomTheCameraLooksAtIsSharpAndThere() {
    Finding blurred =
        only(scene(camera(LENS.with("focusDistance", 2), Channels.NONE)), Flag.NOT_SHARP);
    // 40 mm, f/4, focus 2 m, her 6 m away along the axis: 40²·4000 / (4·6000·1960) = 0.136 mm of a
    // film back of 24.89 mm that is 1280 pixels wide: 7 pixels
    assertTrue(
        blurred.text().contains("“Ann” is looked at and blurred over 7 pix"), blurred.text());
    // hyperfocal at f/16 on 14 mm is under a metre and a half
    Channels deep = LENS.with("focalLength", 14).with("fStop", 16).with("focusDistance", 2);
    assertEquals(List.of(), found(scene(camera(deep, Channels.NONE))), "beyond the hyperfocal");
    only(scene(camera(LENS, Channels.NONE), ann().withShown(false)), Flag.HIDDEN_SUBJECT);
  }

  @Test
  void whatIsSeenAndNotRenderedIsSaid() {
    Layer guides = new Layer("guides", "Guides", "#ffffff", true, false, false);
    Finding f =
        only(
            scene(camera(LENS, Channels.NONE), guides, box("ruler", -8, 1).withLayer("guides")),
            Flag.NOT_RENDERED);
    assertTrue(f.text().contains("ruler"), f.text());
  }

  @Test
  void aLensOffTheKitIsSaidAndAlmostOneOfThemMended() {
    Sequence almost = scene(camera(LENS.with("focalLength", 13.9), Channels.NONE));
    Finding f = only(almost, Flag.LENS_OFF_KIT);
    assertEquals("Take 14 mm", f.mend());
    assertEquals(List.of(), found(mended(almost, Flag.LENS_OFF_KIT)));
    Finding far =
        only(scene(camera(LENS.with("focalLength", 9), Channels.NONE)), Flag.LENS_OFF_KIT);
    assertNull(far.mend(), "another picture");
    assertEquals(about(scene(camera(LENS.with("focalLength", 61), Channels.NONE))), Set.of());
  }

  @Test
  void keysBetweenFramesAreSaidAndPutOntoThem() {
    Channel stop =
        Channel.curve(
            Key.of(12.4, 4, KeyShape.STRAIGHT),
            Key.of(16, 4.5, KeyShape.STRAIGHT),
            Key.of(16.3, 4, KeyShape.STRAIGHT));
    Sequence s = scene(camera(LENS.with("fStop", stop), Channels.NONE));
    Finding f = only(s, Flag.KEY_BETWEEN);
    assertTrue(f.text().contains("12.4"), f.text());
    Channel then = ((Camera) mended(s, Flag.KEY_BETWEEN).get("cam")).channel("fStop");
    assertEquals(
        List.of(12.0, 16.0, 16.3), // there is one on 16 already
        ((Channel.Curve) then).keys().stream().map(Key::frame).toList());
  }

  @Test
  void aMoveThatBeginsWithTheShotIsSaid() {
    Channel within =
        Channel.curve(Key.of(9, 0, KeyShape.STRAIGHT), Key.of(28, 1, KeyShape.STRAIGHT));
    Channel before =
        Channel.curve(Key.of(1, 0, KeyShape.STRAIGHT), Key.of(40, 2, KeyShape.STRAIGHT));
    Channel middle =
        Channel.curve(Key.of(14, 0, KeyShape.STRAIGHT), Key.of(22, 0.4, KeyShape.STRAIGHT));
    Finding f = only(scene(camera(LENS, Channels.NONE.with("x", within))), Flag.MOVE_AT_EDGE);
    assertTrue(f.text().contains("begins and ends"), f.text());
    assertEquals(Severity.KNOW, f.severity());
    assertEquals(Set.of(), about(scene(camera(LENS, Channels.NONE.with("x", before)))));
    assertEquals(Set.of(), about(scene(camera(LENS, Channels.NONE.with("x", middle)))));
    Sequence none =
        Edit.apply(
            scene(camera(LENS, Channels.NONE.with("x", before))),
            List.of(new ShotCommand.SetShotRules(List.of("one"), null, 0)));
    assertTrue(only(none, Flag.MOVE_AT_EDGE).text().contains("no handles"));
  }

  @Test
  void aPlateThatRunsOutIsSaid() {
    String image = "a".repeat(64);
    Plate whole =
        new Plate(
            "plate",
            "Harbour",
            "cam",
            Collections.nCopies(60, image),
            Plate.PlateFit.FILL,
            false,
            true,
            -10,
            Plate.After.HOLD,
            Channels.NONE);
    Camera c = camera(LENS, Channels.NONE);
    assertEquals(Set.of(), about(scene(c, whole)));
    Finding f = only(scene(c, whole.withFrames(Collections.nCopies(30, image))), Flag.PLATE_SHORT);
    assertTrue(f.text().contains("frame 19"), f.text());
    only(scene(c, whole.withFirstFrame(12)), Flag.PLATE_SHORT);
    only(scene(c, whole.withFirstFrame(5)), Flag.PLATE_SHORT_IN_HANDLES);
    // one image, and images that begin again, never run out
    assertEquals(Set.of(), about(scene(c, whole.withFrames(List.of(image)))));
    Plate loop = whole.withFrames(List.of(image, image)).withAfter(Plate.After.LOOP);
    assertEquals(Set.of(), about(scene(c, loop)));
  }

  @Test
  void whatIsCutTwiceIsJoined() {
    Sequence s =
        Edit.apply(
            scene(camera(LENS, Channels.NONE)),
            List.of(new ShotCommand.InsertShot(Shot.of("two", "SW1_0020", "cam", 29, 12), null)));
    Finding f = found(s).get(0);
    assertEquals("sameCamera", f.about());
    assertEquals("Join the two", f.mend());
    Sequence joined = Edit.apply(s, BeforeItLeaves.mends(s, Models.NONE, f.about(), f.of()));
    assertEquals(1, joined.all(Shot.class).size());
    assertEquals(32, joined.all(Shot.class).get(0).take().frames());
  }

  @Test
  void whatStaysHasTheWord() {
    Sequence s = scene(camera(LENS.with("focusDistance", 2), Channels.NONE));
    Sequence on = Edit.apply(s, List.of(new ShotCommand.AcceptNote("one", "notSharp", "a dream")));
    assertEquals("a dream", found(on).get(0).accepted());
  }
}
