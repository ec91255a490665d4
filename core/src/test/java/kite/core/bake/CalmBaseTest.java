package kite.core.bake;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Edit;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.model.Models;
import kite.core.rig.base.Base;
import org.junit.jupiter.api.Test;

class CalmBaseTest {
  @Test
  void baseAndTrimTogetherAreTheMoveItWasLensAndAll() {
    for (int seed = 0; seed < 10; seed++) {
      Sequence s = RandomDocuments.of(seed);
      for (String id : List.of("cam0", "travel")) {
        Camera c = (Camera) s.get(id);
        CalmBase calm = CalmBase.of(s, Models.NONE, c, 1, 40, 0.3, 2);
        Plan was = new Plan(s, Models.NONE);
        Plan is = new Plan(Edit.apply(s, calm.commands(id)), Models.NONE);
        for (int f = 1; f <= 40; f++) {
          was.evaluate(f);
          is.evaluate(f);
          double[] a = Eye.of(was, id).world(), b = Eye.of(is, id).world();
          for (int i = 0; i < 16; i++) assertEquals(a[i], b[i], 1e-9, id + ", frame " + f);
          for (int i = 0; i < 8; i++) {
            double want = was.lens()[was.slot(id) * LensRow.SIZE + i];
            double got = is.lens()[is.slot(id) * LensRow.SIZE + i];
            assertEquals(want, got, 1e-9 * Math.abs(want), id + ", lens " + i + ", frame " + f);
          }
        }
      }
    }
  }

  /** A walk with a push under it, filmed by hand: the base finds the push, the trim the hand. */
  @Test
  void withoutTheTrimItGoesTheSameWayWithFewKeys() {
    Random r = new Random(2);
    List<Key> x = new ArrayList<>(), pan = new ArrayList<>();
    for (int f = 1; f <= 40; f++) {
      double t = (f - 1) / 39.0, ease = t * t * (3 - 2 * t);
      x.add(Key.smooth(f, 6 * ease + 0.03 * r.nextGaussian()));
      pan.add(Key.smooth(f, 40 * ease + 0.3 * r.nextGaussian()));
    }
    Channels c = Channels.NONE.with("x", new Channel.Curve(x)).with("pan", new Channel.Curve(pan));
    Sequence s = RandomDocuments.of(4);
    Camera track =
        ((Camera) s.get("cam2")).withRig(List.of(new Base("base", true, null, Base.Takes.ALL, c)));
    s = s.with(track);
    CalmBase calm = CalmBase.of(s, Models.NONE, track, 1, 40, 0.15, 1.5);
    assertTrue(calm.keys() <= 12, calm.keys() + " keys of 80");
    Sequence on = Edit.apply(s, calm.commands("cam2"));
    Sequence off = Edit.apply(on, List.of(new SetValue("cam2", "trim/strength", 0, 0, false)));
    Plan was = new Plan(s, Models.NONE), is = new Plan(off, Models.NONE);
    double most = 0, turned = 0;
    for (int f = 1; f <= 40; f++) {
      was.evaluate(f);
      is.evaluate(f);
      Eye a = Eye.of(was, "cam2"), b = Eye.of(is, "cam2");
      // all turning is panning here: the angle between the axes is the whole of it
      double along = 0;
      for (int i = 8; i < 11; i++) along += a.world()[i] * b.world()[i];
      turned = Math.max(turned, Math.toDegrees(Math.acos(Math.min(1, along))));
      most = Math.max(most, a.place().distance(b.place()));
      for (int i = 0; i < 11; i++) assertEquals(a.world()[i], b.world()[i], Math.toRadians(1.6));
    }
    assertTrue(most <= 0.15 + 1e-9 && most > 0.01, most + " m");
    assertEquals(most, calm.mostM(), 1e-9);
    assertEquals(turned, calm.mostDegrees(), 1e-6);
  }
}
