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
import kite.core.document.LimitsOfCuts;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.framings.Framings;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;
import org.junit.jupiter.api.Test;

class ReportTest {
  private static Sequence with(Entity... all) {
    List<Command> adds = new ArrayList<>();
    for (Entity e : all) adds.add(new EntityCommand.Add(e));
    return Edit.apply(new Sequence(RandomDocuments.header(), Map.of()), adds);
  }

  private static Camera camera(Channels base, RigPart... more) {
    List<RigPart> rig =
        new ArrayList<>(List.of(new Base("base", true, null, Base.Takes.POSITION, base)));
    rig.addAll(List.of(more));
    Channels lens =
        Channels.NONE
            .with("focalLength", 24.89)
            .with("fStop", 2)
            .with("focusDistance", 10)
            .with("farClip", 300);
    return new Camera("cam", "Cam", "A", "#f0785a", false, false, lens, rig);
  }

  private static Attention lookingAt(String subject) {
    return new Attention(
        "look",
        true,
        Attention.Up.WORLD,
        null,
        Attention.Blend.POINTS,
        List.of(Subject.of(subject)),
        List.of(new Cue(1, 0, Ease.EVEN, Map.of(subject, 1.0))),
        Channels.NONE);
  }

  private static Piece piece(String id, StandInKind kind, Channel x, double z) {
    return new Piece(
        id,
        id,
        null,
        new Shape.StandIn(kind, 0.6, 1.8, 0.4),
        "#a0b0c0",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", x).with("z", z));
  }

  private static Channel line(double from, double to) {
    return Channel.curve(Key.of(1, from, KeyShape.STRAIGHT), Key.of(39, to, KeyShape.STRAIGHT));
  }

  private static List<Warnings.Warning> warned(Sequence s) {
    Plan plan = new Plan(s, Models.NONE);
    return Warnings.of(s, plan, (Camera) s.get("cam"), 1, 39);
  }

  @Test
  void aWalkerIsSeenComingIntoFrameAndGoingOutOfFocus() {
    // 24.89 mm on 24.89 mm: half the width is half the distance, 5 m at 10 m
    Sequence s =
        with(
            camera(Channels.NONE.with("y", 1)),
            piece("walker", StandInKind.ADULT, line(-10, 9), -10),
            piece("far", StandInKind.CHILD, Channel.fixed(0), -100));
    Plan plan = new Plan(s, Models.NONE);
    List<FrameReport.Row> rows = FrameReport.of(s, plan, (Camera) s.get("cam"), 1, 1, 39);
    assertEquals(2, rows.size());
    FrameReport.Row walker =
        rows.stream().filter(r -> r.id().equals("walker")).findFirst().orElseThrow();
    FrameReport.Row far = rows.stream().filter(r -> r.id().equals("far")).findFirst().orElseThrow();
    for (int i = 0; i < 39; i++) {
      double x = -10 + i * 0.5;
      double edge = 5 * (10.2 / 10); // its back, where it is seen widest of
      boolean in = Math.abs(x) - 0.3 < edge, whole = Math.abs(x) + 0.3 < 4.9;
      int bits = walker.seen()[i];
      if (Math.abs(Math.abs(x) - 5.3) > 0.15)
        assertEquals(in, (bits & FrameReport.IN_FRAME) != 0, "at " + x);
      if (Math.abs(Math.abs(x) - 4.65) > 0.2)
        assertEquals(whole, (bits & FrameReport.WHOLE) != 0, "at " + x);
      if (in && bits != 0) assertTrue((bits & FrameReport.SHARP) != 0);
      assertEquals(0, far.seen()[i] & FrameReport.SHARP, "far behind the focus at f/2");
      assertEquals(0, bits & FrameReport.CLIPPED);
    }
    int at = 20; // in the middle: 1.8 m of 7.5 m at 10 m, measured at its near side
    assertEquals(1.8 / (9.8 * 720 / 1280), walker.height()[at], 0.01);
  }

  @Test
  void aFastPanIsSaidAndASlowOneIsNot() {
    double perFrame = Math.toDegrees(Math.atan(1 / 168.0)); // of a width of slope 1
    Head fast = new Head("head", true, Channels.NONE.with("pan", line(0, perFrame * 38 * 1.1)));
    Head slow = new Head("head", true, Channels.NONE.with("pan", line(0, perFrame * 38 * 0.7)));
    List<Warnings.Warning> said = warned(with(camera(Channels.NONE, fast)));
    assertEquals(1, said.size());
    assertEquals(Warnings.Kind.FAST_PAN, said.get(0).kind());
    assertEquals(1, said.get(0).first());
    assertEquals(39, said.get(0).last());
    assertTrue(said.get(0).text().contains("will strobe"), said.get(0).text());
    assertEquals(List.of(), warned(with(camera(Channels.NONE, slow))));
  }

  @Test
  void leaningSteepTightAndInsideAreSaid() {
    Camera rolled = camera(Channels.NONE.with("y", 3), lookingAt("mark"));
    Mark under = new Mark("mark", "Under", null, Channels.NONE.with("x", 0.02));
    List<Warnings.Warning> steep = warned(with(under, rolled));
    assertTrue(steep.stream().anyMatch(w -> w.kind() == Warnings.Kind.VERTICAL), "" + steep);
    List<PathPoint> bend = new ArrayList<>();
    for (int i = 0; i <= 8; i++) {
      double a = Math.PI * i / 8;
      bend.add(new PathPoint(new Vec3(Math.cos(a), 1, -Math.sin(a)), Vec3.ZERO, Vec3.ZERO));
    }
    Path path = new Path("path", "Bend", PathStyle.THROUGH, false, bend);
    Rail rail =
        new Rail(
            "rail",
            true,
            "path",
            Rail.Facing.KEEP,
            null,
            true,
            Channels.NONE.with("progress", line(0, 100)));
    // π metres in 38 frames at 23.976: 1.98 m/s round 1 m is 3.9 m/s²
    List<Warnings.Warning> tight = warned(with(path, camera(Channels.NONE, rail)));
    assertEquals(Warnings.Kind.CORNER, tight.get(0).kind());
    assertEquals("rail", tight.get(0).part());
    Sequence box =
        with(
            camera(Channels.NONE.with("y", 1).with("x", line(-3, 3))),
            piece("crate", StandInKind.BOX, Channel.fixed(0), 0));
    List<Warnings.Warning> inside = warned(box);
    assertEquals("The camera is inside “crate” on frames 19–21.", inside.get(0).text());
    Piece cart = piece("cart", StandInKind.PLANE, line(-3, 3), 0);
    Piece carried = piece("load", StandInKind.BOX, Channel.fixed(0), 0).withParent("cart");
    Sequence along = with(camera(Channels.NONE.with("y", 1).with("x", line(-3, 3))), cart, carried);
    assertEquals(
        "The camera is inside “load” on frames 1–39.",
        warned(along).get(0).text(),
        "what stands still on what moves");
    Camera other =
        new Camera(
            "other",
            "Other",
            "B",
            "#112233",
            false,
            false,
            Channels.NONE,
            List.of(
                new Base("base", true, null, Base.Takes.POSITION, Channels.NONE.with("roll", 12))));
    Framings half =
        new Framings(
            "f",
            true,
            Framings.Route.STRAIGHT,
            true,
            List.of("other"),
            List.of(new Cue(1, 0, Ease.EVEN, Map.of("other", 0.5))),
            Channels.NONE);
    Camera cam =
        new Camera("cam", "Cam", "A", "#f0785a", false, false, Channels.NONE, List.of(half));
    List<Warnings.Warning> left = warned(with(other, cam));
    assertEquals(
        List.of(Warnings.Kind.ROLL, Warnings.Kind.NOTHING_BELOW),
        left.stream().map(Warnings.Warning::kind).toList());
  }

  @Test
  void focusIsHeldWhereALensStillMakesAPictureAndThatIsSaid() {
    // 85 mm pulled by free handles to under its own length, and a trim that makes it longer still
    Key low = Key.of(20, 0.2, KeyShape.FREE).free(8, -1.2, 8, -1.2, true);
    Channel focus = Channel.curve(Key.smooth(1, 3), low, Key.smooth(39, 3));
    Camera c =
        camera(
                Channels.NONE,
                new kite.core.rig.trim.Trim(
                    "trim", true, "", null, List.of(), Channels.NONE.with("focal", 60)))
            .withChannel("focalLength", Channel.fixed(85))
            .withChannel("focusDistance", focus);
    Sequence s = with(c);
    Plan plan = new Plan(s, Models.NONE);
    int o = plan.slot("cam") * LensRow.SIZE;
    double least = 9;
    for (double f = 1; f <= 39; f += 0.1) {
      plan.evaluate(f);
      double focal = plan.lens()[o + LensRow.FOCAL], at = plan.lens()[o + LensRow.FOCUS];
      least = Math.min(least, at);
      assertTrue(at > focal / 1000, "frame " + f);
      double blur = new kite.core.optics.DepthOfField(focal, 2, 0.02, at).blurMm(5);
      assertTrue(blur >= 0 && Double.isFinite(blur), "blur " + blur);
    }
    assertEquals(0.145 * 1.001, least, 1e-9, "held at what 145 mm can do");
    assertTrue(
        warned(s).stream().anyMatch(w -> w.kind() == Warnings.Kind.TOO_NEAR), warned(s).toString());
  }

  @Test
  void aPanThatKeepsItsSubjectInPlaceDoesNotStrobe() {
    Piece runner = piece("runner", StandInKind.ADULT, line(-6, 6), -6);
    Attention look = lookingAt("runner");
    assertEquals(
        0,
        warned(with(runner, camera(Channels.NONE.with("y", 1.5), look))).stream()
            .filter(w -> w.kind() == Warnings.Kind.FAST_PAN)
            .count());
    // the same pan with nothing to look at does
    assertEquals(
        1,
        warned(with(camera(Channels.NONE.with("y", 1.5).with("pan", line(45, -45))))).stream()
            .filter(w -> w.kind() == Warnings.Kind.FAST_PAN)
            .count());
  }

  private static long strobes(Sequence s) {
    return warned(s).stream().filter(w -> w.kind() == Warnings.Kind.FAST_PAN).count();
  }

  /** A wall with a door in it that fills the frame whichever way the camera turns. */
  private static Piece[] wall(String light, String dark) {
    Piece[] all = new Piece[12];
    for (int i = 0; i < all.length; i++)
      all[i] =
          new Piece(
              "w" + i,
              "w" + i,
              null,
              new Shape.StandIn(StandInKind.BOX, 4, 5, 0.2),
              i % 2 == 0 ? light : dark,
              true,
              false,
              AxisOrder.PAN_TILT_ROLL,
              Channels.NONE.with("x", 4 * i - 24.0).with("y", -1.0).with("z", -12.0));
    return all;
  }

  private static Sequence panned(double times, Piece... pieces) {
    double perFrame = Math.toDegrees(Math.atan(1 / 168.0));
    Head head = new Head("head", true, Channels.NONE.with("pan", line(0, perFrame * 38 * times)));
    List<Entity> all = new ArrayList<>(List.of(pieces));
    all.add(camera(Channels.NONE, head));
    return with(all.toArray(new Entity[0]));
  }

  @Test
  void whatStrobesGoesByContrastAndScreen() {
    assertEquals(0, strobes(panned(0.9, wall("#909090", "#707070"))), "grey in grey");
    assertEquals(1, strobes(panned(0.9, wall("#ffffff", "#000000"))), "white and black");
    assertEquals(0, strobes(panned(2, wall("#808080", "#7c7c7c"))), "hardly an edge");
    Sequence s = panned(1.1);
    LimitsOfCuts cuts = s.header().standards().cut();
    LimitsOfCuts phone =
        new LimitsOfCuts(
            cuts.shortFrames(), cuts.jumpDegrees(), cuts.jumpShare(), cuts.leapShare(), 20);
    Sequence small = s.with(s.header().withStandards(s.header().standards().withCut(phone)));
    assertEquals(1, strobes(s));
    assertEquals(0, strobes(small), "on a screen half as wide");
  }

  @Test
  void aShortTurnAndAWhipDoNotStrobe() {
    Channel little =
        Channel.curve(Key.of(10, 0, KeyShape.STRAIGHT), Key.of(14, 4, KeyShape.STRAIGHT));
    Channel longer =
        Channel.curve(Key.of(10, 0, KeyShape.STRAIGHT), Key.of(30, 20, KeyShape.STRAIGHT));
    Channel whip =
        Channel.curve(Key.of(10, 0, KeyShape.STRAIGHT), Key.of(20, 70, KeyShape.STRAIGHT));
    List<Long> found = new ArrayList<>();
    for (Channel pan : List.of(little, longer, whip))
      found.add(
          strobes(
              with(camera(Channels.NONE, new Head("head", true, Channels.NONE.with("pan", pan))))));
    assertEquals(List.of(0L, 1L, 0L), found);
  }

  @Test
  void whatGoesToAndFroIsNoPan() {
    List<Key> keys = new ArrayList<>();
    for (int f = 1; f <= 39; f++) keys.add(Key.of(f, f % 4 < 2 ? 0 : 1.5, KeyShape.STRAIGHT));
    Head head =
        new Head("head", true, Channels.NONE.with("tilt", Channel.curve(keys.toArray(new Key[0]))));
    assertEquals(0, strobes(with(camera(Channels.NONE, head))));
  }

  @Test
  void whatStandsStillInTheFrameHoldsTheEye() {
    // nobody is attended to: the pan goes with somebody who walks by
    double z = -6;
    Channel walk = line(-3, 3);
    List<Key> keys = new ArrayList<>();
    for (int f = 1; f <= 39; f++)
      keys.add(Key.of(f, Math.toDegrees(Math.atan2(-walk.at(f), -z)), KeyShape.STRAIGHT));
    Head head =
        new Head("head", true, Channels.NONE.with("pan", Channel.curve(keys.toArray(new Key[0]))));
    Camera c = camera(Channels.NONE.with("y", 1.2), head);
    assertEquals(0, strobes(with(c, piece("walker", StandInKind.ADULT, walk, z))));
    assertEquals(1, strobes(with(c)));
  }
}
