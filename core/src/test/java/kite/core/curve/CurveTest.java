package kite.core.curve;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import kite.core.RandomDocuments;
import org.junit.jupiter.api.Test;

class CurveTest {
  private static final Channel RISE = Channel.curve(Key.smooth(0, 0), Key.smooth(10, 10));

  @Test
  void smoothBetweenTwoKeysIsTheFlatEndedCubic() {
    // flat handles at thirds are the Hermite cubic 3t² − 2t³
    for (double f = 0; f <= 10; f += 0.25) {
      double t = f / 10;
      assertEquals(10 * t * t * (3 - 2 * t), RISE.at(f), 1e-12);
    }
  }

  @Test
  void oneKeyHoldsEverywhere() {
    Channel one = Channel.curve(Key.smooth(5, 3));
    for (double f : new double[] {-1e6, 5, 5.5, 1e6}) assertEquals(3, one.at(f));
    assertEquals(0, CompiledCurve.of(one).slope(5));
  }

  @Test
  void holdStaysUntilTheNextKey() {
    Channel c = Channel.curve(Key.of(0, 1, KeyShape.HOLD), Key.of(10, 5, KeyShape.STRAIGHT));
    assertEquals(1, c.at(9.999999));
    assertEquals(5, c.at(10));
  }

  @Test
  void smoothNeverPassesItsNeighbours() {
    Random r = new Random(4);
    for (int n = 0; n < 200; n++) {
      Key[] keys = new Key[6];
      double f = 0;
      for (int i = 0; i < 6; i++)
        keys[i] = Key.smooth(f += 0.5 + r.nextInt(9), r.nextDouble() * 100);
      CompiledCurve c = CompiledCurve.of(Channel.curve(keys));
      for (int i = 0; i < 5; i++) {
        double low = Math.min(keys[i].value(), keys[i + 1].value()),
            high = Math.max(keys[i].value(), keys[i + 1].value());
        for (double t = 0; t <= 1; t += 0.02) {
          double v = c.value(keys[i].frame() + t * (keys[i + 1].frame() - keys[i].frame()));
          assertTrue(v >= low - 1e-9 && v <= high + 1e-9);
        }
      }
    }
  }

  @Test
  void freeHandlesSolveTheBezierForTheFrame() {
    Key a = Key.smooth(0, 0).free(0, 0, 8, 0, true), b = Key.smooth(10, 10).free(2, -6, 0, 0, true);
    CompiledCurve c = CompiledCurve.of(Channel.curve(a, b));
    for (double t = 0; t <= 1; t += 0.05) { // an independent walk along the Bézier itself
      double u = 1 - t;
      double f = 3 * u * u * t * 8 + 3 * u * t * t * 8 + t * t * t * 10;
      double v = 3 * u * t * t * 4 + t * t * t * 10;
      assertEquals(v, c.value(f), 1e-7);
    }
  }

  @Test
  void handlesThatWouldTurnBackAreShortened() {
    Key a = Key.smooth(0, 0).free(0, 0, 500, 20, true),
        b = Key.smooth(10, 10).free(500, 5, 0, 0, true);
    CompiledCurve c = CompiledCurve.of(Channel.curve(a, b));
    for (double f = 0; f <= 10; f += 0.1) assertTrue(Double.isFinite(c.value(f)));
    assertEquals(10, c.value(10), 1e-9);
  }

  @Test
  void slopeIsTheDerivative() {
    for (int seed = 0; seed < 30; seed++) {
      Channel c = RandomDocuments.of(seed).get("cam0").channel("head/pan");
      if (!(c instanceof Channel.Curve curve)) continue;
      CompiledCurve k = CompiledCurve.of(c);
      for (double f = 0.137; f < 40; f += 0.731) {
        double frame = f;
        if (curve.keys().stream().anyMatch(key -> Math.abs(key.frame() - frame) < 0.01)) continue;
        double rise = (k.value(f + 1e-5) - k.value(f - 1e-5)) / 2e-5;
        if (Math.abs(rise) > 1e3)
          continue; // at a jump of a repeating curve, or a handle of no reach
        assertEquals(rise, k.slope(f), 1e-3 * Math.max(1, Math.abs(rise)));
      }
    }
  }

  @Test
  void theOrderOfAskingNeverMatters() {
    CompiledCurve k = CompiledCurve.of(RandomDocuments.of(3).get("cam1").channel("base/x"));
    double[] forward = new double[400];
    for (int i = 0; i < 400; i++) forward[i] = k.value(i * 0.1);
    Random r = new Random(1);
    for (int n = 0; n < 1000; n++) {
      int i = r.nextInt(400);
      assertEquals(forward[i], k.value(i * 0.1));
    }
  }

  @Test
  void beyondTheEndsItHoldsGoesOnOrRepeats() {
    List<Key> keys = List.of(Key.of(0, 0, KeyShape.STRAIGHT), Key.of(10, 5, KeyShape.STRAIGHT));
    assertEquals(5, new Channel.Curve(keys).at(30));
    assertEquals(
        10, new Channel.Curve(keys, Extrapolation.HOLD, Extrapolation.STRAIGHT).at(20), 1e-9);
    assertEquals(
        -5, new Channel.Curve(keys, Extrapolation.STRAIGHT, Extrapolation.HOLD).at(-10), 1e-9);
    assertEquals(
        1.5, new Channel.Curve(keys, Extrapolation.HOLD, Extrapolation.REPEAT).at(23), 1e-9);
    assertEquals(
        11.5,
        new Channel.Curve(keys, Extrapolation.HOLD, Extrapolation.REPEAT_OFFSET).at(23),
        1e-9);
    assertEquals(
        -3.5,
        new Channel.Curve(keys, Extrapolation.REPEAT_OFFSET, Extrapolation.HOLD).at(-7),
        1e-9);
  }

  @Test
  void insertingAKeyLeavesTheCurveAsItWas() {
    for (int seed = 0; seed < 40; seed++) {
      Channel c = RandomDocuments.of(seed).get("cam0").channel("base/y");
      if (!(c instanceof Channel.Curve curve) || curve.keys().size() < 3) continue;
      double at = curve.keys().get(0).frame() * 0.37 + curve.keys().get(1).frame() * 0.63;
      Channel more = CurveEdits.insert(c, at);
      for (double f = curve.keys().get(0).frame(); f < curve.keys().get(1).frame(); f += 0.05)
        assertEquals(c.at(f), more.at(f), 1e-6, "seed " + seed);
    }
  }

  /** A curve of chance keys of every shape, with handles that may be too long for their gaps. */
  private static Channel.Curve chance(Random r) {
    List<Key> keys = new ArrayList<>();
    double at = r.nextInt(10);
    int n = 1 + r.nextInt(5);
    for (int k = 0; k < n; k++) {
      KeyShape shape = KeyShape.values()[r.nextInt(4)];
      Key key = Key.of(at, r.nextGaussian() * 3, shape);
      keys.add(
          shape == KeyShape.FREE
              ? key.free(
                  12 * r.nextDouble(),
                  r.nextGaussian(),
                  12 * r.nextDouble(),
                  r.nextGaussian(),
                  r.nextBoolean())
              : key);
      at += 0.5 + r.nextInt(12);
    }
    Extrapolation[] all = Extrapolation.values();
    return new Channel.Curve(keys, all[r.nextInt(4)], all[r.nextInt(4)]);
  }

  @Test
  void aKeyPutInAnywhereChangesNothingAnywhere() {
    Random r = new Random(21);
    for (int i = 0; i < 3000; i++) {
      Channel.Curve c = chance(r);
      double first = c.keys().get(0).frame(), last = c.keys().get(c.keys().size() - 1).frame();
      double at = i % 2 == 0 ? first + r.nextDouble() * (last - first) : first - 15 + r.nextInt(60);
      CompiledCurve was = CompiledCurve.of(c), more = CompiledCurve.of(CurveEdits.insert(c, at));
      String where = i + ": key at " + at + " of " + c;
      for (double f = first - 20; f < last + 30; f += 0.173)
        assertEquals(was.value(f), more.value(f), 1e-6, where);
    }
  }

  @Test
  void repeatsEndOnTheLastKeyEveryTime() {
    List<Key> keys = List.of(Key.of(0, 1, KeyShape.STRAIGHT), Key.of(10, 5, KeyShape.STRAIGHT));
    Channel c = new Channel.Curve(keys, Extrapolation.REPEAT, Extrapolation.REPEAT);
    for (double f : new double[] {10, 20, 30, 1000, -10, -20}) assertEquals(5, c.at(f), "" + f);
    assertEquals(1, c.at(0));
    assertEquals(1.4, c.at(11), 1e-9);
    assertEquals(4.6, c.at(-1), 1e-9);
  }

  @Test
  void fewerKeysKeepTheirToleranceAndWhatCannotBeSaidWithFewerStays() {
    Random r = new Random(5);
    for (int i = 0; i < 60; i++) {
      List<Key> keys = new ArrayList<>();
      for (int f = 0; f <= 120; f++) {
        boolean stepped = i % 3 == 0 && f > 40 && f < 60;
        double v = 2 * Math.sin(f / 17.0) + (i % 3 == 1 ? 0.05 * r.nextGaussian() : 0);
        keys.add(Key.of(f, stepped ? f / 5 : v, stepped ? KeyShape.HOLD : KeyShape.STRAIGHT));
      }
      Channel.Curve c = new Channel.Curve(keys);
      double tolerance = 0.002 + 0.05 * r.nextDouble();
      ReduceKeys.Reduced less = ReduceKeys.within(c, tolerance);
      double worst = 0;
      CompiledCurve was = CompiledCurve.of(c), now = CompiledCurve.of(less.channel());
      for (double f = 0; f <= 120; f += 0.013)
        worst = Math.max(worst, Math.abs(was.value(f) - now.value(f)));
      assertTrue(worst <= tolerance * 1.02, i + ": " + worst + " of " + tolerance);
      assertEquals(worst, less.error(), 0.05 * tolerance);
      int count = ((Channel.Curve) less.channel()).keys().size();
      if (i % 3 == 0)
        assertTrue(count < 60, "a few held frames keep no key outside them: " + count);
    }
  }

  @Test
  void keysMoveReplaceAndGo() {
    Channel c = Channel.curve(Key.smooth(0, 0), Key.smooth(10, 10), Key.smooth(20, 0));
    Channel moved = CurveEdits.move(c, List.of(10.0), 10, 3);
    assertEquals(
        2, ((Channel.Curve) moved).keys().size(), "it lands on the last key and replaces it");
    assertEquals(13, moved.at(20));
    assertEquals(Channel.fixed(0), CurveEdits.remove(c, List.of(0.0, 10.0, 20.0)));
    assertEquals(7, CurveEdits.setValue(c, 10, 7).at(10));
    Channel handled = CurveEdits.dragHandle(c, 10, true, 4, 6);
    Key k = ((Channel.Curve) handled).keys().get(1);
    assertEquals(KeyShape.FREE, k.shape());
    assertEquals(-6 * k.inFrames() / 4, k.inValue(), 1e-12, "joined: the other handle turns along");
  }

  @Test
  void badKeysAreRefused() {
    assertThrows(IllegalArgumentException.class, () -> Channel.curve(Key.smooth(1, Double.NaN)));
    assertThrows(
        IllegalArgumentException.class, () -> Channel.curve(Key.smooth(2, 0), Key.smooth(2, 1)));
    assertThrows(IllegalArgumentException.class, () -> new Channel.Curve(List.of()));
  }
}
