package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.bake.Bake;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.optics.DeliveryWindow;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;
import org.joml.Matrix4d;
import org.junit.jupiter.api.Test;

class EvaluateTest {
  private static Sequence with(Entity... all) {
    Sequence s = new Sequence(RandomDocuments.header(), Map.of());
    for (Entity e : all) s = Edit.apply(s, List.of(new EntityCommand.Add(e)));
    return s;
  }

  private static Camera camera(RigPart... rig) {
    return new Camera("cam", "Camera", "A", "#f0785a", false, false, Channels.NONE, List.of(rig));
  }

  private static Base base(Channels c) {
    return new Base("base", true, null, Base.Takes.POSITION, c);
  }

  private static Mark mark(double x, double y, double z) {
    return new Mark("mark", "Mark", null, Channels.NONE.with("x", x).with("y", y).with("z", z));
  }

  private static Attention look(Attention.Up up, Channels c) {
    return new Attention(
        "look",
        true,
        up,
        null,
        Attention.Blend.POINTS,
        List.of(Subject.of("mark")),
        List.of(new Cue(1, 0, Ease.EVEN, Map.of("mark", 1.0))),
        c);
  }

  private static double[] world(Sequence s, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return Placement.matrix(p, "cam");
  }

  /** Where a world point falls in the delivery frame: across, down, metres ahead. */
  private static double[] seen(Sequence s, double frame, Vec3 p) {
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(frame);
    Vec3 c = Matrix.newPoint(Matrix.newInverse(Placement.matrix(plan, "cam"), 0), 0, p);
    int o = plan.slot("cam") * LensRow.SIZE;
    DeliveryWindow w =
        new DeliveryWindow(
            plan.lens()[o + LensRow.LEFT],
            plan.lens()[o + LensRow.RIGHT],
            plan.lens()[o + LensRow.BOTTOM],
            plan.lens()[o + LensRow.TOP]);
    return new double[] {w.across(c.x(), c.z()), w.down(c.y(), c.z()), -c.z()};
  }

  @Test
  void aStackIsTheProductOfItsParts() {
    Sequence s =
        with(
            camera(
                base(Channels.NONE.with("x", 1).with("y", 2).with("z", 3).with("pan", 30)),
                new Slide("slide", true, Channels.NONE.with("dolly", 4).with("truck", -1)),
                new Head(
                    "head",
                    true,
                    Channels.NONE.with("pan", -50).with("tilt", 20).with("roll", 5))));
    double[] want =
        new Matrix4d()
            .translate(1, 2, 3)
            .rotateY(Math.toRadians(30))
            .translate(-1, 0, -4)
            .rotateY(Math.toRadians(-50))
            .rotateX(Math.toRadians(20))
            .rotateZ(Math.toRadians(5))
            .get(new double[16]);
    assertArrayEquals(want, world(s, 1), 1e-12);
  }

  @Test
  void attentionPutsItsSubjectOnThePlaceInFrame() {
    Random r = new Random(3);
    for (int n = 0; n < 300; n++) {
      Vec3 p = new Vec3(r.nextGaussian() * 5, r.nextGaussian() * 5, r.nextGaussian() * 5);
      double across = r.nextDouble(), down = r.nextDouble();
      for (Attention.Up up : new Attention.Up[] {Attention.Up.WORLD, Attention.Up.FREE}) {
        Sequence s =
            with(
                mark(p.x(), p.y(), p.z()),
                camera(
                    base(Channels.NONE.with("pan", r.nextInt(360)).with("tilt", 10)),
                    look(up, Channels.NONE.with("across", across).with("down", down))));
        double[] at = seen(s, 5, p);
        assertEquals(across, at[0], 1e-9);
        assertEquals(down, at[1], 1e-9);
        assertTrue(at[2] > 0, "in front of the lens");
      }
    }
  }

  @Test
  void theHorizonStaysLevelAwayFromTheVertical() {
    Sequence s =
        with(
            mark(4, 1, -3),
            camera(base(Channels.NONE.with("roll", 30)), look(Attention.Up.WORLD, Channels.NONE)));
    assertEquals(0, world(s, 1)[1], 1e-12, "the camera's right stays horizontal");
  }

  @Test
  void straightUpAndDownAndOverHeadNothingFlips() {
    for (double y : new double[] {10, -10}) {
      Sequence vertical =
          with(
              mark(0, y, 0),
              camera(base(Channels.NONE.with("pan", 40)), look(Attention.Up.WORLD, Channels.NONE)));
      double[] m = world(vertical, 1);
      for (double v : m) assertTrue(Double.isFinite(v));
      assertEquals(Math.signum(y), -m[9], 1e-9, "it looks straight along the axis");
    }
    // a subject flies over the camera, a little beside it: from frame to frame no more than a few
    // degrees
    Mark flying =
        new Mark(
            "mark",
            "Mark",
            null,
            Channels.NONE
                .with("x", 0.05)
                .with("y", 10)
                .with(
                    "z",
                    Channel.curve(
                        Key.of(1, -20, KeyShape.STRAIGHT), Key.of(2001, 20, KeyShape.STRAIGHT))));
    Sequence s = with(flying, camera(base(Channels.NONE), look(Attention.Up.WORLD, Channels.NONE)));
    Plan p = new Plan(s, Models.NONE);
    double[] last = null;
    for (double f = 1; f <= 2001; f += 1) {
      p.evaluate(f);
      double[] m = Placement.matrix(p, "cam");
      if (last != null) {
        double trace = 0;
        for (int i = 0; i < 3; i++)
          for (int k = 0; k < 3; k++) trace += m[i * 4 + k] * last[i * 4 + k];
        double turn = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, (trace - 1) / 2))));
        assertTrue(turn < 6, "turns " + turn + "° at frame " + f);
      }
      last = m;
    }
  }

  @Test
  void aSubjectAtTheLensLeavesTheOrientationAlone() {
    Sequence s =
        with(
            mark(0, 0, 0),
            camera(base(Channels.NONE.with("pan", 25)), look(Attention.Up.WORLD, Channels.NONE)));
    assertArrayEquals(
        new Matrix4d().rotateY(Math.toRadians(25)).get(new double[16]), world(s, 1), 1e-12);
  }

  @Test
  void whatTheSharesLeaveStaysWithTheIncomingOrientation() {
    Attention half =
        new Attention(
            "look",
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.POINTS,
            List.of(Subject.of("mark")),
            List.of(new Cue(1, 0, Ease.EVEN, Map.of("mark", 0.5))),
            Channels.NONE);
    Sequence s = with(mark(-10, 0, 0), camera(base(Channels.NONE), half));
    assertEquals(Math.toRadians(45), Math.atan2(world(s, 1)[8], world(s, 1)[10]), 1e-9);
  }

  @Test
  void twoSubjectsAreMetAtAPointOrInADirectionBetween() {
    Mark near = new Mark("near", "Near", null, Channels.NONE.with("x", -1).with("z", -1)),
        far = new Mark("far", "Far", null, Channels.NONE.with("x", 100).with("z", -100));
    List<Subject> both = List.of(Subject.of("near"), Subject.of("far"));
    List<Cue> cues = List.of(new Cue(1, 0, Ease.EVEN, Map.of("near", 0.5, "far", 0.5)));
    Sequence direction =
        with(
            near,
            far,
            camera(
                base(Channels.NONE),
                new Attention(
                    "look",
                    true,
                    Attention.Up.WORLD,
                    null,
                    Attention.Blend.DIRECTIONS,
                    both,
                    cues,
                    Channels.NONE)));
    assertEquals(
        0, world(direction, 1)[8], 1e-9, "half way between −45° and 45° is straight ahead");
    Sequence point =
        with(
            near,
            far,
            camera(
                base(Channels.NONE),
                new Attention(
                    "look",
                    true,
                    Attention.Up.WORLD,
                    null,
                    Attention.Blend.POINTS,
                    both,
                    cues,
                    Channels.NONE)));
    assertEquals(0.5, seen(point, 1, new Vec3(49.5, 0, -50.5))[0], 1e-9);
  }

  @Test
  void aRailCarriesTheCameraAtConstantSpeedAndFacesItsTravel() {
    Path path =
        new Path(
            "path",
            "Path",
            PathStyle.THROUGH,
            false,
            List.of(
                PathPoint.of(0, 1, 0),
                PathPoint.of(1, 1, -1),
                PathPoint.of(6, 2, -2),
                PathPoint.of(7, 1, -9)));
    Channels c =
        Channels.NONE.with(
            "progress",
            Channel.curve(Key.of(1, 0, KeyShape.STRAIGHT), Key.of(40, 100, KeyShape.STRAIGHT)));
    Sequence s =
        with(
            path,
            camera(
                base(Channels.NONE),
                new Rail("rail", true, "path", Rail.Facing.TRAVEL, null, true, c)));
    Plan p = new Plan(s, Models.NONE);
    double[] steps = new double[300];
    for (int i = 0; i < 300; i++) {
      double f = 2 + i * 0.12;
      p.evaluate(f);
      double[] a = Placement.matrix(p, "cam");
      p.evaluate(f + 1e-3);
      double[] b = Placement.matrix(p, "cam");
      Vec3 travel = Matrix.newOrigin(b, 0).minus(Matrix.newOrigin(a, 0));
      steps[i] = travel.length();
      assertEquals(steps[0], steps[i], steps[0] * 1e-3);
      assertEquals(1, new Vec3(-a[8], -a[9], -a[10]).dot(travel.unit()), 1e-4, "faces the travel");
      assertEquals(0, a[1], 1e-9, "level");
    }
  }

  @Test
  void bankLeansByTheAngleOfTheTurn() {
    // a circle of radius 10 at 24000/1001 fps, once round in 400 frames: v = 3.764 m/s, atan(v²/rg)
    // = 8.22°
    double k = 0.5522847498 * 10;
    Path circle =
        new Path(
            "path",
            "Circle",
            PathStyle.BEZIER,
            true,
            List.of(
                new PathPoint(new Vec3(10, 0, 0), new Vec3(0, 0, k), new Vec3(0, 0, -k)),
                new PathPoint(new Vec3(0, 0, -10), new Vec3(k, 0, 0), new Vec3(-k, 0, 0)),
                new PathPoint(new Vec3(-10, 0, 0), new Vec3(0, 0, -k), new Vec3(0, 0, k)),
                new PathPoint(new Vec3(0, 0, 10), new Vec3(-k, 0, 0), new Vec3(k, 0, 0))));
    Channels c =
        Channels.NONE
            .with(
                "progress",
                Channel.curve(Key.of(1, 0, KeyShape.STRAIGHT), Key.of(401, 100, KeyShape.STRAIGHT)))
            .with("bank", 1);
    double[] m =
        world(
            with(
                circle,
                camera(
                    base(Channels.NONE),
                    new Rail("rail", true, "path", Rail.Facing.TRAVEL, null, true, c))),
            100);
    double v = 2 * Math.PI * 10 / (400 / (24000 / 1001.0));
    assertEquals(
        Math.atan(v * v / 10 / 9.80665), Math.asin(m[1]), 0.003, "it leans into the left turn");
    // the same travel in metres along instead of progress leans alike
    Channels along =
        Channels.NONE
            .with(
                "along",
                Channel.curve(
                    Key.of(1, 0, KeyShape.STRAIGHT),
                    Key.of(401, 2 * Math.PI * 10, KeyShape.STRAIGHT)))
            .with("bank", 1);
    Sequence other =
        with(
            circle,
            camera(
                base(Channels.NONE),
                new Rail("rail", true, "path", Rail.Facing.TRAVEL, null, true, along)));
    assertEquals(m[1], world(other, 100)[1], 1e-4);
  }

  @Test
  void ridingTakesWhatItSaysAndNeverScale() {
    Piece cart =
        new Piece(
            "cart",
            "Cart",
            null,
            new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
            "#aabbcc",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            Channels.NONE.with("x", 5).with("pan", 90).with("tilt", 20).with("scaleX", 3));
    Channels local = Channels.NONE.with("z", 2);
    double[] all =
        world(with(cart, camera(new Base("base", true, "cart", Base.Takes.ALL, local))), 1);
    assertEquals(1, new Vec3(all[0], all[1], all[2]).length(), 1e-12);
    double[] heading =
        world(with(cart, camera(new Base("base", true, "cart", Base.Takes.HEADING, local))), 1);
    assertArrayEquals(
        new double[] {7, 0, 0}, new double[] {heading[12], heading[13], heading[14]}, 1e-9);
    double[] position =
        world(with(cart, camera(new Base("base", true, "cart", Base.Takes.POSITION, local))), 1);
    assertArrayEquals(
        new double[] {5, 0, 2}, new double[] {position[12], position[13], position[14]}, 1e-12);
  }

  private static Light pointLight() {
    return new Light(
        "lamp",
        "Lamp",
        Light.Form.POINT,
        null,
        null,
        "#ffffff",
        0,
        true,
        "#000000",
        true,
        "#6f9fcf",
        "#dfe6ea",
        true,
        null,
        Channels.NONE.with("x", 3).with("y", 2).with("z", -4));
  }

  @Test
  void attachingNestingAndWalkingKeepOrReachTheirPlace() {
    int standing = 0;
    for (int seed = 0; seed < 25; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Camera c = (Camera) s.get("cam0");
      Base b = (Base) c.rig().get(0);
      for (Piece p : s.all(Piece.class)) // unequal scales are another test's
      s =
            Edit.apply(
                s,
                List.of(
                    new kite.core.command.ChannelCommand.SetChannel(
                        p.id(), "scaleX", kite.core.curve.Channel.fixed(1)),
                    new kite.core.command.ChannelCommand.SetChannel(
                        p.id(), "scaleZ", kite.core.curve.Channel.fixed(1))));
      // without curves that go on by themselves, the place is kept at every frame between still
      // carriers
      Sequence nested =
          Edit.apply(
              s,
              List.of(
                  new EntityCommand.Nest(
                      "piece5",
                      "piece0".equals(((Piece) s.get("piece5")).parent()) ? null : "piece0",
                      true,
                      7)));
      Plan before = new Plan(s, Models.NONE), after = new Plan(nested, Models.NONE);
      double at = firstKey(((Piece) s.get("piece5")).channels(), 7);
      before.evaluate(at);
      after.evaluate(at);
      Vec3 was = Matrix.newOrigin(Placement.matrix(before, "piece5"), 0),
          is = Matrix.newOrigin(Placement.matrix(after, "piece5"), 0);
      if (((Piece) s.get("piece5"))
          .channels().set().keySet().stream().noneMatch(n -> n.startsWith("pivot")))
        assertEquals(0, was.distance(is), 1e-6, "seed " + seed);
      Sequence lit = Edit.apply(s, List.of(new EntityCommand.Add(pointLight())));
      Sequence carried =
          Edit.apply(lit, List.of(new EntityCommand.Nest("lamp", "piece0", true, 9)));
      assertEquals("piece0", ((Light) carried.get("lamp")).parent());
      Plan free = new Plan(lit, Models.NONE), held = new Plan(carried, Models.NONE);
      free.evaluate(9);
      held.evaluate(9);
      assertEquals(
          0,
          Matrix.newOrigin(Placement.matrix(free, "lamp"), 0)
              .distance(Matrix.newOrigin(Placement.matrix(held, "lamp"), 0)),
          1e-9,
          "a light stays where it is when it is carried");
      if (b.rides() != null) continue;
      standing++;
      Sequence alone = s.with(c.withRig(List.of(b)));
      Sequence riding =
          Edit.apply(
              alone, List.of(new RigCommand.Ride("cam0", "base", "piece3", Base.Takes.ALL, 7)));
      assertEquals("piece3", ((Base) ((Camera) riding.get("cam0")).rig().get(0)).rides());
      Plan stood = new Plan(alone, Models.NONE), rides = new Plan(riding, Models.NONE);
      double on = firstKey(b.channels(), 7); // between its keys it goes its carrier's way
      stood.evaluate(on);
      rides.evaluate(on);
      assertEquals(
          0,
          Matrix.newOrigin(Placement.matrix(stood, "cam0"), 0)
              .distance(Matrix.newOrigin(Placement.matrix(rides, "cam0"), 0)),
          1e-6,
          "attaching keeps the place, seed " + seed);
    }
    assertTrue(standing > 5, "cameras that rode nothing: " + standing);
    Sequence s =
        with(camera(base(Channels.NONE.with("pan", 90)), new Head("head", true, Channels.NONE)));
    Sequence walked =
        Edit.apply(s, List.<Command>of(new RigCommand.Walk("cam", 1, 0, 0, 2, 0, 0, 0, false)));
    assertArrayEquals(
        new double[] {-2, 0, 0},
        java.util.Arrays.copyOfRange(world(walked, 1), 12, 15),
        1e-12,
        "facing −X, a dolly of 2 m goes there");
    Sequence turned =
        Edit.apply(s, List.<Command>of(new RigCommand.Walk("cam", 1, 0, 0, 0, 10, -5, 0, false)));
    assertEquals(10, turned.get("cam").channel("head/pan").at(1));
    assertEquals(0, turned.get("cam").channel("base/x").at(1));
  }

  private static double firstKey(Channels channels, double otherwise) {
    for (Channel c : channels.set().values())
      if (c instanceof Channel.Curve k) return k.keys().get(0).frame();
    return otherwise;
  }

  @Test
  void theOrderOfScrubbingNeverMattersAndARecompiledPlanIsANewOne() {
    for (int seed = 0; seed < 20; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Plan p = new Plan(s, Models.NONE);
      double[][] rows = new double[80][];
      for (int i = 0; i < 80; i++) {
        p.evaluate(i * 0.5);
        rows[i] = p.world().clone();
      }
      Random r = new Random(seed);
      for (int n = 0; n < 200; n++) {
        int i = r.nextInt(80);
        p.evaluate(i * 0.5);
        assertArrayEquals(rows[i], p.world());
      }
      Sequence next = s.with(((Piece) s.get("piece0")).withChannel("x", Channel.fixed(seed)));
      Plan renewed = new Plan(next, Models.NONE, p), fresh = new Plan(next, Models.NONE);
      renewed.evaluate(13);
      fresh.evaluate(13);
      for (String id : List.of("piece0", "piece5", "cam0", "cam2", "mark"))
        assertArrayEquals(Placement.matrix(fresh, id), Placement.matrix(renewed, id));
    }
  }

  @Test
  void aBakeIsTheEvaluationWithoutJumpsOfWholeTurns() {
    for (int seed = 0; seed < 20; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Plan p = new Plan(s, Models.NONE);
      Bake bake = Bake.of(p, (Camera) s.get("cam1"), 1, 40, 0.25);
      assertEquals(157, bake.frames().length);
      double[] m = Matrix.newIdentity();
      for (int i = 0; i < bake.frames().length; i++) {
        p.evaluate(bake.frames()[i]);
        double[] want = Placement.matrix(p, "cam1");
        kite.core.math.Rotation.panTiltRoll(
            Math.toRadians(bake.angles()[i * 3]),
            Math.toRadians(bake.angles()[i * 3 + 1]),
            Math.toRadians(bake.angles()[i * 3 + 2]),
            m,
            0);
        for (int k = 0; k < 12; k++)
          assertEquals(want[k], k == 3 || k == 7 || k == 11 ? 0 : m[k], 1e-7);
        for (int a = 0; a < 3 && i > 0; a++)
          assertTrue(
              Math.abs(bake.angles()[i * 3 + a] - bake.angles()[i * 3 - 3 + a]) <= 180 + 1e-6);
      }
    }
  }

  @Test
  void aCurveThatSwingsBeyondItsLimitsNeverReachesTheLens() {
    Key low = Key.smooth(1, 10).free(0, 0, 5, -400, true),
        high = Key.smooth(20, 30).free(5, -400, 0, 0, true);
    Camera c =
        new Camera(
            "cam",
            "Camera",
            "A",
            "#f0785a",
            false,
            false,
            Channels.NONE.with("focalLength", Channel.curve(low, high)),
            List.of(base(Channels.NONE)));
    Sequence s = with(c);
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(10);
    assertTrue(c.channel("focalLength").at(10) < 0, "the curve itself does");
    assertEquals(1, p.lens()[p.slot("cam") * LensRow.SIZE + LensRow.FOCAL]);
    assertTrue(Double.isFinite(p.lens()[p.slot("cam") * LensRow.SIZE + LensRow.RIGHT]));
  }

  private static Piece box(String id, String parent, kite.core.math.AxisOrder order, Channels c) {
    Shape shape = new Shape.StandIn(StandInKind.BOX, 1, 1, 1);
    return new Piece(id, id, parent, shape, "#808080", true, false, order, c);
  }

  private static Channels chancePose(java.util.Random r, boolean even) {
    Channels c = Channels.NONE;
    for (String n : List.of("x", "y", "z")) c = c.with(n, r.nextGaussian() * 3);
    for (String n : List.of("pan", "tilt", "roll")) c = c.with(n, r.nextDouble() * 300 - 150);
    double all = 0.5 + r.nextDouble();
    for (String n : List.of("scaleX", "scaleY", "scaleZ"))
      c = c.with(n, even ? all : 0.5 + r.nextDouble());
    for (String n : List.of("pivotX", "pivotY", "pivotZ")) c = c.with(n, r.nextGaussian());
    return c;
  }

  @Test
  void nestingKeepsThePlaceWithAnyPivotAndOrder() {
    java.util.Random r = new java.util.Random(12);
    int slanted = 0;
    for (int i = 0; i < 120; i++) {
      var orders = kite.core.math.AxisOrder.values();
      boolean even = i % 4 > 0;
      Sequence s =
          with(
              box("parent", null, orders[r.nextInt(6)], chancePose(r, even)),
              box("child", null, orders[i % 6], chancePose(r, false)));
      Plan was = new Plan(s, Models.NONE);
      was.evaluate(1);
      Sequence nested;
      try {
        nested = Edit.apply(s, List.of(new EntityCommand.Nest("child", "parent", true, 1)));
      } catch (kite.core.rules.Refusal slant) {
        assertTrue(!even && slant.getMessage().contains("slanted"), slant.getMessage());
        slanted++;
        continue;
      }
      Sequence out = Edit.apply(nested, List.of(new EntityCommand.Nest("child", null, true, 1)));
      for (Sequence now : List.of(nested, out)) {
        Plan is = new Plan(now, Models.NONE);
        is.evaluate(1);
        assertArrayEquals(
            Placement.matrix(was, "child"), Placement.matrix(is, "child"), 1e-9, "seed " + i);
      }
    }
    assertTrue(slanted > 20, "an uneven parent slants a turned child, and that is said");
  }

  @Test
  void whatIsLetGoStaysWhereItIs() {
    Channels carried = chancePose(new java.util.Random(3), true);
    Camera riding =
        new Camera(
            "cam",
            "Camera",
            "A",
            "#f0785a",
            false,
            false,
            Channels.NONE,
            List.of(
                new Base(
                    "base",
                    true,
                    "boat",
                    Base.Takes.ALL,
                    Channels.NONE.with("x", 2).with("pan", 20)),
                new Head("head", true, Channels.NONE.with("tilt", -10)),
                new Attention(
                    "look",
                    true,
                    Attention.Up.WORLD,
                    null,
                    Attention.Blend.POINTS,
                    List.of(Subject.of("boat")),
                    List.of(new Cue(1, 0, Ease.EVEN, Map.of("boat", 1.0))),
                    Channels.NONE)));
    Sequence s =
        with(
            box("boat", null, kite.core.math.AxisOrder.PAN_TILT_ROLL, carried),
            box(
                "crate",
                "boat",
                kite.core.math.AxisOrder.ROLL_TILT_PAN,
                chancePose(new java.util.Random(4), true)),
            new Mark("mark", "Mark", "boat", null, Channels.NONE.with("y", 1)),
            riding);
    Plan was = new Plan(s, Models.NONE);
    was.evaluate(9);
    Sequence gone = Edit.apply(s, List.of(new EntityCommand.LetGo(List.of("boat"), 9)));
    Plan is = new Plan(gone, Models.NONE);
    is.evaluate(9);
    assertArrayEquals(Placement.matrix(was, "crate"), Placement.matrix(is, "crate"), 1e-9);
    assertArrayEquals(Placement.matrix(was, "cam"), Placement.matrix(is, "cam"), 1e-6);
    for (int i = 12; i < 15; i++)
      assertEquals(Placement.matrix(was, "mark")[i], Placement.matrix(is, "mark")[i], 1e-9);
  }
}
