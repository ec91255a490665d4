package kite.core.math;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleSupplier;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;

/** Our functions against Java's strict ones, which are the same on every Java. */
class FunctionsTest {
  private static final int MANY = 200_000;

  /** What no function of ours is wrong by more than, in units of the last place. */
  private static final double LAST_PLACE = 1;

  private static void same(
      DoubleUnaryOperator ours, DoubleUnaryOperator strict, double places, DoubleSupplier x) {
    for (int i = 0; i < MANY; i++) {
      double at = x.getAsDouble();
      same(ours.applyAsDouble(at), strict.applyAsDouble(at), places, "of " + at);
    }
  }

  private static void same(double ours, double strict, double places, String of) {
    if (ours == strict || Double.isNaN(ours) && Double.isNaN(strict)) return;
    assertTrue(
        Math.abs(ours - strict) <= places * Math.ulp(strict), of + ": " + ours + " for " + strict);
  }

  /** As many of each size, up and down. */
  private static double ofAnySize(Random chance, int from, int to) {
    double size = Math.scalb(1 + chance.nextDouble(), from + chance.nextInt(to - from));
    return chance.nextBoolean() ? size : -size;
  }

  @Test
  void sinesAndCosinesOfAnglesOfAnySize() {
    Random chance = new Random(1);
    same(Trig::sin, StrictMath::sin, LAST_PLACE, () -> ofAnySize(chance, -40, 19));
    same(Trig::cos, StrictMath::cos, LAST_PLACE, () -> ofAnySize(chance, -40, 19));
    same(Trig::tan, StrictMath::tan, 3, () -> ofAnySize(chance, -40, 19));
  }

  @Test
  void sinesNearWholeQuarterTurns() {
    Random chance = new Random(2);
    DoubleSupplier near =
        () -> {
          double quarters = chance.nextInt(400_000) * (Math.PI / 2);
          return quarters + chance.nextInt(5) * Math.ulp(quarters);
        };
    same(Trig::sin, StrictMath::sin, LAST_PLACE, near);
    same(Trig::cos, StrictMath::cos, LAST_PLACE, near);
  }

  @Test
  void anAngleOfMillionsOfTurnsIsRightToWhatAnybodySees() {
    Random chance = new Random(3);
    for (int i = 0; i < MANY; i++) {
      double x = ofAnySize(chance, 19, 30);
      assertEquals(StrictMath.sin(x), Trig.sin(x), 1e-7, "" + x);
      assertEquals(StrictMath.cos(x), Trig.cos(x), 1e-7, "" + x);
    }
    assertTrue(Math.abs(Trig.sin(Double.MAX_VALUE)) <= 1);
  }

  @Test
  void anglesOfSinesCosinesAndTangents() {
    Random chance = new Random(4);
    DoubleSupplier share = () -> 2 * chance.nextDouble() - 1;
    same(ArcTrig::asin, StrictMath::asin, LAST_PLACE, share);
    same(ArcTrig::acos, StrictMath::acos, LAST_PLACE, share);
    DoubleSupplier edge = () -> (chance.nextBoolean() ? 1 : -1) * (1 - 1e-9 * chance.nextDouble());
    same(ArcTrig::asin, StrictMath::asin, LAST_PLACE, edge);
    same(ArcTrig::acos, StrictMath::acos, LAST_PLACE, edge);
    same(ArcTrig::atan, StrictMath::atan, LAST_PLACE, () -> ofAnySize(chance, -40, 80));
  }

  @Test
  void directionsOfPointsAllAround() {
    Random chance = new Random(5);
    DoubleBinaryOperator ours = ArcTrig::atan2, strict = StrictMath::atan2;
    for (int i = 0; i < MANY; i++) {
      double x = ofAnySize(chance, -30, 30), y = ofAnySize(chance, -30, 30);
      same(ours.applyAsDouble(y, x), strict.applyAsDouble(y, x), LAST_PLACE, y + ", " + x);
    }
    double[] kinds = {
      0.0, -0.0, 1, -1, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NaN
    };
    for (double y : kinds)
      for (double x : kinds)
        if (!Double.isInfinite(x) || !Double.isInfinite(y))
          assertEquals(StrictMath.atan2(y, x), ArcTrig.atan2(y, x), y + ", " + x);
  }

  @Test
  void powersAndLogarithms() {
    Random chance = new Random(6);
    same(Powers::exp, StrictMath::exp, LAST_PLACE, () -> ofAnySize(chance, -40, 9));
    same(Powers::log, StrictMath::log, LAST_PLACE, () -> Math.abs(ofAnySize(chance, -1000, 1000)));
    same(Powers::log, StrictMath::log, LAST_PLACE, () -> 0.5 + chance.nextDouble());
    same(Powers::cosh, StrictMath::cosh, 3, () -> ofAnySize(chance, -40, 9));
    same(Powers::sinh, StrictMath::sinh, 3, () -> ofAnySize(chance, -40, 9));
    for (int i = 0; i < MANY; i++) {
      double x = Math.abs(ofAnySize(chance, -10, 10)), y = ofAnySize(chance, -5, 3);
      same(Powers.pow(x, y), StrictMath.pow(x, y), LAST_PLACE, x + " to the " + y);
    }
    for (double x : new double[] {0, 1e-310, 0.5, 1, 2, 1e300, Double.POSITIVE_INFINITY, -1})
      for (double y : new double[] {0, 1, 2, -2, 3.5, 400, -400, Double.NaN})
        if (x >= 0 || y != Math.rint(y))
          same(Powers.pow(x, y), StrictMath.pow(x, y), LAST_PLACE, x + " to the " + y);
    for (int n = -22; n <= 22; n++) same(Powers.tenTo(n), StrictMath.pow(10, n), 1, "10 to " + n);
  }

  @Test
  void whatHasNoBoundsOrNoValue() {
    double endless = Double.POSITIVE_INFINITY;
    for (double x :
        new double[] {0.0, -0.0, 1, -1, 2, endless, -endless, Double.NaN, 1e-320, 800}) {
      assertEquals(StrictMath.sin(x), Trig.sin(x), 1e-15);
      assertEquals(StrictMath.cos(x), Trig.cos(x), 1e-15);
      assertEquals(StrictMath.asin(x), ArcTrig.asin(x), 1e-15);
      assertEquals(StrictMath.acos(x), ArcTrig.acos(x), 1e-15);
      assertEquals(StrictMath.atan(x), ArcTrig.atan(x), 1e-15);
      assertEquals(StrictMath.exp(x), Powers.exp(x), 1e-15);
      assertEquals(StrictMath.log(x), Powers.log(x), 1e-12);
    }
    assertEquals(0, Powers.exp(-746));
    assertEquals(endless, Powers.exp(710));
    assertEquals(0, ArcTrig.acos(1));
    assertEquals(Math.PI, ArcTrig.acos(-1));
  }
}
