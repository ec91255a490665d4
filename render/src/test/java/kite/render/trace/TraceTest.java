package kite.render.trace;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import kite.core.math.Matrix;
import org.junit.jupiter.api.Test;

class TraceTest {
  private static final MeshTracer PLAIN = new PlainTracer(), VECTORS = new VectorTracer();

  /** A mesh as a test makes it. */
  private record Made(float[] positions, int[] indices) {
    MeshTree tree() {
      return MeshTree.of(positions, indices);
    }
  }

  private static Made soup(Random r, int triangles) {
    float[] p = new float[triangles * 9];
    for (int i = 0; i < triangles; i++)
      for (int a = 0; a < 3; a++) {
        float middle = r.nextFloat() * 20 - 10;
        for (int k = 0; k < 3; k++) p[i * 9 + k * 3 + a] = middle + r.nextFloat();
      }
    int[] n = new int[triangles * 3];
    for (int i = 0; i < n.length; i++) n[i] = i;
    return new Made(p, n);
  }

  /** A closed ball of so many stacks, its corners shared. */
  private static Made ball(int stacks, double radius, double[] middle) {
    int slices = stacks * 2;
    float[] p = new float[((stacks - 1) * slices + 2) * 3];
    int k = 0;
    for (int i = 1; i < stacks; i++)
      for (int j = 0; j < slices; j++) {
        double a = Math.PI * i / stacks, b = 2 * Math.PI * j / slices;
        p[k++] = (float) (middle[0] + radius * Math.sin(a) * Math.cos(b));
        p[k++] = (float) (middle[1] + radius * Math.cos(a));
        p[k++] = (float) (middle[2] + radius * Math.sin(a) * Math.sin(b));
      }
    int top = k / 3, bottom = top + 1;
    for (int s = 1; s >= -1; s -= 2) {
      p[k++] = (float) middle[0];
      p[k++] = (float) (middle[1] + s * radius);
      p[k++] = (float) middle[2];
    }
    List<Integer> n = new ArrayList<>();
    for (int j = 0; j < slices; j++) {
      int q = (j + 1) % slices, last = (stacks - 2) * slices;
      n.addAll(List.of(top, q, j, bottom, last + j, last + q));
      for (int i = 0; i < stacks - 2; i++) {
        int a = i * slices + j, b = i * slices + q, c = a + slices, d = b + slices;
        n.addAll(List.of(a, b, c, b, d, c));
      }
    }
    return new Made(p, n.stream().mapToInt(Integer::intValue).toArray());
  }

  private static Probe probe(double[] o, double[] d, float far) {
    Probe p = new Probe();
    p.set(o[0], o[1], o[2], d[0], d[1], d[2]);
    p.near = 0;
    p.far = far;
    return p;
  }

  /** The nearest hit by each triangle's plane and three inside tests: another method than ours. */
  private static double byTryingAll(Made m, double[] o, double[] d, double far) {
    double best = far;
    for (int i = 0; i < m.indices.length; i += 3) {
      double[][] p = new double[3][3];
      for (int k = 0; k < 9; k++) p[k / 3][k % 3] = m.positions[m.indices[i + k / 3] * 3 + k % 3];
      double[] n = cross(minus(p[1], p[0]), minus(p[2], p[0]));
      double s = dot(n, minus(p[0], o)) / dot(n, d);
      if (!(s > 0 && s < best)) continue;
      double[] at = {o[0] + s * d[0], o[1] + s * d[1], o[2] + s * d[2]};
      boolean in = true;
      for (int k = 0; k < 3; k++)
        in &= dot(n, cross(minus(p[(k + 1) % 3], p[k]), minus(at, p[k]))) >= 0;
      if (in) best = s;
    }
    return best;
  }

  private static double[] minus(double[] a, double[] b) {
    return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
  }

  private static double[] cross(double[] a, double[] b) {
    return new double[] {
      a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]
    };
  }

  private static double dot(double[] a, double[] b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  }

  @Test
  void theHierarchyFindsWhatTryingEveryTriangleFindsAndBothWaysAgreeToTheDigit() {
    Random r = new Random(6);
    Made m = soup(r, 3000);
    MeshTree t = m.tree();
    int hits = 0;
    for (int n = 0; n < 3000; n++) {
      double[] o = {r.nextGaussian() * 15, r.nextGaussian() * 15, r.nextGaussian() * 15};
      double[] d = {
        r.nextDouble() * 20 - 10 - o[0],
        n % 7 == 0 ? 0 : r.nextDouble() * 20 - 10 - o[1],
        n % 11 == 0 ? -0.0 : r.nextDouble() * 20 - 10 - o[2]
      };
      Probe a = probe(o, d, 100), b = probe(o, d, 100);
      boolean met = PLAIN.trace(t, a, false);
      assertEquals(met, VECTORS.trace(t, b, false));
      assertEquals(a.hit, b.hit);
      assertEquals(a.far, b.far, 0);
      assertEquals(a.u, b.u, 0);
      assertEquals(a.v, b.v, 0);
      assertEquals(met, PLAIN.trace(t, probe(o, d, 100), true));
      assertEquals(met, VECTORS.trace(t, probe(o, d, 100), true));
      double nearest = byTryingAll(m, o, d, 100);
      assertEquals(nearest < 100, met);
      if (met) {
        hits++;
        assertEquals(nearest, a.far, 1e-5 * Math.max(1, nearest));
      }
    }
    assertTrue(hits > 300, "too few rays met anything: " + hits);
  }

  /** A million rays at edges and corners that triangles share, from inside and from outside. */
  @Test
  void noRayGoesBetweenTrianglesThatShareAnEdgeOrACorner() {
    Random r = new Random(8);
    int leaked = 0;
    for (int set = 0; set < 20; set++) {
      double[] middle = {r.nextGaussian() * 30, r.nextGaussian() * 30, r.nextGaussian() * 30};
      double radius = Math.pow(10, r.nextDouble() * 3 - 1);
      int stacks = 6 + r.nextInt(40);
      Made m = ball(stacks, radius, middle);
      MeshTree t = m.tree();
      for (int n = 0; n < 50_000; n++) {
        int first = r.nextInt(m.indices.length / 3) * 3, k = r.nextInt(3);
        int a = m.indices[first + k] * 3, b = m.indices[first + (k + 1) % 3] * 3;
        double share = n % 3 == 0 ? 0 : n % 3 == 1 ? r.nextInt(5) / 4.0 : r.nextDouble();
        double[] to = new double[3], o = new double[3], d = new double[3];
        double away = n % 2 == 0 ? 0.4 : 30; // from inside; from far outside
        double x = r.nextGaussian(), y = r.nextGaussian(), z = r.nextGaussian();
        double l = Math.sqrt(x * x + y * y + z * z);
        double[] out = {x / l, y / l, z / l};
        for (int i = 0; i < 3; i++) {
          to[i] = m.positions[a + i] * (1 - share) + m.positions[b + i] * share;
          o[i] = (float) (middle[i] + out[i] * radius * away);
          d[i] = to[i] - o[i];
        }
        // from outside what is turned away is behind the ball's near side: a hit is due all the
        // same
        Probe p = probe(o, d, 1e9f), q = probe(o, d, 1e9f);
        boolean met = PLAIN.trace(t, p, false);
        assertEquals(met, VECTORS.trace(t, q, false));
        // an edge of the outline may be passed by on its outer side: faces there are all but seen
        // from the side, the more so the smaller they are
        boolean outline =
            away > 1
                && Math.abs(dot(minus(to, middle), d))
                    < Math.PI / stacks * 1.5 * radius * Math.sqrt(dot(d, d));
        if (!met && !outline) leaked++;
      }
    }
    assertEquals(0, leaked);
  }

  @Test
  void aTriangleThatIsNoneOrNowhereIsLeftOut() {
    float nan = Float.NaN, inf = Float.POSITIVE_INFINITY;
    float[] p = {0, 0, 0, 1, 0, 0, 0, 1, 0, nan, 0, 0, inf, 0, 0, 2, 0, 0};
    int[] n = {0, 1, 2, 0, 3, 1, 0, 1, 4, 0, 0, 0, 0, 1, 5};
    MeshTree t = MeshTree.of(p, n);
    for (MeshTracer m : List.of(PLAIN, VECTORS)) {
      Probe hit = probe(new double[] {0.2, 0.2, 3}, new double[] {0, 0, -1}, 100);
      assertTrue(m.trace(t, hit, false));
      assertEquals(0, t.triangle[hit.hit]);
      assertEquals(3, hit.far, 1e-6);
      assertFalse(
          m.trace(t, probe(new double[] {0.8, 0.8, 3}, new double[] {0, 0, -1}, 100), false));
      assertFalse(
          m.trace(
              MeshTree.of(p, new int[0]),
              probe(new double[3], new double[] {0, 0, -1}, 100),
              false));
    }
  }

  /** All in one place, and two million on one another: no level without end, no leaf too large. */
  @Test
  void whatLiesInOnePlaceStillMakesATree() {
    int n = 100_000;
    float[] p = {0, 0, 0, 1, 0, 0, 0, 1, 0};
    int[] all = new int[n * 3];
    for (int i = 0; i < all.length; i++) all[i] = i % 3;
    MeshTree t = MeshTree.of(p, all);
    assertEquals(n, Arrays.stream(t.triangle).filter(i -> i >= 0).distinct().count());
    Probe hit = probe(new double[] {0.2, 0.2, 3}, new double[] {0, 0, -1}, 100);
    assertTrue(VECTORS.trace(t, hit, false));
    assertEquals(3, hit.far, 1e-6);
  }

  @Test
  void aRefittedHierarchyFindsWhatANewOneFindsAndSaysWhenItIsPoor() {
    Random r = new Random(3);
    Made m = ball(30, 2, new double[3]);
    MeshTree rest = m.tree();
    float[] bent = m.positions.clone();
    for (int i = 0; i < bent.length; i += 3) bent[i] += 0.4f * (float) Math.sin(bent[i + 1] * 2);
    Made moved = new Made(bent, m.indices);
    MeshTree refitted = rest.refitted(bent, m.indices), anew = moved.tree();
    for (int n = 0; n < 4000; n++) {
      double[] o = {r.nextGaussian() * 4, r.nextGaussian() * 4, r.nextGaussian() * 4};
      double[] d = {-o[0] + r.nextGaussian(), -o[1] + r.nextGaussian(), -o[2] + r.nextGaussian()};
      Probe a = probe(o, d, 1e6f), b = probe(o, d, 1e6f);
      assertEquals(VECTORS.trace(anew, a, false), VECTORS.trace(refitted, b, false));
      assertEquals(a.far, b.far, 0);
    }
    assertTrue(refitted.cost() < 1.3 * rest.cost(), "a bend leaves neighbours neighbours");
    float[] torn = m.positions.clone();
    for (int i = 0; i < torn.length; i++) torn[i] = r.nextFloat();
    assertTrue(rest.refitted(torn, m.indices).cost() > 3 * rest.cost());
  }

  @Test
  void aMeshThatStandsInManyPlacesIsMetWhereverItStands() {
    Random r = new Random(5);
    Made m = soup(r, 300);
    MeshTree t = m.tree();
    List<MeshTree> meshes = new ArrayList<>();
    List<double[]> places = new ArrayList<>();
    List<Made> inWorld = new ArrayList<>();
    for (int i = 0; i < 40; i++) {
      double[] w = Matrix.newIdentity();
      double a = r.nextDouble() * 6, k = 0.1 + r.nextDouble() * (i % 3 == 0 ? -1 : 1);
      w[Matrix.XX] = Math.cos(a) * k;
      w[Matrix.XZ] = Math.sin(a) * k;
      w[Matrix.ZX] = -Math.sin(a) * 0.5;
      w[Matrix.ZZ] = Math.cos(a) * 0.5;
      w[Matrix.OX] = r.nextGaussian() * 15;
      w[Matrix.OY] = r.nextGaussian() * 10;
      w[Matrix.OZ] = r.nextGaussian() * 15;
      if (i == 7) w = Matrix.newIdentity();
      meshes.add(t);
      places.add(w);
      float[] p = new float[m.positions.length];
      double[] v = new double[3];
      for (int j = 0; j < p.length; j += 3) {
        Matrix.point(w, 0, m.positions[j], m.positions[j + 1], m.positions[j + 2], v, 0);
        for (int c = 0; c < 3; c++) p[j + c] = (float) v[c];
      }
      inWorld.add(new Made(p, m.indices));
    }
    double[] flat = Matrix.newIdentity();
    flat[Matrix.YY] = 0;
    assertTrue(SceneTree.flat(flat));
    meshes.add(t);
    places.add(flat);
    SceneTree scene = new SceneTree(meshes, places);
    SceneRay ray = new SceneRay(), shadow = new SceneRay();
    int hits = 0;
    for (int n = 0; n < 3000; n++) {
      double[] o = {r.nextGaussian() * 20, r.nextGaussian() * 10, r.nextGaussian() * 20};
      double[] d = {r.nextGaussian(), r.nextGaussian() * 0.2, r.nextGaussian()};
      double best = 200;
      int which = -1;
      for (int i = 0; i < inWorld.size(); i++) {
        double at = byTryingAll(inWorld.get(i), o, d, best);
        if (at < best) {
          best = at;
          which = i;
        }
      }
      boolean met = scene.nearest(ray.set(o[0], o[1], o[2], d[0], d[1], d[2], 0, 200));
      assertEquals(which >= 0, met);
      assertEquals(met, scene.blocked(shadow.set(o[0], o[1], o[2], d[0], d[1], d[2], 0, 200)));
      if (!met) continue;
      hits++;
      assertEquals(best, ray.far(), 1e-4 * Math.max(1, best));
      assertEquals(which, ray.placed());
    }
    assertTrue(hits > 200, "too few rays met anything: " + hits);
  }

  /** Thousands of places cost their places alone. */
  @Test
  void placesDoNotCopyTheirMesh() {
    MeshTree t = ball(20, 1, new double[3]).tree();
    List<MeshTree> meshes = new ArrayList<>();
    List<double[]> places = new ArrayList<>();
    for (int i = 0; i < 5000; i++) {
      double[] w = Matrix.newIdentity();
      w[Matrix.OX] = i % 71 * 3;
      w[Matrix.OZ] = i / 71 * 3;
      meshes.add(t);
      places.add(w);
    }
    long bytes = new SceneTree(meshes, places).bytes();
    assertTrue(bytes < 5000 * 250L, bytes + " bytes for 5,000 places");
  }

  @Test
  void theTreeIsTheSameHoweverManyThreadsBuildIt() throws Exception {
    Made m = soup(new Random(2), 60_000);
    MeshTree a = m.tree();
    MeshTree b = new java.util.concurrent.ForkJoinPool(1).submit(m::tree).get();
    assertTrue(Arrays.equals(a.box, b.box) && Arrays.equals(a.link, b.link));
    assertTrue(Arrays.equals(a.triangle, b.triangle));
  }
}
