package kite.core.path;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import kite.core.math.Vec3;
import org.junit.jupiter.api.Test;

class PathTableTest {
  private static PathTable random(long seed, boolean closed) {
    Random r = new Random(seed);
    List<PathPoint> points = new ArrayList<>();
    for (int i = 0; i < 6; i++)
      points.add(PathPoint.of(i * 3 + r.nextDouble() * 4, r.nextDouble() * 3, r.nextDouble() * 8));
    return new PathTable(points, PathStyle.THROUGH, closed);
  }

  @Test
  void aQuarterCircleHasItsKnownLengthAndRadius() {
    // the cubic of a quarter circle of radius 5: handles of 0.5522847 r, off the circle by 0.03 %
    double k = 0.5522847498 * 5;
    PathTable t =
        new PathTable(
            List.of(
                new PathPoint(new Vec3(5, 0, 0), Vec3.ZERO, new Vec3(0, 0, k)),
                new PathPoint(new Vec3(0, 0, 5), new Vec3(k, 0, 0), Vec3.ZERO)),
            PathStyle.BEZIER,
            false);
    assertEquals(Math.PI * 2.5, t.length(), 3e-4 * 8);
    assertEquals(0.2, t.curvature(0.5), 2e-3);
    assertEquals(5, t.tightestRadius(), 0.05);
  }

  @Test
  void lengthAgreesWithAFineWalk() {
    for (int seed = 0; seed < 10; seed++) {
      PathTable t = random(seed, seed % 2 == 0);
      double sum = 0;
      int n = 60000, segments = seed % 2 == 0 ? 6 : 5;
      Vec3 last = t.newPlace(0);
      for (int i = 1; i <= n; i++) {
        Vec3 p = t.newPlace((double) segments * i / n - (i == n ? 1e-12 : 0));
        sum += p.distance(last);
        last = p;
      }
      assertEquals(sum, t.length(), 1e-6 * sum);
    }
  }

  @Test
  void metresAndParameterAreEachOthersInverse() {
    PathTable t = random(7, false);
    for (double m = 0; m <= t.length(); m += t.length() / 97)
      assertEquals(m, t.metres(t.parameter(m)), 1e-6 * t.length());
  }

  @Test
  void evenProgressIsEvenSpeed() {
    PathTable t = random(11, false);
    int n = 4000;
    double step = t.length() / n;
    Vec3 last = t.newPlace(t.parameter(0));
    for (int i = 1; i < n; i++) {
      Vec3 p = t.newPlace(t.parameter(i * step));
      assertEquals(step, p.distance(last), step * 1e-3);
      last = p;
    }
  }

  @Test
  void aPathThroughPointsPassesThemAndAClosedOneComesRound() {
    List<PathPoint> points =
        List.of(PathPoint.of(0, 0, 0), PathPoint.of(4, 1, 0), PathPoint.of(5, 0, 7));
    PathTable t = new PathTable(points, PathStyle.THROUGH, true);
    for (int i = 0; i < 3; i++) assertEquals(0, t.newPlace(i).distance(points.get(i).at()), 1e-12);
    assertEquals(
        0,
        t.newPlace(t.parameter(t.length() * 1.25))
            .distance(t.newPlace(t.parameter(t.length() * 0.25))),
        1e-5);
  }

  @Test
  void uprightStaysAtRightAnglesAndNeverJumps() {
    PathTable t = random(5, false);
    double[] up = new double[3], along = new double[3];
    Vec3 last = null;
    for (double u = 0; u < 5; u += 0.01) {
      t.upright(u, up, 0);
      t.travel(u, along, 0);
      Vec3 now = new Vec3(up[0], up[1], up[2]);
      assertEquals(1, now.length(), 1e-9);
      assertEquals(0, now.dot(new Vec3(along[0], along[1], along[2])), 1e-9);
      if (last != null) assertTrue(now.distance(last) < 0.2);
      last = now;
    }
  }

  @Test
  void aSinglePointAndAZeroLengthPathStayPut() {
    for (PathTable t :
        List.of(
            new PathTable(List.of(PathPoint.of(1, 2, 3)), PathStyle.THROUGH, false),
            new PathTable(
                List.of(PathPoint.of(1, 2, 3), PathPoint.of(1, 2, 3)), PathStyle.THROUGH, false))) {
      assertEquals(0, t.length());
      assertEquals(new Vec3(1, 2, 3), t.newPlace(t.parameter(5)));
      double[] d = new double[3];
      t.travel(0, d, 0);
      assertEquals(-1, d[2]);
    }
  }

  /** The fastest turning of a direction along the path, radians a metre, and at the seam. */
  private static double fastest(PathTable t, boolean level) {
    double most = 0, step = t.length() / 40000;
    double[] last = null;
    for (double m = 0; m < 1.001 * t.length(); m += step) {
      double u = t.parameter(t.closed() ? m % t.length() : Math.min(m, t.length()));
      double[] up = new double[3];
      if (level) t.level(u, up, 0);
      else t.upright(u, up, 0);
      if (last != null) {
        double d = 0;
        for (int i = 0; i < 3; i++) d += (up[i] - last[i]) * (up[i] - last[i]);
        most = Math.max(most, Math.sqrt(d) / step);
      }
      last = up;
    }
    return most;
  }

  @Test
  void aClosedPathOutOfItsPlaneHasNoJumpAtItsSeamNorAtAnyRow() {
    for (int seed = 0; seed < 40; seed++) {
      PathTable t = random(seed, true);
      double turning = 1 / t.tightestRadius();
      // it turns with the path, and makes up at most half a turn along it
      assertTrue(
          fastest(t, false) < 1.02 * turning + Math.PI / t.length() + 1e-3,
          seed + ": " + fastest(t, false) + " for " + turning);
    }
  }

  @Test
  void aLevelCarriageGoesThroughAVerticalLoopWithoutAFlip() {
    // a loop of 3 m radius in a plane, drawn out sideways by so much
    for (double aside : new double[] {0, 1e-6, 0.5, 2})
      for (boolean closed : new boolean[] {false, true}) {
        List<PathPoint> points = new java.util.ArrayList<>();
        points.add(PathPoint.of(-8, 0, 0));
        for (int i = 0; i < 12; i++) {
          double a = 2 * Math.PI * i / 12;
          points.add(PathPoint.of(3 * Math.sin(a), 3 - 3 * Math.cos(a), aside * i / 12));
        }
        points.add(PathPoint.of(8, 0, aside));
        if (closed) points.add(PathPoint.of(0, -2, 9));
        PathTable t = new PathTable(points, PathStyle.THROUGH, closed);
        double most = fastest(t, true);
        assertTrue(most < 9, aside + ": " + most + " radians a metre");
        double[] up = new double[3], way = new double[3];
        for (double m = 0; m < t.length(); m += 0.01) {
          double u = t.parameter(m);
          t.level(u, up, 0);
          t.travel(u, way, 0);
          assertEquals(0, up[0] * way[0] + up[1] * way[1] + up[2] * way[2], 1e-9);
          if (Math.abs(way[1]) > Math.cos(Math.toRadians(20.01))) continue;
          // level: the sideways direction lies in the horizontal plane, and up is above
          assertEquals(0, way[2] * up[0] - way[0] * up[2], 1e-9);
          assertTrue(up[1] > 0);
        }
      }
  }

  @Test
  void theTightestRadiusIsThatOfAVeryFineWalk() {
    for (int seed = 0; seed < 60; seed++) {
      PathTable t = random(seed, seed % 2 == 0);
      double most = 0;
      int segments = seed % 2 == 0 ? 6 : 5;
      for (int i = 0; i < segments * 200000; i++) most = Math.max(most, t.curvature(i / 200000.0));
      assertEquals(1 / most, t.tightestRadius(), 1e-3 / most, "seed " + seed);
    }
  }
}
