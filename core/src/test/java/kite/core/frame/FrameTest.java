package kite.core.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Guide;
import kite.core.document.Layer;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rules.Refusal;
import org.joml.Matrix4d;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** The frame's questions and the moves that answer them, against projections made by JOML. */
class FrameTest {
  private static Sequence with(Entity... all) {
    Sequence s = new Sequence(RandomDocuments.header(), Map.of());
    for (Entity e : all) s = Edit.apply(s, List.of(new EntityCommand.Add(e)));
    return s;
  }

  private static Piece box(String id, StandInKind kind, double x, double y, double z) {
    return new Piece(
        id,
        "Box " + id,
        null,
        new Shape.StandIn(kind, 0.5, 1.8, 0.4),
        "#a0b0c0",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", x).with("y", y).with("z", z).with("pan", 25));
  }

  private static Camera camera(Channels base, RigPart... more) {
    List<RigPart> rig = new ArrayList<>();
    rig.add(new Base("base", true, null, Base.Takes.POSITION, base));
    rig.addAll(List.of(more));
    return new Camera(
        "cam",
        "Camera",
        "A",
        "#f0785a",
        false,
        false,
        Channels.NONE.with("focalLength", 35).with("focusDistance", 6).with("farClip", 500),
        rig);
  }

  private static Head head() {
    return new Head("head", true, Channels.NONE);
  }

  private static Plan at(Sequence s, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return p;
  }

  private static Sequence after(Sequence s, List<Command> commands) {
    return Edit.apply(s, commands);
  }

  /** Where JOML's own camera matrices put a point: across and down, 0–1, and depth. */
  private static double[] projected(Sequence s, double frame, Vec3 p) {
    Plan plan = at(s, frame);
    Eye eye = Eye.of(plan, "cam");
    DeliveryWindow w = eye.window();
    Vector3d v =
        new Matrix4d()
            .set(eye.world())
            .invert()
            .transformPosition(new Vector3d(p.x(), p.y(), p.z()));
    Vector3d ndc =
        new Matrix4d()
            .frustum(w.left(), w.right(), w.bottom(), w.top(), 1, 1000)
            .transformProject(new Vector3d(v));
    return new double[] {(ndc.x + 1) / 2, (1 - ndc.y) / 2, -v.z};
  }

  @Test
  void anExtentHoldsEveryPointOfItsPieceAndNoMore() {
    Random r = new Random(4);
    for (int n = 0; n < 300; n++) {
      Channels base =
          Channels.NONE
              .with("x", r.nextDouble() * 8 - 4)
              .with("y", r.nextDouble() * 3)
              .with("z", r.nextDouble() * 8)
              .with("pan", r.nextDouble() * 360)
              .with("tilt", r.nextDouble() * 80 - 40)
              .with("roll", r.nextDouble() * 60 - 30);
      Sequence s = with(box("b", StandInKind.BOX, 0, 0, 0), camera(base));
      Plan plan = at(s, 1);
      Extent e = Extent.of(plan, Eye.of(plan, "cam"), "b");
      double near = Double.POSITIVE_INFINITY, far = 0;
      boolean any = false;
      double[] m = plan.world();
      int o = plan.slot("b") * 16;
      for (int i = 0; i < 12000; i++) {
        double x = (r.nextDouble() - 0.5) * 0.5,
            y = r.nextDouble() * 1.8,
            z = (r.nextDouble() - 0.5) * 0.4;
        Vec3 p =
            new Vec3(
                m[o] * x + m[o + 4] * y + m[o + 8] * z + m[o + 12],
                m[o + 1] * x + m[o + 5] * y + m[o + 9] * z + m[o + 13],
                m[o + 2] * x + m[o + 6] * y + m[o + 10] * z + m[o + 14]);
        double[] q = projected(s, p, plan);
        if (q[2] <= 0 || q[0] < 0 || q[0] > 1 || q[1] < 0 || q[1] > 1) continue;
        any = true;
        near = Math.min(near, q[2]);
        far = Math.max(far, q[2]);
        assertTrue(q[0] >= e.left() - 1e-9 && q[0] <= e.right() + 1e-9);
        assertTrue(q[1] >= e.top() - 1e-9 && q[1] <= e.bottom() + 1e-9);
      }
      if (!any) continue;
      assertTrue(e.inFrame());
      assertTrue(e.nearM() <= near + 1e-9 && e.farM() >= far - 1e-9);
      if (e.nearM() > 0) assertEquals(near, e.nearM(), 0.25);
      assertEquals(far, e.farM(), 0.25);
    }
  }

  private static double[] projected(Sequence s, Vec3 p, Plan plan) {
    Eye eye = Eye.of(plan, "cam");
    Vec3 v = eye.seen(p);
    return new double[] {
      eye.window().across(v.x(), v.z()), eye.window().down(v.y(), v.z()), -v.z()
    };
  }

  @Test
  void theLensInsideABoxIsAtDepthZero() {
    Sequence s = with(box("b", StandInKind.BOX, 0, 0, 0), camera(Channels.NONE.with("y", 0.9)));
    Plan plan = at(s, 1);
    assertEquals(0, Extent.of(plan, Eye.of(plan, "cam"), "b").nearM());
  }

  @Test
  void nothingIsCutOffOverTheWholeShotAndAClipThatCutsNothingStays() {
    Piece moving =
        (Piece)
            box("b", StandInKind.BOX, 0, 0, -3)
                .withChannel("z", Channel.curve(Key.smooth(1, -3), Key.smooth(40, -90)));
    Sequence s = with(moving, camera(Channels.NONE.with("y", 1)));
    s = after(s, List.of(new SetValue("cam", "nearClip", 1, 5, false)));
    s = after(s, List.of(new SetValue("cam", "farClip", 1, 30, false)));
    List<Command> all = Clips.nothingCutOff(s, Models.NONE, (Camera) s.get("cam"), 1, 40);
    s = after(s, all);
    Camera c = (Camera) s.get("cam");
    double near = c.channel("nearClip").at(1), far = c.channel("farClip").at(1);
    assertTrue(near < 2.75 && near > 2.2, "" + near);
    assertTrue(far > 90.2 && far < 105, "" + far);
    for (int f = 1; f <= 40; f++)
      for (WhatIsSeen.Seen x : WhatIsSeen.of(s, at(s, f), c))
        assertFalse(x.cutNear() || x.cutFar());
    assertEquals(List.of(), Clips.nothingCutOff(s, Models.NONE, c, 1, 40));
    s = after(s, List.of(new SetValue("cam", "nearClip", 1, 0.05, false)));
    s = after(s, List.of(new SetValue("cam", "farClip", 1, 40, false)));
    all = Clips.nothingCutOff(s, Models.NONE, (Camera) s.get("cam"), 1, 40);
    assertEquals(1, all.size(), "the near clip cut nothing and stays where it was");
  }

  /** 20 × 15 mm fitted by its height to 16:9 would need 26.67 mm of film across. */
  @Test
  void aFrameBeyondTheFilmIsSaidWithItsShare() {
    Sequence s = with(camera(Channels.NONE));
    s = after(s, List.of(new RigCommand.SetBack("cam", new FilmBack(20, 15, 1), Fit.HEIGHT)));
    BeyondFilm b = BeyondFilm.of(s, at(s, 1), (Camera) s.get("cam"));
    assertEquals(20 / (15 * 16 / 9.0), b.across(), 1e-12);
    assertEquals(1, b.down(), 1e-12);
    assertTrue(b.says().contains("left and right"), b.says());
    s = after(s, List.of(new RigCommand.SetBack("cam", new FilmBack(20, 15, 1), Fit.WIDTH)));
    assertEquals("", BeyondFilm.of(s, at(s, 1), (Camera) s.get("cam")).says());
  }

  @Test
  void anEmptyPictureSaysWhy() {
    Camera ahead = camera(Channels.NONE.with("y", 1));
    Sequence s = with(box("b", StandInKind.BOX, 0, 0, -50), ahead);
    assertEquals("", WhatIsSeen.whyEmpty(s, at(s, 1), ahead).text());
    s = after(s, List.of(new SetValue("cam", "farClip", 1, 20, false)));
    assertTrue(why(s).contains("“Box b” is beyond the far clip"), why(s));
    s = after(s, List.of(new SetValue("cam", "farClip", 1, 500, false)));
    s = after(s, List.of(new SetValue("cam", "nearClip", 1, 80, false)));
    assertTrue(why(s).contains("nearer than the near clip"), why(s));
    s = after(s, List.of(new SetValue("cam", "nearClip", 1, 0.1, false)));
    Sequence hidden = after(s, List.of(new EntityCommand.Show(List.of("b"), false)));
    assertTrue(why(hidden).contains("hidden"), why(hidden));
    Sequence layered =
        after(
            s,
            List.of(
                new EntityCommand.Add(new Layer("l", "Far", "#112233", false, true, false)),
                new EntityCommand.Lay(List.of("b"), "l")));
    assertTrue(why(layered).contains("layer"), why(layered));
    s = after(s, List.of(new SetValue("cam", "base/pan", 1, 180, false)));
    assertTrue(why(s).contains("faces away"), why(s));
    assertTrue(
        why(with(ahead)).contains("nothing in the set"),
        "an empty set says so: " + why(with(ahead)));
  }

  private static String why(Sequence s) {
    return WhatIsSeen.whyEmpty(s, at(s, 1), (Camera) s.get("cam")).text();
  }

  @Test
  void aSubjectIsPutAtItsPlaceAndSizeByEveryMeans() {
    Random r = new Random(9);
    for (PlaceSubject.By by : PlaceSubject.By.values()) {
      for (int n = 0; n < 40; n++) {
        Sequence s =
            with(
                box("b", StandInKind.ADULT, r.nextDouble() * 2 - 1, 0, -6 - r.nextDouble() * 4),
                camera(
                    Channels.NONE.with("y", 1 + r.nextDouble()).with("pan", r.nextDouble() * 6),
                    head()));
        double u = 0.25 + r.nextDouble() * 0.5, v = 0.3 + r.nextDouble() * 0.3;
        double size = by == PlaceSubject.By.TURN ? 0 : 0.2 + r.nextDouble() * 0.4;
        s =
            after(
                s,
                new PlaceSubject(s, Models.NONE, (Camera) s.get("cam"), 1, false)
                    .at(s.get("b"), null, u, v, size, by));
        Plan plan = at(s, 1);
        double[] p = new double[3];
        plan.anchor("b", null, p);
        double[] q = projected(s, 1, new Vec3(p[0], p[1], p[2]));
        assertEquals(u, q[0], 1e-6, by + " across");
        assertEquals(v, q[1], 1e-6, by + " down");
        Extent e = Extent.of(plan, Eye.of(plan, "cam"), "b");
        if (size > 0) assertEquals(size, e.height(), 1e-3, by + "");
      }
    }
  }

  @Test
  void aHeldAimIsPlacedByItsOwnPlaceInFrame() {
    Attention look =
        new Attention(
            "look",
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.POINTS,
            List.of(Subject.of("b")),
            List.of(new Cue(1, 0, Ease.EVEN, Map.of("b", 1.0))),
            Channels.NONE);
    Sequence s =
        with(box("b", StandInKind.ADULT, 1, 0, -7), camera(Channels.NONE.with("y", 1.5), look));
    List<Command> all =
        new PlaceSubject(s, Models.NONE, (Camera) s.get("cam"), 1, false)
            .at(s.get("b"), null, 0.3, 0.4, 0.5, PlaceSubject.By.MOVE);
    s = after(s, all);
    Plan plan = at(s, 1);
    double[] p = new double[3];
    plan.anchor("b", null, p);
    double[] q = projected(s, 1, new Vec3(p[0], p[1], p[2]));
    assertEquals(0.3, q[0], 1e-9);
    assertEquals(0.4, q[1], 1e-9);
    assertEquals(0.5, Extent.of(plan, Eye.of(plan, "cam"), "b").height(), 0.02);
  }

  @Test
  void aSubjectBehindTheCameraIsRefusedInWords() {
    Sequence s = with(box("b", StandInKind.ADULT, 0, 0, 9), camera(Channels.NONE, head()));
    Refusal r =
        assertThrows(
            Refusal.class,
            () ->
                new PlaceSubject(s, Models.NONE, (Camera) s.get("cam"), 1, false)
                    .at(s.get("b"), null, 0.5, 0.5, 0, PlaceSubject.By.TURN));
    assertEquals("“Box b” is behind camera A. Turn to it first.", r.getMessage());
  }

  @Test
  void keepingTheSizeMovesTheCameraJustAsTheLensGrows() {
    Sequence s = with(box("b", StandInKind.BOX, 0.2, 0, -6), camera(Channels.NONE.with("y", 1)));
    double[] p = new double[3];
    at(s, 1).anchor("b", null, p);
    Vec3 point = new Vec3(p[0], p[1], p[2]);
    double before = projected(s, 1, point)[2];
    s =
        after(
            s,
            new PlaceSubject(s, Models.NONE, (Camera) s.get("cam"), 1, false)
                .keepingSize(s.get("b"), null, 70));
    double[] q = projected(s, 1, point);
    assertEquals(2 * before, q[2], 1e-9);
    Vec3 side = point.plus(new Vec3(0.25, 0, 0));
    double size = projected(s, 1, side)[0] - q[0];
    // 0.25 m at depth d through 35 mm on 24.89 mm: 0.25 · 35 / (24.89 · d) of the frame
    assertEquals(0.25 * 35 / (24.89 * before), size, 1e-9);
  }

  @Test
  void placingACameraPutsItThereThroughItsWholeStack() {
    Random r = new Random(12);
    for (int seed = 0; seed < 40; seed++) {
      Sequence s = RandomDocuments.of(seed);
      for (int i = 0; i < 3; i++) {
        Camera c = (Camera) s.get("cam" + i);
        // an attention part holds the aim: here it is only the stack below that is asked
        Sequence plain = Edit.apply(s, List.of(new RigCommand.SwitchPart(c.id(), "look", false)));
        // what is late to arrive, or holds its distance, is not asked either
        for (String part : List.of("spring", "zoom"))
          if (c.part(part) != null)
            plain = Edit.apply(plain, List.of(new RigCommand.SwitchPart(c.id(), part, false)));
        Vec3 at = new Vec3(r.nextDouble() * 9, r.nextDouble() * 3, r.nextDouble() * 9);
        if (c.part("rail") != null) continue; // a rail of part strength pulls at the place
        Sequence moved =
            Edit.apply(
                plain, List.of(new RigCommand.PlaceCamera(c.id(), 7, at, 33, -12, 4, false)));
        Plan plan = at(moved, 7);
        double[] want =
            new Matrix4d()
                .translate(at.x(), at.y(), at.z())
                .rotateY(Math.toRadians(33))
                .rotateX(Math.toRadians(-12))
                .rotateZ(Math.toRadians(4))
                .get(new double[16]);
        for (int k = 0; k < 16; k++)
          assertEquals(want[k], plan.world()[plan.slot(c.id()) * 16 + k], 1e-7, "seed " + seed);
      }
    }
  }

  @Test
  void orbitingKeepsTheDistanceAndThePlaceInFrame() {
    Sequence s =
        with(box("b", StandInKind.BOX, 0, 0, -6), camera(Channels.NONE.with("y", 2), head()));
    Vec3 about = new Vec3(0, 1, -6);
    double[] before = projected(s, 1, about);
    s = after(s, List.of(new RigCommand.Orbit("cam", 1, about, 70, 30, false)));
    double[] now = projected(s, 1, about);
    for (int i = 0; i < 3; i++) assertEquals(before[i], now[i], 1e-9);
    Vec3 place = Eye.of(at(s, 1), "cam").place();
    assertTrue(place.x() > 3, "positive carries it to its right: " + place);
    s = after(s, List.of(new RigCommand.Orbit("cam", 1, about, 0, 500, false)));
    Vec3 high = Eye.of(at(s, 1), "cam").place().minus(about);
    assertEquals(89, Math.toDegrees(Math.asin(high.unit().y())), 1e-6, "stops short of overhead");
  }

  @Test
  void levellingTakesOutTheRollAndNothingElse() {
    Sequence s =
        with(camera(Channels.NONE.with("pan", 20).with("roll", 9).with("tilt", -5), head()));
    Vec3 before = Eye.of(at(s, 1), "cam").worldDirection(new Vec3(0, 0, -1));
    s = after(s, List.of(new RigCommand.Level("cam", 1, false)));
    Eye eye = Eye.of(at(s, 1), "cam");
    assertEquals(0, eye.world()[1], 1e-12, "the picture's side is level");
    assertEquals(0, before.distance(eye.worldDirection(new Vec3(0, 0, -1))), 1e-12);
  }

  @Test
  void focusFollowsSubjectsAlongTheAxisInDioptres() {
    Focus f =
        new Focus(
            List.of(Subject.of("a"), Subject.of("b")),
            List.of(
                new Cue(1, 0, Ease.EVEN, Map.of("a", 1.0)),
                new Cue(10, 10, Ease.EVEN, Map.of("b", 1.0))));
    Camera c = camera(Channels.NONE.with("y", 0.9)).withFocus(f);
    Sequence s = with(box("a", StandInKind.BOX, 1, 0, -2), box("b", StandInKind.BOX, -1, 0, -8), c);
    assertEquals(2, focus(s, 1), 1e-12, "along the axis, not straight");
    assertEquals(8, focus(s, 30), 1e-12);
    assertEquals(1 / ((1 / 2.0 + 1 / 8.0) / 2), focus(s, 15), 1e-9);
    Sequence behind = after(s, List.of(new SetValue("a", "z", 1, 5, false)));
    assertTrue(focus(behind, 1) > 0.035, "never nearer than the lens is long");
    s = after(s, List.of(new EntityCommand.Remove(List.of("a", "b"), true)));
    assertEquals(6, focus(s, 1), "the distance is left when all subjects are gone");
  }

  private static double focus(Sequence s, double frame) {
    Plan plan = at(s, frame);
    return plan.lens()[plan.slot("cam") * LensRow.SIZE + LensRow.FOCUS];
  }

  @Test
  void limitsDraggedGiveJustThoseLimits() {
    Sequence s = with(camera(Channels.NONE));
    s = after(s, List.of(new RigCommand.SetLimits("cam", 1, 3, 9, false)));
    double[] l = at(s, 1).lens();
    int o = at(s, 1).slot("cam") * LensRow.SIZE;
    DepthOfField d =
        new DepthOfField(
            l[o + LensRow.FOCAL],
            l[o + LensRow.F_STOP],
            s.header().cameraPackage().circleMm(),
            l[o + LensRow.FOCUS]);
    assertEquals(3, d.nearLimitM(), 1e-9);
    assertEquals(9, d.farLimitM(), 1e-9);
    Sequence endless = after(s, List.of(new RigCommand.SetLimits("cam", 1, 4, 1e9, false)));
    double[] e = at(endless, 1).lens();
    assertEquals(8, e[o + 2], 1e-9, "focused at the hyperfocal, half of it is sharp");
    Sequence t = s;
    String text =
        assertThrows(
                Refusal.class,
                () -> after(t, List.of(new RigCommand.SetLimits("cam", 1, 0.1, 50, false))))
            .getMessage();
    assertTrue(text.contains("would need f/"), text);
  }

  @Test
  void twoDistancesAreHeldOrNotInPlainWords() {
    Sequence s = with(camera(Channels.NONE).withChannels(Channels.NONE.with("focalLength", 50)));
    Plan plan = at(s, 1);
    HoldBoth.Answer a = HoldBoth.of(s, plan, (Camera) s.get("cam"), 8, 3);
    assertTrue(a.can() && !a.does() && a.says().startsWith("Can hold both: needs f/"), a.says());
    DepthOfField d =
        new DepthOfField(50, a.fStop(), s.header().cameraPackage().circleMm(), a.focusM());
    assertEquals(3, d.nearLimitM(), 1e-9);
    assertEquals(8, d.farLimitM(), 1e-9);
    Sequence stopped =
        s.with(((Camera) s.get("cam")).withChannel("fStop", Channel.fixed(a.fStop())));
    stopped =
        stopped.with(
            ((Camera) stopped.get("cam")).withChannel("focusDistance", Channel.fixed(a.focusM())));
    assertTrue(HoldBoth.of(stopped, at(stopped, 1), (Camera) stopped.get("cam"), 8, 3).does());
    HoldBoth.Answer no = HoldBoth.of(s, plan, (Camera) s.get("cam"), 1, 30);
    assertTrue(
        !no.can() && no.says().matches("Cannot hold both: needs f/[0-9.]+ at 50 mm\\."), no.says());
  }

  @Test
  void aLensNobodyChoseIsPointedOut() {
    Sequence s = with(camera(Channels.NONE).withChannels(Channels.NONE));
    assertTrue(note(s).contains("Nobody has chosen this lens"), note(s));
    s = after(s, List.of(new SetValue("cam", "focalLength", 1, 47, false)));
    s = after(s, List.of(new SetValue("cam", "focusDistance", 1, 6, false)));
    assertEquals("", note(s), "the zoom covers it");
    s = after(s, List.of(new SetValue("cam", "focalLength", 1, 9, false)));
    assertTrue(note(s).contains("in none of the production's lens kits"), note(s));
    s = after(s, List.of(new SetValue("cam", "focalLength", 1, 50, false)));
    s = after(s, List.of(new SetValue("cam", "fStop", 1, 1, false)));
    assertEquals("This lens opens to f/1.8 at most.", note(s));
  }

  private static String note(Sequence s) {
    return HoldBoth.lensNote(s, at(s, 1), (Camera) s.get("cam"));
  }

  @Test
  void guidesRunWhereTheyShould() {
    Eye eye = Eye.of(at(with(camera(Channels.NONE.with("tilt", 10))), 1), "cam");
    double[] h = Guides.lines(guide(Guide.Rule.HORIZON), 16 / 9.0, eye).get(0);
    // level directions fall tan(10°) below the middle
    double half = (eye.window().top() - eye.window().bottom()) / 2;
    assertEquals(0.5 + Math.tan(Math.toRadians(10)) / (2 * half), h[1], 1e-12);
    assertEquals(h[1], h[3], 1e-12);
    List<double[]> golden = Guides.lines(guide(Guide.Rule.GOLDEN_SECTION), 2, eye);
    assertEquals(0.381966, golden.get(0)[0], 1e-6);
    for (int turn = 0; turn < 4; turn++) {
      double[] spiral =
          Guides.lines(new Guide(Guide.Rule.GOLDEN_SPIRAL, 0, 0, turn, "#ffffff", 1), 2, eye)
              .get(0);
      for (double v : spiral) assertTrue(v >= -1e-9 && v <= 1 + 1e-9);
      double end = spiral[spiral.length - 2];
      assertEquals(turn % 2 == 0 ? 0.7236 : 0.2764, end, 0.03, "winds to the golden point");
      for (int i = 2; i < spiral.length; i += 2)
        assertTrue(
            Math.hypot(spiral[i] - spiral[i - 2], spiral[i + 1] - spiral[i - 1]) < 0.1,
            "in one stroke");
    }
    double[] aspect =
        Guides.lines(new Guide(Guide.Rule.ASPECT, 2.39, 1, 0, "#ffffff", 1), 16 / 9.0, eye).get(0);
    assertEquals(0, aspect[0], 1e-12);
    assertEquals((1 - 16 / 9.0 / 2.39) / 2, aspect[1], 1e-12);
  }

  private static Guide guide(Guide.Rule form) {
    return new Guide(form, 0.9, 0.9, 0, "#ffffff", 1);
  }

  @Test
  void headroomAndLeadRoomAreReadOffTheFrame() {
    // faces +X (pan −90 turns its −Z there), seen from the front
    Piece p = (Piece) box("b", StandInKind.ADULT, -1, 0, -6).withChannel("pan", Channel.fixed(-90));
    Sequence s = with(p, camera(Channels.NONE.with("y", 1)));
    Plan plan = at(s, 1);
    Composition c = Composition.of(plan, s.get("b"), Eye.of(plan, "cam"));
    assertEquals("right", c.faces());
    assertTrue(c.leadRoom() > c.backRoom());
    double[] top = projected(s, 1, new Vec3(-1, 1.8, -5.75));
    assertEquals(top[1], c.headroom(), 0.01);
  }

  @Test
  void thingsAreAlignedSetDownAndSnapped() {
    Sequence s =
        with(
            box("a", StandInKind.BOX, 1.23, 0.4, -3),
            box("b", StandInKind.BOX, -4, 2, 1),
            box("c", StandInKind.BOX, 0.3, 0.2, 0.1).withParent("b"));
    Arranging arrange = new Arranging(s, at(s, 1), 1, false);
    Sequence aligned =
        after(s, arrange.align(List.of("a", "b"), true, false, true, Arranging.By.MOST));
    Arranging now = new Arranging(aligned, at(aligned, 1), 1, false);
    assertEquals(1.23, aligned.get("a").channel("x").at(1), "the first stays");
    assertEquals(now.bounds("a")[3], now.bounds("b")[3], 1e-9);
    assertEquals(now.bounds("a")[5], now.bounds("b")[5], 1e-9);
    assertEquals(2, aligned.get("b").channel("y").at(1), "the axis not chosen stays");
    Sequence down = after(s, arrange.setDown(List.of("a", "c"), 0));
    Arranging on = new Arranging(down, at(down, 1), 1, false);
    assertEquals(0, on.bounds("a")[1], 1e-9);
    assertEquals(0, on.bounds("c")[1], 1e-9, "also when nested in something turned");
    Sequence grid = after(s, arrange.toGrid(List.of("a"), 0.1));
    assertEquals(1.2, grid.get("a").channel("x").at(1), 1e-9);
    double[] size = arrange.size(List.of("a"));
    assertEquals(0.5, size[0], 1e-9, "measured on its own axes, however it is turned");
    assertEquals(1.8, size[1], 1e-9);
  }

  @Test
  void anInstanceLooksLikeItsOriginalAndOutlivesIt() {
    Sequence s = with(box("a", StandInKind.ADULT, 0, 0, -3));
    s = after(s, List.of(new EntityCommand.Duplicate(List.of("a"), List.of("i"), true)));
    s =
        after(
            s,
            List.of(
                new EntityCommand.Reshape(
                    "a", new Shape.StandIn(StandInKind.ADULT, 1, 3, 1), "#102030")));
    Arranging arrange = new Arranging(s, at(s, 1), 1, false);
    assertEquals(3, arrange.size(List.of("i"))[1], 1e-9);
    s = after(s, List.of(new EntityCommand.Remove(List.of("a"), true)));
    assertEquals("#102030", ((Piece) s.get("i")).colour());
    assertEquals(3, new Arranging(s, at(s, 1), 1, false).size(List.of("i"))[1], 1e-9);
  }

  @Test
  void lockedThingsSayWhyTheyStay() {
    Sequence s = with(box("b", StandInKind.BOX, 0, 0, -3), camera(Channels.NONE, head()));
    Sequence layer =
        after(
            s,
            List.of(
                new EntityCommand.Add(new Layer("l", "Set", "#112233", true, true, true)),
                new EntityCommand.Lay(List.of("b"), "l")));
    assertTrue(refused(layer, new SetValue("b", "x", 1, 2, false)).contains("locked layer “Set”"));
    Sequence one =
        after(s, List.of(new EntityCommand.LockChannels("cam", List.of("focalLength"), true)));
    assertTrue(
        refused(one, new SetValue("cam", "focalLength", 1, 50, false)).contains("is locked"));
    after(one, List.of(new SetValue("cam", "fStop", 1, 8, false)));
    Sequence all = after(s, List.of(new EntityCommand.Lock(List.of("cam"), true)));
    assertTrue(
        refused(all, new RigCommand.Orbit("cam", 1, Vec3.ZERO, 5, 0, false))
            .contains("Camera A is locked"));
  }

  private static String refused(Sequence s, Command c) {
    return assertThrows(Refusal.class, () -> Edit.apply(s, List.of(c))).getMessage();
  }
}
