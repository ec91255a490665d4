package kite.core.motion;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.codec.MotionJson;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.ShotCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Extrapolation;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.curve.ReduceKeys;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Mark;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class MotionTest {
  private static Sequence mark(Channel x) {
    Mark m = new Mark("m", "Mark", null, Channels.NONE.with("x", x));
    return Edit.apply(
        new Sequence(RandomDocuments.header(), Map.of()), List.of(new EntityCommand.Add(m)));
  }

  private static Channel after(Channel x, MotionEdit edit, Double... frames) {
    Sequence s = mark(x);
    return Edit.apply(s, Motion.edit(s, List.of(new Picked("m", "x", List.of(frames))), edit))
        .get("m")
        .channel("x");
  }

  private static final Channel FOUR =
      Channel.curve(
          Key.smooth(1, 0), Key.smooth(7, 4), Key.smooth(13, 2), Key.of(31, 8, KeyShape.STRAIGHT));

  private static List<Double> frames(Channel c) {
    return ((Channel.Curve) c).keys().stream().map(Key::frame).toList();
  }

  @Test
  void anEaseIsExactlyTheCurveOfItsName() {
    for (Ease e : Ease.values()) {
      Channel c = after(FOUR, new MotionEdit.EaseSegments(e), 13.0);
      for (double t = 0; t <= 1; t += 1 / 64.0)
        assertEquals(2 + 6 * e.at(t), c.at(13 + 18 * t), 1e-9, e + " at " + t);
      for (double f = 1; f < 13; f += 0.4)
        assertEquals(FOUR.at(f), c.at(f), 0.35, "the part before keeps its ways");
    }
  }

  @Test
  void mirroredInTimeIsTheSameCurveBackwards() {
    for (int seed = 0; seed < 40; seed++) {
      Channel c = RandomDocuments.of(seed).get("piece1").channel("x");
      if (!(c instanceof Channel.Curve k)) continue;
      Channel free =
          after(c, new MotionEdit.Soften(1)); // the handles in use, since HOLD has no mirror
      double first = k.keys().get(0).frame(), last = k.keys().get(k.keys().size() - 1).frame();
      if (k.keys().stream().anyMatch(x -> x.shape() == KeyShape.HOLD)) continue;
      Channel back = after(free, new MotionEdit.Reverse());
      for (double f = first; f <= last; f += 0.37)
        assertEquals(free.at(f), back.at(first + last - f), 1e-8, "seed " + seed);
    }
  }

  @Test
  void scalingAndFittingStretchTheCurve() {
    Channel twice = after(FOUR, new MotionEdit.Scale(1, 2, 0, 0.5));
    for (double f = 1; f <= 31; f += 0.5)
      assertEquals(FOUR.at(f) / 2, twice.at(1 + (f - 1) * 2), 1e-9);
    Channel fitted = after(FOUR, new MotionEdit.FitTo(60));
    assertEquals(List.of(1.0, 13.0, 25.0, 61.0), frames(fitted));
    assertEquals(List.of(1.0, 7.0, 13.0, 31.0), frames(FOUR), "the old one is left alone");
    assertThrows(Refusal.class, () -> after(FOUR, new MotionEdit.FitTo(0)));
    assertThrows(Refusal.class, () -> after(FOUR, new MotionEdit.Scale(1, -1, 0, 1)));
    assertThrows(Refusal.class, () -> after(FOUR, new MotionEdit.Soften(Double.NaN)));
  }

  @Test
  void onlyTheChosenKeysMoveAndAChosenOneWinsItsPlace() {
    assertEquals(
        List.of(1.0, 13.0, 31.0), frames(after(FOUR, new MotionEdit.Shift(6), 7.0)), "7 on 13");
    assertEquals(4, after(FOUR, new MotionEdit.Shift(6), 7.0).at(13));
    Channel odd = Channel.curve(Key.smooth(1.2, 0), Key.smooth(4.6, 1), Key.smooth(9, 2));
    assertEquals(List.of(1.0, 5.0, 9.0), frames(after(odd, new MotionEdit.Snap())));
    assertEquals(
        List.of(1.0, 4.0, 7.0, 31.0), frames(after(FOUR, new MotionEdit.Gather(List.of()))));
    assertEquals(
        List.of(1.0, 10.0, 13.0, 31.0),
        frames(after(FOUR, new MotionEdit.Gather(List.of(13.0)), 7.0)));
  }

  @Test
  void aWholeMotionIsSlowOrFastAtItsEnds() {
    Channel two = Channel.curve(Key.of(0, 0, KeyShape.STRAIGHT), Key.of(24, 10, KeyShape.STRAIGHT));
    Channel slowIn = after(two, new MotionEdit.EaseWhole(true, false));
    for (double t = 0; t <= 1; t += 0.05)
      assertEquals(10 * t * t, slowIn.at(24 * t), 1e-9, "slow in, fast out is a parabola");
    Channel even = after(slowIn, new MotionEdit.LinearThrough());
    for (double f = 0; f <= 24; f += 0.7) assertEquals(10 * f / 24, even.at(f), 1e-9);
    Channel hold =
        Channel.curve(
            Key.of(1, 0, KeyShape.HOLD),
            Key.smooth(20, 0),
            Key.smooth(40, 5),
            Key.of(80, 6, KeyShape.STRAIGHT));
    Channel through = after(hold, new MotionEdit.LinearThrough());
    double last = 0, fastest = 0;
    for (double f = 1; f <= 79.9; f += 0.05) {
      double speed = (through.at(f + 0.05) - through.at(f)) / 0.05;
      assertEquals(last, speed, 0.01, "no leap in speed at " + f);
      assertTrue(f < 20.2 || speed > 1e-3, "no stop on the way");
      fastest = Math.max(fastest, speed);
      last = speed;
    }
    assertTrue(fastest < 0.5, "at most twice the speed of the push");
    Channel flat = after(FOUR, new MotionEdit.Flatten(), 7.0);
    assertEquals(0, (flat.at(7.001) - flat.at(6.999)) / 0.002, 1e-3);
  }

  @Test
  void whatIsTurnedRoundIsTheSameBackwardsOnEveryFrame() {
    Random r = new Random(6);
    for (int i = 0; i < 200; i++) {
      List<Key> keys = new ArrayList<>();
      int at = 1;
      for (int k = 0; k < 5; k++) {
        KeyShape shape = KeyShape.values()[r.nextInt(4)];
        Key key = Key.of(at, r.nextInt(10), shape);
        keys.add(
            shape == KeyShape.FREE ? key.free(1, r.nextDouble(), 2, r.nextDouble(), true) : key);
        at += 2 + r.nextInt(8);
      }
      Channel.Curve c = new Channel.Curve(keys, Extrapolation.HOLD, Extrapolation.STRAIGHT);
      double last = at, sum = 1 + keys.get(4).frame();
      for (MotionEdit e : List.of(new MotionEdit.Reverse(), new MotionEdit.Mirror(sum / 2))) {
        Channel.Curve back = (Channel.Curve) after(c, e);
        assertEquals(Extrapolation.STRAIGHT, back.before());
        assertEquals(Extrapolation.HOLD, back.after());
        for (int f = 1; f <= keys.get(4).frame(); f++) {
          // where a held value jumps, the frame of the jump belongs to what is held
          boolean jump = false;
          for (int k = 1; k < 5; k++)
            jump |= keys.get(k).frame() == f && keys.get(k - 1).shape() == KeyShape.HOLD;
          double want = jump ? c.at(f - 1e-9) : c.at(f);
          assertEquals(want, back.at(sum - f), 1e-6, i + " frame " + f + " of " + keys);
        }
      }
    }
  }

  @Test
  void joinedHandlesMakeOneTangentAndBrokenOnesKeepTheCurve() {
    Channel broken = after(FOUR, new MotionEdit.Join(false), 7.0);
    for (double f = 1; f < 31; f += 0.3) assertEquals(FOUR.at(f), broken.at(f), 1e-9);
    Channel corner = after(FOUR, new MotionEdit.EaseSegments(Ease.EVEN), 1.0, 7.0);
    Channel joined = after(corner, new MotionEdit.Join(true), 7.0);
    double before = joined.at(7) - joined.at(6.999), behind = joined.at(7.001) - joined.at(7);
    assertEquals(before, behind, 1e-5);
  }

  @Test
  void keysArePastedIntoOtherChannelsAndThingsGoOn() {
    Sequence s = mark(FOUR);
    List<Key> keys = ((Channel.Curve) FOUR).keys().subList(1, 3);
    Sequence pasted =
        Edit.apply(
            s,
            Motion.edit(
                s,
                List.of(new Picked("m", "y", List.of()), new Picked("m", "none", List.of())),
                new MotionEdit.Paste(20, keys)));
    assertEquals(List.of(20.0, 26.0), frames(pasted.get("m").channel("y")));
    assertEquals(4, pasted.get("m").channel("y").at(20));
    Channel on = after(FOUR, new MotionEdit.GoOn(Extrapolation.HOLD, Extrapolation.REPEAT_OFFSET));
    assertEquals(FOUR.at(5) + 8, on.at(35), 1e-9);
    Refusal empty =
        assertThrows(Refusal.class, () -> after(FOUR, new MotionEdit.Paste(3, List.of())));
    assertTrue(empty.getMessage().startsWith("Nothing was copied"));
  }

  @Test
  void fewerKeysKeepTheCurveWithinTheTolerance() {
    List<Key> dense = new ArrayList<>();
    for (int f = 1; f <= 200; f++)
      dense.add(Key.of(f, Math.sin(f / 17.0) * 3 + f / 60.0, KeyShape.STRAIGHT));
    Channel all = new Channel.Curve(dense);
    for (double tolerance : new double[] {0.2, 0.02, 0.002}) {
      ReduceKeys.Reduced r = ReduceKeys.within(all, tolerance);
      int left = ((Channel.Curve) r.channel()).keys().size();
      assertTrue(r.error() <= tolerance && left < 90, tolerance + ": " + left + " keys");
      double worst = 0;
      for (int f = 1; f <= 200; f++)
        worst = Math.max(worst, Math.abs(all.at(f) - r.channel().at(f)));
      assertTrue(worst <= r.error() + 1e-12);
    }
    assertEquals(
        2,
        ((Channel.Curve)
                ReduceKeys.within(after(FOUR, new MotionEdit.Scale(1, 1, 0, 1e-5)), 1).channel())
            .keys()
            .size());
  }

  @Test
  void holdingLongerShiftsAllThatComesAfter() {
    for (int seed = 0; seed < 15; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Entity e = s.get("cam1");
      Sequence on = Edit.apply(s, MoveTogether.holdLonger(s, e, 10, 5, true));
      Camera was = (Camera) e, is = (Camera) on.get("cam1");
      for (String a : was.channelSpecs().keySet()) {
        if (!(was.channel(a) instanceof Channel.Curve c)) continue;
        List<Double> want =
            c.keys().stream().map(k -> k.frame() > 10 ? k.frame() + 5 : k.frame()).toList();
        assertEquals(want, frames(is.channel(a)), a);
      }
      Attention look = was.first(Attention.class), later = is.first(Attention.class);
      for (int i = 0; i < look.cues().size(); i++) {
        Cue c = look.cues().get(i);
        assertEquals(c.frame() > 10 ? c.frame() + 5 : c.frame(), later.cues().get(i).frame());
        assertEquals(c.mix(), later.cues().get(i).mix());
      }
      Programme programme = Programme.of(on);
      assertEquals(24, programme.of("cut0").frames(), "the shot it is held in is longer");
      assertEquals(25, programme.of("cut1").sceneFirst(), "later ones show what they showed");
      assertEquals(1, programme.of("cut0").sceneFirst());
      List<Double> standing = MoveTogether.frames(e);
      double f = standing.stream().filter(x -> x > 10).findFirst().orElseThrow();
      Refusal passing =
          assertThrows(Refusal.class, () -> MoveTogether.holdLonger(s, e, 10, 10 - f - 1, false));
      assertTrue(passing.getMessage().contains("cannot come"), passing.getMessage());
    }
  }

  @Test
  void whatStandsOnAFrameMovesTogether() {
    Sequence s = RandomDocuments.of(2);
    Entity e = s.get("cam0");
    List<Double> standing = MoveTogether.frames(e);
    double f = standing.get(new Random(1).nextInt(standing.size()));
    Sequence moved = Edit.apply(s, MoveTogether.move(e, List.of(f), 100));
    List<Double> now = MoveTogether.frames(moved.get("cam0"));
    assertTrue(now.contains(f + 100) && !now.contains(f), f + " in " + now);
    assertEquals(
        s, Edit.apply(moved, MoveTogether.move(moved.get("cam0"), List.of(f + 100), -100)));
  }

  @Test
  void aRequestIsReadStrictly() {
    Sequence s = mark(FOUR);
    String picked = "{\"picked\":[{\"id\":\"m\",\"channel\":\"x\",\"frames\":[7]}],\"edit\":";
    assertEquals(
        new ChannelCommand.SetChannel("m", "x", after(FOUR, new MotionEdit.Shift(2), 7.0)),
        asked(s, picked + "{\"kind\":\"shift\",\"frames\":2}}").get(0));
    Refusal r =
        assertThrows(Refusal.class, () -> MotionJson.read(picked + "{\"kind\":\"wobble\"}}"));
    assertEquals("The field $.edit.kind names no edit: “wobble”.", r.getMessage());
  }

  private static List<Command> asked(Sequence s, String json) {
    MotionRequest r = MotionJson.read(json);
    return Motion.edit(s, r.picked(), r.edit());
  }

  @Test
  void cutsMoveWithTheKeysWhenAsked() {
    Shot later = Shot.of("later", "S_0900", "cam0", 30, 11);
    Sequence s =
        Edit.apply(RandomDocuments.of(3), List.of(new ShotCommand.InsertShot(later, null)));
    Entity c = s.get("cam0");
    assertTrue(MoveTogether.cuts(s, c).contains(30.0));
    Sequence on = Edit.apply(s, MoveTogether.moveWithCuts(s, c, List.of(30.0), 3));
    assertTrue(MoveTogether.cuts(on, on.get("cam0")).contains(33.0));
    assertEquals(s, Edit.apply(s, MoveTogether.move(c, List.of(30.0), 3)), "only when asked");
  }
}
