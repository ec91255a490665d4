package kite.core.bake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.arm.Arm;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;
import org.junit.jupiter.api.Test;

class PlainCameraTest {
  @Test
  void aPlainCameraIsTheRigOnEveryFrame() {
    for (int seed = 0; seed < 12; seed++) {
      Sequence s = RandomDocuments.of(seed);
      for (String id : List.of("cam1", "travel")) {
        PlainCamera baked =
            PlainCamera.of(
                s, Models.NONE, (Camera) s.get(id), 1, 40, PlainCamera.Tolerance.NONE, "plain");
        Sequence both = Edit.apply(s, List.of(new EntityCommand.Add(baked.camera())));
        assertEquals(s.get(id), both.get(id), "the rig stays as it was");
        Plan plan = new Plan(both, Models.NONE);
        for (int f = 1; f <= 40; f++) {
          plan.evaluate(f);
          double[] a = Eye.of(plan, id).world(), b = Eye.of(plan, "plain").world();
          for (int i = 0; i < 16; i++) assertEquals(a[i], b[i], 1e-9, id + " " + f);
          for (int i = 0; i < 8; i++)
            assertEquals(
                plan.lens()[plan.slot(id) * LensRow.SIZE + i],
                plan.lens()[plan.slot("plain") * LensRow.SIZE + i],
                1e-9);
        }
      }
    }
  }

  @Test
  void aPlainCameraKeepsWhenItsShutterOpens() {
    Sequence s = RandomDocuments.of(1);
    Camera late = ((Camera) s.get("cam1")).withChannel("shutterOffset", new Channel.Fixed(45));
    s = s.with(late);
    Camera plain =
        PlainCamera.of(s, Models.NONE, late, 1, 10, PlainCamera.Tolerance.NONE, "plain").camera();
    assertEquals(45, plain.channel("shutterOffset").at(5), 0);
  }

  private static Channel move(double... values) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < values.length; i++) keys.add(Key.smooth(1 + i * 13, values[i]));
    return new Channel.Curve(keys);
  }

  private static List<RigPart> crane(int seed) {
    return List.of(
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            Channels.NONE.with("x", move(0, 2 + seed / 8.0, 3, 3)).with("pan", 20.0 * seed)),
        new Arm("arm", true, true, Channels.NONE.with("swing", move(-30, 0, 35, 60))),
        new Head("head", true, Channels.NONE.with("tilt", move(-5, -20, 0, 4))));
  }

  @Test
  void fewerKeysStayWithinWhatIsReported() {
    for (int seed = 0; seed < 8; seed++) {
      Sequence s =
          Edit.apply(RandomDocuments.of(seed), List.of(new RigCommand.SetRig("cam0", crane(seed))));
      Camera rig = (Camera) s.get("cam0");
      PlainCamera all =
          PlainCamera.of(s, Models.NONE, rig, 1, 40, PlainCamera.Tolerance.NONE, "plain");
      PlainCamera few =
          PlainCamera.of(
              s, Models.NONE, rig, 1, 40, new PlainCamera.Tolerance(0.05, 1, 0.5), "plain");
      assertTrue(few.keys() < all.keys() / 2, few.keys() + " of " + all.keys());
      Plan plan =
          new Plan(Edit.apply(s, List.of(new EntityCommand.Add(few.camera()))), Models.NONE);
      double worst = 0;
      for (int f = 1; f <= 40; f++) {
        plan.evaluate(f);
        Vec3 a = Matrix.newOrigin(plan.world(), plan.slot("cam0") * 16);
        worst =
            Math.max(worst, a.distance(Matrix.newOrigin(plan.world(), plan.slot("plain") * 16)));
      }
      assertTrue(worst <= few.placeM() + 1e-12 && worst < 0.05, worst + " m");
    }
  }

  @Test
  void aPathThroughTheKeysCarriesTheCameraTheSameWay() {
    Sequence s = RandomDocuments.of(6);
    Camera c = (Camera) s.get("cam2");
    List<Double> frames = List.of(1.0, 9.0, 17.0, 26.0, 38.0);
    Plan was = new Plan(s, Models.NONE);
    Sequence on = Edit.apply(s, Route.path(s, Models.NONE, c, frames, "way", true));
    assertTrue(on.get("way") instanceof Path);
    assertEquals("way", ((Camera) on.get("cam2")).first(Rail.class).path());
    Plan is = new Plan(on, Models.NONE);
    for (double f : frames) {
      was.evaluate(f);
      is.evaluate(f);
      double[] a = Eye.of(was, "cam2").world(), b = Eye.of(is, "cam2").world();
      for (int i = 0; i < 16; i++) assertEquals(a[i], b[i], 1e-5, "frame " + f);
    }
    Camera still =
        ((Camera) s.get("cam2"))
            .withRig(List.of(new Base("base", true, null, Base.Takes.POSITION, Channels.NONE)));
    assertEquals(List.of(), Route.path(s.with(still), Models.NONE, still, frames, "way", true));
  }

  @Test
  void aTrackWithAKeyOnEveryFrameBecomesAPathOfFewPoints() {
    List<Key> x = new ArrayList<>(), y = new ArrayList<>(), z = new ArrayList<>();
    List<Key> pan = new ArrayList<>();
    List<Double> frames = new ArrayList<>();
    for (int f = 1; f <= 40; f++) {
      double a = f / 40.0 * Math.PI * 1.3;
      x.add(Key.smooth(f, 4 * Math.cos(a)));
      y.add(Key.smooth(f, 1.5 + 0.4 * Math.sin(2 * a)));
      z.add(Key.smooth(f, 4 * Math.sin(a)));
      pan.add(Key.smooth(f, -Math.toDegrees(a)));
      frames.add((double) f);
    }
    Channels c =
        Channels.NONE
            .with("x", new Channel.Curve(x))
            .with("y", new Channel.Curve(y))
            .with("z", new Channel.Curve(z))
            .with("pan", new Channel.Curve(pan));
    Sequence s = RandomDocuments.of(4);
    Camera tracked =
        ((Camera) s.get("cam2"))
            .withRig(List.of(new Base("base", true, null, Base.Takes.POSITION, c)));
    s = s.with(tracked);
    Sequence on = Edit.apply(s, Route.path(s, Models.NONE, tracked, frames, "way", true));
    Path way = (Path) on.get("way");
    assertTrue(way.points().size() <= 20, way.points().size() + " points");
    Plan was = new Plan(s, Models.NONE), is = new Plan(on, Models.NONE);
    for (double f : frames) {
      was.evaluate(f);
      is.evaluate(f);
      Eye a = Eye.of(was, "cam2"), b = Eye.of(is, "cam2");
      assertEquals(0, a.place().distance(b.place()), 0.025, "frame " + f);
      for (int i = 0; i < 11; i++) assertEquals(a.world()[i], b.world()[i], Math.toRadians(0.1));
    }
    Channel progress = ((Camera) on.get("cam2")).channel("rail/progress");
    int keys = ((Channel.Curve) progress).keys().size();
    assertTrue(keys < 20, keys + " keys");
  }
}
