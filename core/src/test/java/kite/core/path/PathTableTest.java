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
}
