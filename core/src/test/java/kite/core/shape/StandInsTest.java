package kite.core.shape;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.Vec3;
import org.junit.jupiter.api.Test;

class StandInsTest {
  private static Shape.StandIn of(StandInKind kind, Shape.Stance stance) {
    double height = kind == StandInKind.PLANE ? 0 : 1.8;
    return new Shape.StandIn(kind, 1.4, height, 1.1, stance);
  }

  private static double[] bounds(Mesh m) {
    double inf = Double.POSITIVE_INFINITY;
    double[] b = {inf, inf, inf, -inf, -inf, -inf};
    for (int i = 0; i < m.positions().length; i++) {
      b[i % 3] = Math.min(b[i % 3], m.positions()[i]);
      b[i % 3 + 3] = Math.max(b[i % 3 + 3], m.positions()[i]);
    }
    return b;
  }

  @Test
  void everyStandInStandsOnItsOriginAndIsAsHighAsItSays() {
    for (StandInKind kind : StandInKind.values()) {
      Shape.StandIn s = of(kind, null);
      double[] b = bounds(StandIns.mesh(s, "#a0b0c0"));
      assertEquals(0, b[1], 0.02, kind + " stands on the ground");
      assertEquals(s.height(), b[4], s.height() * 0.06 + 1e-6, kind + " is as high as it says");
      // a figure's arms and shoes may reach a little past its shoulders
      double slack = kind.isFigure() ? 0.35 : kind == StandInKind.VEHICLE ? 0.12 : 0.02;
      assertTrue(b[3] - b[0] <= s.width() * (1 + slack), kind + " is no wider: " + (b[3] - b[0]));
      assertTrue(b[3] - b[0] >= s.width() * 0.9, kind + " is as wide: " + (b[3] - b[0]));
    }
  }

  @Test
  void everyFaceLooksOutward() {
    // the volume of a closed solid by the divergence theorem is positive only then
    for (StandInKind kind : StandInKind.values()) {
      if (kind == StandInKind.PLANE) continue;
      Mesh m = StandIns.mesh(of(kind, null), "#a0b0c0");
      double volume = 0;
      for (int t = 0; t < m.triangles(); t++) {
        Vec3 a = corner(m, t * 3), b = corner(m, t * 3 + 1), c = corner(m, t * 3 + 2);
        volume += a.dot(b.cross(c)) / 6;
      }
      assertTrue(volume > 0.01, kind + " holds " + volume);
    }
  }

  private static Vec3 corner(Mesh m, int i) {
    int k = m.indices()[i] * 3;
    return new Vec3(m.positions()[k], m.positions()[k + 1], m.positions()[k + 2]);
  }

  @Test
  void stairsRiseInComfortableSteps() {
    Mesh m = StandIns.mesh(new Shape.StandIn(StandInKind.STAIRS, 1.2, 2.7, 4), "#a0b0c0");
    long treads =
        java.util.stream.IntStream.range(0, m.positions().length / 3)
            .mapToObj(i -> Math.round(m.positions()[i * 3 + 1] * 1000))
            .distinct()
            .count();
    assertEquals(15 + 1, treads, "2.7 m in steps of 18 cm, and the ground");
  }

  @Test
  void theEyesOfAFigureGoWithItsHead() {
    for (StandInKind kind :
        new StandInKind[] {StandInKind.ADULT, StandInKind.CHILD, StandInKind.SITTING}) {
      Vec3 ahead = StandIns.anchor(of(kind, null), "eyes");
      assertTrue(ahead.z() < 0, "it looks along −Z");
      assertTrue(ahead.y() > 1.4 && ahead.y() < 1.8, "near the top: " + ahead.y());
      Vec3 left = StandIns.anchor(of(kind, new Shape.Stance(90, 0, 0, 0, 0)), "eyes");
      assertEquals(-ahead.x() + left.x(), ahead.z(), 1e-9, "turned to its left, towards −X");
      assertEquals(0, left.z(), 1e-9);
      Vec3 bent = StandIns.anchor(of(kind, new Shape.Stance(0, 0, 0, 0, 60)), "eyes");
      assertTrue(bent.y() < ahead.y() - 0.1 && bent.z() < ahead.z() - 0.2, "bent forward and down");
    }
  }

  private static Shape.StandIn adult(Shape.Stance stance) {
    return new Shape.StandIn(StandInKind.ADULT, 0.52, 1.8, 0.32, stance);
  }

  @Test
  void aRaisedArmReachesForwardThenUp() {
    double hanging = bounds(StandIns.mesh(adult(null), "#a0b0c0"))[2];
    Shape.Stance ahead = new Shape.Stance(0, 0, 0, 90, 0), up = new Shape.Stance(0, 0, 180, 0, 0);
    double[] forward = bounds(StandIns.mesh(adult(ahead), "#a0b0c0"));
    assertTrue(forward[2] < hanging - 0.1, "the hand is in front: " + forward[2]);
    double[] high = bounds(StandIns.mesh(adult(up), "#a0b0c0"));
    assertTrue(high[4] > 1.85, "the hand is over the head: " + high[4]);
  }
}
