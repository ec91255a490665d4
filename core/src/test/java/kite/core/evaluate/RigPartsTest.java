package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.DoubleStream;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.form.Fields;
import kite.core.form.RigJson;
import kite.core.frame.PartWords;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.arm.Arm;
import kite.core.rig.base.Base;
import kite.core.rig.framings.Framings;
import kite.core.rig.head.Head;
import kite.core.rig.operator.Operator;
import kite.core.rig.rail.Rail;
import kite.core.rig.spring.Spring;
import kite.core.rig.trim.Trim;
import kite.core.rules.Refusal;
import org.joml.Matrix4d;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** Arm, framings, trim, spring, operator and guided rail, against formulas and products by JOML. */
class RigPartsTest {
  private static Sequence with(Entity... all) {
    return with(RandomDocuments.header(), all);
  }

  private static Sequence with(Header h, Entity... all) {
    List<Command> adds = new ArrayList<>();
    for (Entity e : all) adds.add(new EntityCommand.Add(e));
    return Edit.apply(new Sequence(h, Map.of()), adds);
  }

  private static Header lasting(int last, Rate rate) {
    Header h = RandomDocuments.header();
    return new Header("T", "T", 1, last, rate, "m", 1, h.cameraPackage());
  }

  private static Camera camera(String id, Channels lens, RigPart... rig) {
    String letter = ("" + id.charAt(0)).toUpperCase();
    return new Camera(id, id, letter, "#f0785a", false, false, lens, List.of(rig));
  }

  private static Base base(Channels c) {
    return new Base("base", true, null, Base.Takes.POSITION, c);
  }

  private static Channels pose(double x, double y, double z, double pan, double tilt) {
    return Channels.NONE.with("x", x).with("y", y).with("z", z).with("pan", pan).with("tilt", tilt);
  }

  private static double[] world(Sequence s, String id, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return Placement.matrix(p, id);
  }

  private static double lens(Sequence s, String id, int i, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return p.lens()[p.slot(id) * LensRow.SIZE + i];
  }

  private static Vec3 place(double[] m) {
    return Matrix.newOrigin(m, 0);
  }

  @Test
  void anArmCarriesTheStackToItsEnd() {
    Channels c = Channels.NONE.with("length", 4).with("swing", 20).with("lift", 35);
    Matrix4d foot = new Matrix4d().translate(1, 0.5, 2).rotateY(Math.toRadians(30));
    Vector3d end =
        new Matrix4d(foot)
            .rotateY(Math.toRadians(20))
            .rotateX(Math.toRadians(35))
            .transformPosition(new Vector3d(0, 0, -4));
    for (boolean level : new boolean[] {true, false}) {
      Sequence s =
          with(
              camera(
                  "a",
                  Channels.NONE,
                  base(pose(1, 0.5, 2, 30, 0)),
                  new Arm("arm", true, level, c)));
      Matrix4d want = new Matrix4d().translate(end.x, end.y, end.z).rotateY(Math.toRadians(50));
      if (!level) want.rotateX(Math.toRadians(35));
      assertArrayEquals(want.get(new double[16]), world(s, "a", 1), 1e-12);
    }
  }

  /** As documents and edits were written that knew one take at the most. */
  @Test
  void aTrimThatNamesOneTakeIsLaidOverThatOne() {
    for (String[] one : new String[][] {{"null", "[]"}, {"\"x/t\"", "[x/t]"}}) {
      String part =
          "{\"kind\":\"trim\",\"id\":\"trim\",\"on\":true,\"label\":\"\",\"span\":null,\"take\":"
              + one[0]
              + ",\"channels\":{}}";
      Trim read = (Trim) RigJson.read(Fields.parse(part));
      assertEquals(one[1], read.takes().toString());
    }
  }

  @Test
  void aTrimIsLaidOverTheMoveForItsStretchOnly() {
    Channels c =
        Channels.NONE.with("dolly", 0.4).with("truck", 0.1).with("pan", 6).with("focal", 5);
    Trim t = new Trim("trim", true, "push in", new Trim.Span(10, 30, 8, 4), List.of(), c);
    Sequence s =
        with(camera("a", Channels.NONE.with("focalLength", 35), base(pose(1, 2, 3, 40, -10)), t));
    double[] bare = world(s, "a", 9);
    assertArrayEquals(bare, world(s, "a", 30.5));
    double[] want =
        new Matrix4d()
            .set(bare)
            .translate(0.1, 0, -0.4)
            .rotateY(Math.toRadians(6))
            .get(new double[16]);
    assertArrayEquals(want, world(s, "a", 20), 1e-12);
    assertEquals(40, lens(s, "a", 0, 20), 1e-12);
    assertEquals(37.5, lens(s, "a", 0, 14), 1e-12, "half in, halfway through a smooth fade");
    assertEquals(35, lens(s, "a", 0, 1));
    assertEquals(0.5, place(world(s, "a", 14)).distance(place(bare)) / Math.hypot(0.4, 0.1), 1e-12);
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(20);
    PartWords words = new PartWords(s, Models.NONE, plan, (Camera) s.get("a"), 20);
    assertEquals("0.4 m ahead, 0.1 m right, pan 6°, 5 mm longer, at 100 % here.", words.of(t));
    assertEquals("1 trim: 0.412 m and 6°.", words.trims());
  }

  /** A spring above it, too, follows what is looked at, whatever was looked at before. */
  @Test
  void aTrimOfATakeShowsInThatTakeAlone() {
    Channels push = Channels.NONE.with("dolly", 0.4).with("focal", 5);
    Trim t =
        new Trim("trim", true, "push in", new Trim.Span(5, 30, 9, 4), List.of("cut1/other"), push);
    Base moving = base(Channels.NONE.with("x", Channel.curve(Key.smooth(1, 0), Key.smooth(30, 3))));
    Spring spring = new Spring("spring", true, Channels.NONE);
    Sequence s = with(camera("a", Channels.NONE.with("focalLength", 35), moving, t, spring));
    Sequence without = with(camera("a", Channels.NONE.with("focalLength", 35), moving, spring));
    Trim always = new Trim("trim", true, "push in", t.span(), List.of(), push);
    Sequence with =
        with(camera("a", Channels.NONE.with("focalLength", 35), moving, always, spring));
    Plan plan = new Plan(s, Models.NONE);
    for (String take : Arrays.asList(null, "cut1/other", "cut1/take1", "cut1/other", null)) {
      boolean shows = "cut1/other".equals(take);
      for (double frame : new double[] {12, 20.5, 9}) {
        plan.inTake(take).evaluate(frame);
        double[] is = Arrays.copyOfRange(plan.world(), 0, Matrix.SIZE);
        assertArrayEquals(world(shows ? with : without, "a", frame), is, 1e-12, take + frame);
        assertEquals(shows ? lens(with, "a", 0, frame) : 35, plan.lens()[0], 1e-12);
      }
    }
  }

  private static Sequence travel(Framings.Route route, Camera a, Camera b, Cue... cues) {
    return with(
        a,
        b,
        camera(
            "t",
            Channels.NONE,
            new Framings("f", true, route, true, List.of("a", "b"), List.of(cues), Channels.NONE)));
  }

  private static Cue to(double frame, double travel, String camera) {
    return new Cue(frame, travel, Ease.EVEN, Map.of(camera, 1.0));
  }

  private static Channels lensOf(double mm, double stop, double focus) {
    return Channels.NONE.with("focalLength", mm).with("fStop", stop).with("focusDistance", focus);
  }

  @Test
  void framingsBlendPlaceAndLensAndEndWhereTheyShould() {
    Camera a = camera("a", lensOf(25, 2, 2), base(pose(0, 1, 4, 0, 0)));
    Camera b = camera("b", lensOf(100, 8, 6), base(pose(4, 3, 0, 90, -20)));
    Sequence s = travel(Framings.Route.STRAIGHT, a, b, to(1, 0, "a"), to(10, 20, "b"));
    assertArrayEquals(world(s, "a", 5), world(s, "t", 5));
    assertArrayEquals(world(s, "b", 35), world(s, "t", 35));
    assertEquals(0, place(world(s, "t", 20)).distance(new Vec3(2, 2, 2)), 1e-12);
    assertEquals(50, lens(s, "t", 0, 20), 1e-9, "the geometric mean of the focal lengths");
    assertEquals(4, lens(s, "t", 1, 20), 1e-9, "halfway in stops");
    assertEquals(3, lens(s, "t", 2, 20), 1e-9, "halfway in dioptres");
    for (double f = 1; f < 40; f += 0.5) {
      double[] m = world(s, "t", f);
      assertEquals(0, m[1], 1e-12, "level framings make a level travel");
    }
  }

  @Test
  void aTravelBetweenTheSameFramingsIsExactlyStill() {
    Random r = new Random(5);
    for (int i = 0; i < 30; i++) {
      Channels at =
          pose(r.nextGaussian() * 9, r.nextGaussian(), r.nextGaussian() * 9, r.nextInt(360), 20)
              .with("roll", r.nextInt(40) - 20);
      Channels lens = lensOf(20 + r.nextDouble() * 60, 2.8, 3 + r.nextDouble());
      Camera a = camera("a", lens, base(at)), b = camera("b", lens, base(at));
      for (Framings.Route route : Framings.Route.values()) {
        Sequence s = travel(route, a, b, to(1, 0, "a"), to(5, 30, "b"), to(20, 7, "a"));
        for (double f = 1; f < 40; f += 0.7) {
          assertArrayEquals(world(s, "a", 1), world(s, "t", f));
          for (int c = 0; c < 3; c++) assertEquals(lens(s, "a", c, 1), lens(s, "t", c, f));
        }
      }
    }
  }

  @Test
  void aSwungTravelKeepsItsDistanceToWhatBothLookAt() {
    // both 5 m from the origin and aimed at it, 120° apart
    double[] pans = {0, 120};
    Camera[] cameras = new Camera[2];
    for (int i = 0; i < 2; i++) {
      double p = Math.toRadians(pans[i]);
      cameras[i] =
          camera(
              i == 0 ? "a" : "b",
              lensOf(35, 4, 9), // focused past it: the axes' crossing counts, not the focus
              base(pose(5 * Math.sin(p), 1, 5 * Math.cos(p), pans[i], 0)));
    }
    Sequence s =
        travel(Framings.Route.SWUNG, cameras[0], cameras[1], to(1, 0, "a"), to(5, 30, "b"));
    Sequence straight =
        travel(Framings.Route.STRAIGHT, cameras[0], cameras[1], to(1, 0, "a"), to(5, 30, "b"));
    for (double f = 5; f <= 35; f += 1) {
      double[] m = world(s, "t", f);
      Vec3 p = place(m);
      assertEquals(5, Math.hypot(p.x(), p.z()), 0.02, "frame " + f);
      Vec3 ahead = new Vec3(-m[8], -m[9], -m[10]), in = new Vec3(-p.x(), 0, -p.z());
      assertEquals(1, ahead.dot(in.times(1 / in.length())), 1e-4, "it goes on looking there");
    }
    assertTrue(place(world(straight, "t", 20)).length() < 3, "straight cuts the corner");
    // parallel axes meet nowhere: the swing is still finite and ends where it should
    Sequence parallel =
        travel(
            Framings.Route.SWUNG,
            camera("a", lensOf(35, 4, 6), base(pose(0, 1, 0, 0, 0))),
            camera("b", lensOf(35, 4, 6), base(pose(2, 1, 0, 0, 0))),
            to(1, 0, "a"),
            to(5, 30, "b"));
    assertEquals(1, place(world(parallel, "t", 20)).x(), 1e-9);
    assertEquals(2, place(world(parallel, "t", 36)).x(), 1e-12);
  }

  @Test
  void aTravelThatIsInterruptedNeverJumps() {
    for (int seed = 0; seed < 20; seed++) {
      Sequence s = RandomDocuments.of(seed);
      // chance keys jump by themselves: only the shares may move here
      for (int i = 0; i < 3; i++) {
        Camera c = (Camera) s.get("cam" + i);
        s =
            Edit.apply(
                s,
                List.of(
                    new RigCommand.SetRig(
                        c.id(), List.of(base(pose(i * 4, 1 + i, 3 - i, i * 70, -8 * i))))));
      }
      Camera t = (Camera) s.get("travel");
      s = Edit.apply(s, List.of(new RigCommand.RemovePart("travel", "head")));
      Framings f = t.first(Framings.class);
      s =
          Edit.apply(
              s,
              List.of(
                  new RigCommand.SetPart(
                      "travel",
                      f.withChannels(Channels.NONE)
                          .withCameras(
                              f.cameras(),
                              List.of(to(2, 9, "cam0"), to(4, 20, "cam1"), to(12, 14, "cam2"))))));
      Plan plan = new Plan(s, Models.NONE);
      double[] last = null;
      for (double at = 1; at < 40; at += 0.01) {
        plan.evaluate(at);
        double[] m = Placement.matrix(plan, "travel");
        if (last != null) assertArrayEquals(last, m, 0.03, seed + " at " + at);
        last = m;
      }
    }
  }

  @Test
  void anInterruptedTravelGoesOnFromWhereItIsInAnyOrderOfItsSources() {
    Random r = new Random(9);
    for (int i = 0; i < 200; i++) {
      double[][] pans = {{61.1, -81.5, 146.8}, new double[3]};
      double[] pan = i == 0 ? pans[0] : r.doubles(3, -180, 180).toArray();
      List<Cue> cues =
          i == 0
              ? List.of(to(1, 0, "b"), to(10, 24, "c"), to(23, 24, "a"))
              : List.of(
                  to(1, 0, "abc".charAt(r.nextInt(3)) + ""),
                  to(4, 20, "abc".charAt(r.nextInt(3)) + ""),
                  to(4 + r.nextInt(20), 20, "abc".charAt(r.nextInt(3)) + ""));
      if (cues.get(2).frame() <= cues.get(1).frame()) continue;
      Camera[] all = new Camera[3];
      for (int k = 0; k < 3; k++)
        all[k] =
            camera(
                "abc".charAt(k) + "",
                lensOf(20 + 30 * k, 2 + k, 3 + k),
                base(pose(k, 1, -k, pan[k], 5 * k)));
      List<double[]> ways = new ArrayList<>();
      for (List<String> order : List.of(List.of("a", "b", "c"), List.of("c", "a", "b"))) {
        Framings f =
            new Framings("f", true, Framings.Route.STRAIGHT, true, order, cues, Channels.NONE);
        Plan plan =
            new Plan(with(all[0], all[1], all[2], camera("t", Channels.NONE, f)), Models.NONE);
        double[] last = null;
        double most = 0;
        DoubleStream.Builder way = DoubleStream.builder();
        for (double at = 1; at < 40; at += 0.05) {
          plan.evaluate(at);
          double[] m = Placement.matrix(plan, "t");
          if (last != null)
            for (int k = 0; k < 11; k++) most = Math.max(most, Math.abs(m[k] - last[k]));
          last = m;
          int o = plan.slot("t") * LensRow.SIZE;
          for (double number : m) way.add(number);
          way.add(plan.lens()[o + LensRow.FOCAL]);
        }
        // half a turn in 20 frames, evenly, with the horizon kept
        assertTrue(most < 0.05 * 1.3 * Math.PI / 20, i + ": " + most / 0.05);
        ways.add(way.build().toArray());
      }
      assertArrayEquals(ways.get(0), ways.get(1), 1e-12, "the order of the list means nothing");
    }
  }

  @Test
  void framingsThatNeedEachOtherAreRefusedAndSourcesCanGo() {
    Camera a = camera("a", Channels.NONE, base(pose(0, 1, 4, 0, 0)));
    Camera b = camera("b", Channels.NONE, base(pose(4, 1, 4, 0, 0)));
    Sequence s = travel(Framings.Route.STRAIGHT, a, b, to(1, 0, "a"), to(9, 4, "b"));
    Framings back =
        new Framings(
            "f", true, Framings.Route.STRAIGHT, true, List.of("t"), List.of(), Channels.NONE);
    Refusal loop =
        assertThrows(
            Refusal.class, () -> Edit.apply(s, List.of(new RigCommand.AddPart("a", back, 1))));
    assertEquals("That would make a loop: a → t → a.", loop.getMessage());
    Refusal order =
        assertThrows(
            Refusal.class,
            () ->
                Edit.apply(
                    s,
                    List.of(
                        new RigCommand.AddPart("t", new Head("head", true, Channels.NONE), 0))));
    assertTrue(order.getMessage().contains("stand first in its stack"), order.getMessage());
    Sequence without = Edit.apply(s, List.of(new EntityCommand.Remove(List.of("b"), true)));
    Framings left = ((Camera) without.get("t")).first(Framings.class);
    assertEquals(List.of("a"), left.cameras());
    assertEquals(Map.of(), left.cues().get(1).mix());
  }

  private static Camera sprung(Channel x, double hz, double damping) {
    return camera(
        "a",
        Channels.NONE,
        base(pose(0, 1, 0, 0, 0).with("x", x)),
        new Spring(
            "spring", true, Channels.NONE.with("positionHz", hz).with("positionDamping", damping)));
  }

  @Test
  void aSpringAnswersARampAsTheTextbookSays() {
    double v = 1.5; // metres a second, from the first frame on
    Header h = lasting(400, new Rate(24, 1));
    Channel ramp =
        Channel.curve(
            Key.of(1, 0, KeyShape.STRAIGHT), Key.of(401, v * 400 / 24, KeyShape.STRAIGHT));
    for (double[] k : new double[][] {{2, 0.7}, {1, 0.2}, {3, 1}, {2.5, 1.8}, {0.3, 0.05}}) {
      double w = 2 * Math.PI * k[0], z = k[1];
      Plan plan = new Plan(with(h, sprung(ramp, k[0], z)), Models.NONE);
      for (double f : new double[] {1, 2, 5.25, 9.9, 30, 120, 399}) {
        plan.evaluate(f);
        double t = (f - 1) / 24;
        double want;
        if (z == 1) {
          want = v * (t - 2 / w + Math.exp(-w * t) * (t + 2 / w));
        } else if (z < 1) {
          double d = w * Math.sqrt(1 - z * z);
          want =
              v
                  * (t
                      - 2 * z / w
                      + Math.exp(-z * w * t)
                          * (2 * z / w * Math.cos(d * t) + (2 * z * z - 1) / d * Math.sin(d * t)));
        } else {
          double d = w * Math.sqrt(z * z - 1);
          want =
              v
                  * (t
                      - 2 * z / w
                      + Math.exp(-z * w * t)
                          * (2 * z / w * Math.cosh(d * t)
                              + (2 * z * z - 1) / d * Math.sinh(d * t)));
        }
        assertEquals(want, place(Placement.matrix(plan, "a")).x(), 1e-8, Arrays.toString(k) + f);
      }
    }
  }

  @Test
  void howOneComesToAFrameNeverMatters() {
    for (int seed = 0; seed < 12; seed++) {
      Sequence s = RandomDocuments.of(seed);
      List<Double> frames = new ArrayList<>();
      for (double f = 0; f < 45; f += 0.75) frames.add(f);
      Plan inOrder = new Plan(s, Models.NONE);
      List<double[]> worlds = new ArrayList<>(), lenses = new ArrayList<>();
      for (double f : frames) {
        inOrder.evaluate(f);
        worlds.add(inOrder.world().clone());
        lenses.add(inOrder.lens().clone());
      }
      List<Integer> shuffled = new ArrayList<>();
      for (int i = 0; i < frames.size(); i++) shuffled.add(i);
      Collections.shuffle(shuffled, new Random(seed));
      Plan scrubbed = new Plan(s, Models.NONE);
      for (int i : shuffled) {
        scrubbed.evaluate(frames.get(i));
        assertArrayEquals(worlds.get(i), scrubbed.world(), "frame " + frames.get(i));
        assertArrayEquals(lenses.get(i), scrubbed.lens());
      }
      // one edit later, with nodes and their memories taken over where they still hold
      Sequence edited =
          Edit.apply(
              s,
              List.of(
                  new kite.core.command.ChannelCommand.SetChannel(
                      "piece0", "y", Channel.fixed(3))));
      Plan kept = new Plan(edited, Models.NONE, scrubbed), fresh = new Plan(edited, Models.NONE);
      for (double f : new double[] {31, 7.5}) {
        kept.evaluate(f);
        fresh.evaluate(f);
        for (Entity e : edited.entities().values())
          if (fresh.slot(e.id()) >= 0)
            assertArrayEquals(
                Placement.matrix(fresh, e.id()), Placement.matrix(kept, e.id()), e.id());
      }
    }
  }

  /**
   * Takes place and speed of a spring over a step by Runge and Kutta's rule, of fourth order.
   *
   * @param frames how long the step is, at 24 a second
   */
  private static void integrate(
      double[] state,
      double hz,
      double damping,
      CompiledCurve target,
      double frame,
      double frames) {
    double h = frames / 24, w = 2 * Math.PI * hz;
    double[] k = new double[2], sum = new double[2];
    double[] share = {0, 0.5, 0.5, 1}, weight = {1 / 6.0, 1 / 3.0, 1 / 3.0, 1 / 6.0};
    for (int i = 0; i < 4; i++) {
      double x = state[0] + share[i] * h * k[0], v = state[1] + share[i] * h * k[1];
      k =
          new double[] {
            v, w * w * (target.value(frame + share[i] * frames) - x) - 2 * damping * w * v
          };
      for (int j = 0; j < 2; j++) sum[j] += weight[i] * h * k[j];
    }
    for (int j = 0; j < 2; j++) state[j] += sum[j];
  }

  @Test
  void aSpringFarInForgetsNothingThatCounts() {
    Header h = lasting(3000, new Rate(24, 1));
    Random r = new Random(8);
    List<Key> keys = new ArrayList<>();
    for (int f = 1; f < 3000; f += 25) keys.add(Key.smooth(f, r.nextDouble() * 4));
    Channel x = new Channel.Curve(keys);
    Plan plan = new Plan(with(h, sprung(x, 2, 0.6)), Models.NONE);
    CompiledCurve target = CompiledCurve.of(x);
    double[] whole = {x.at(1), 0};
    for (int f = 1; f < 2900; f++) {
      if (f % 71 == 0) {
        plan.evaluate(f);
        assertEquals(whole[0], place(Placement.matrix(plan, "a")).x(), 1e-3, "frame " + f);
      }
      for (int i = 0; i < 40; i++) integrate(whole, 2, 0.6, target, f + i / 40.0, 1 / 40.0);
    }
  }

  @Test
  void aJumpIsForgottenWhereverOneComesFrom() {
    Header h = lasting(600, new Rate(24, 1));
    for (int jump = 100; jump < 180; jump++) { // so that it falls on the start of a block, too
      Channel x = Channel.curve(Key.of(1, 0, KeyShape.HOLD), Key.of(jump, 50, KeyShape.HOLD));
      Plan plan = new Plan(with(h, sprung(x, 2, 0.7)), Models.NONE);
      double before = Double.NaN;
      for (double f = jump + 50; f < jump + 200; f++) {
        plan.evaluate(f);
        double now = place(Placement.matrix(plan, "a")).x();
        assertEquals(50, now, 1e-4, "jump " + jump + ", frame " + f);
        if (f > jump + 80) assertEquals(before, now, 2e-5, "jump " + jump + ", frame " + f);
        before = now;
      }
    }
  }

  @Test
  void aSpringTurnsPastItsMarkAndRests() {
    Channel pan = Channel.curve(Key.of(1, 0, KeyShape.HOLD), Key.of(10, 170, KeyShape.HOLD));
    Sequence s =
        with(
            lasting(200, new Rate(24, 1)),
            camera(
                "a",
                Channels.NONE,
                base(Channels.NONE.with("pan", pan)),
                new Spring(
                    "spring",
                    true,
                    Channels.NONE.with("rotationHz", 1.5).with("rotationDamping", 0.3))));
    double most = 0;
    for (double f = 10; f < 40; f++) {
      double[] m = world(s, "a", f);
      double now = Math.toDegrees(Math.atan2(m[8], m[10]));
      most = Math.max(most, now < -90 ? now + 360 : now);
    }
    // overshoot of a step: exp(−πζ/√(1−ζ²)) = 37.2 % of 170°
    assertEquals(170 * 1.372, most, 5);
    double[] m = world(s, "a", 199);
    assertEquals(170, Math.toDegrees(Math.atan2(m[8], m[10])), 1e-3);
  }

  private static Sequence operated(Operator.Preset p, Rate rate, double first, double amount) {
    Header h = lasting(2000, rate);
    return with(
        h,
        camera(
            "a",
            Channels.NONE,
            base(pose(0, 1.6, 0, 0, 0)),
            new Operator("o", true, p, 1.9, 7, Channels.NONE.with("strength", amount))));
  }

  @Test
  void theOperatorIsTheSameAtAnyRateAndEveryTime() {
    for (Operator.Preset p : Operator.Preset.values()) {
      Sequence slow = operated(p, new Rate(24, 1), 1, 1), fast = operated(p, new Rate(48, 1), 1, 1);
      double reach = 0, farthest = 0;
      double[] last = null;
      for (int i = 0; i < 600; i++) {
        double[] a = world(slow, "a", 1 + i / 4.0), b = world(fast, "a", 1 + i / 2.0);
        assertArrayEquals(a, b, 1e-12, p + " " + i);
        reach = Math.max(reach, place(a).distance(new Vec3(0, 1.6, 0)));
        if (last != null) farthest = Math.max(farthest, place(a).distance(place(last)) * 96);
        last = a;
      }
      assertTrue(reach > 0.003 && reach < 0.25, p + " moves " + reach + " m");
      assertTrue(farthest < 1.5, p + " goes " + farthest + " m/s at most");
    }
    assertArrayEquals(
        world(operated(Operator.Preset.STANDING, new Rate(24, 1), 1, 0), "a", 40),
        world(with(camera("a", Channels.NONE, base(pose(0, 1.6, 0, 0, 0)))), "a", 40));
    Sequence one = operated(Operator.Preset.WALKING, new Rate(24, 1), 1, 1);
    Operator other = new Operator("o", true, Operator.Preset.WALKING, 1.9, 8, Channels.NONE);
    Sequence two = Edit.apply(one, List.of(new RigCommand.SetPart("a", other)));
    assertNotEquals(world(one, "a", 40)[12], world(two, "a", 40)[12], "another take");
  }

  @Test
  void aWalkerBobsOnceForEveryStep() {
    Operator walker =
        new Operator(
            "o",
            true,
            Operator.Preset.WALKING,
            2,
            1,
            Channels.NONE.with("sway", 0).with("breath", 0));
    Sequence s =
        with(
            lasting(500, new Rate(24, 1)), camera("a", Channels.NONE, base(Channels.NONE), walker));
    int tops = 0;
    double before = -1, now = world(s, "a", 1)[13];
    for (double f = 1.25; f <= 121; f += 0.25) {
      double next = world(s, "a", f)[13];
      if (now > before && now >= next) tops++;
      before = now;
      now = next;
    }
    assertEquals(10, tops, 1, "five seconds at two steps a second");
  }

  @Test
  void aSecondPathIsFacedAsFarAlong() {
    List<PathPoint> track = new ArrayList<>(), guide = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      track.add(new PathPoint(new Vec3(i * 3, 0, 0), Vec3.ZERO, Vec3.ZERO));
      guide.add(new PathPoint(new Vec3(12 - i * 3, 2, -6), Vec3.ZERO, Vec3.ZERO));
    }
    Sequence s =
        with(
            new Path("track", "Track", PathStyle.THROUGH, false, track),
            new Path("guide", "Guide", PathStyle.THROUGH, false, guide),
            camera(
                "a",
                Channels.NONE,
                base(Channels.NONE),
                new Rail(
                    "rail",
                    true,
                    "track",
                    Rail.Facing.GUIDE,
                    "guide",
                    true,
                    Channels.NONE.with("progress", 25).with("up", 1))));
    double[] m = world(s, "a", 1);
    Vec3 at = place(m), ahead = new Vec3(-m[8], -m[9], -m[10]);
    assertEquals(0, at.distance(new Vec3(3, 1, 0)), 1e-6);
    Vec3 want = new Vec3(9, 2, -6).minus(at);
    assertEquals(1, ahead.dot(want.times(1 / want.length())), 1e-9);
    assertEquals(0, m[1], 1e-12, "level");
  }

  @Test
  void partsSayWhatTheyDo() {
    Mark mark = new Mark("mark", "Gate", null, Channels.NONE.with("z", -4));
    Camera b = camera("b", Channels.NONE, base(pose(4, 1, 4, 0, 0)));
    Framings f =
        new Framings(
            "f",
            true,
            Framings.Route.STRAIGHT,
            true,
            List.of("b"),
            List.of(new Cue(1, 0, Ease.EVEN, Map.of("b", 0.7))),
            Channels.NONE);
    Arm arm = new Arm("arm", true, true, Channels.NONE.with("lift", 30).with("swing", -12));
    Sequence s = with(mark, b, camera("a", Channels.NONE, base(Channels.NONE), f, arm));
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(3);
    PartWords words = new PartWords(s, Models.NONE, plan, (Camera) s.get("a"), 3);
    assertEquals(
        "70 % camera B, 30 % its own place; the lens here: 35 mm, f/4, focus 5 m.", words.of(f));
    assertEquals("Its end is 2 m above its foot, swung 12° right.", words.of(arm));
    assertEquals("Stands 0 m high.", words.of(((Camera) s.get("a")).first(Base.class)));
  }
}
