package kite.e2e;

import java.io.BufferedOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.demo.SaltWind;
import kite.exchange.gltf.GlbReader;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.ModelGeometry;
import kite.render.Moment;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.SceneBuilder;
import kite.render.trace.MeshTree;
import kite.render.trace.SceneRay;
import kite.render.trace.SceneTree;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Measures the renderer; asserts nothing about time. Run by ./kite bench. */
@Tag("bench")
class RenderBenchTest {
  private static final int RAYS = 512 * 512;

  /** Corners and triangles. */
  private record Terrain(float[] positions, int[] indices) {

    /** Hills over a square of so many corners each way. */
    static Terrain of(int side) {
      Random r = new Random(2);
      double[] bump = new double[12];
      for (int i = 0; i < 12; i++) bump[i] = r.nextDouble() * 6;
      float[] p = new float[side * side * 3];
      for (int z = 0; z < side; z++)
        for (int x = 0; x < side; x++) {
          double u = x * 15.8 / (side - 1), v = z * 15.8 / (side - 1), h = 0;
          for (int i = 0; i < 6; i++)
            h +=
                Math.sin(u * (i + 1) * 0.4 + bump[i])
                    * Math.cos(v * (i + 1) * 0.3 + bump[i + 6])
                    / (i + 1);
          int o = (z * side + x) * 3;
          p[o] = (float) u;
          p[o + 1] = (float) h;
          p[o + 2] = (float) v;
        }
      int[] n = new int[(side - 1) * (side - 1) * 6];
      int k = 0;
      for (int z = 0; z + 1 < side; z++)
        for (int x = 0; x + 1 < side; x++) {
          int a = z * side + x;
          for (int q : new int[] {a, a + side, a + 1, a + 1, a + side, a + side + 1}) n[k++] = q;
        }
      return new Terrain(p, n);
    }
  }

  /** Origin and direction of rays from one eye through a picture's pixels, one after the other. */
  private static float[] cameraRays() {
    float[] r = new float[RAYS * 6];
    for (int i = 0; i < RAYS; i++) {
      int x = i % 512, y = i / 512;
      float[] one = {8, 6, -4, (x - 256) / 512f, -0.35f - (y - 256) / 512f * 0.6f, 1};
      System.arraycopy(one, 0, r, i * 6, 6);
    }
    return r;
  }

  /** Rays from anywhere just over the hills in any direction. */
  private static float[] anyRays() {
    Random g = new Random(5);
    float[] r = new float[RAYS * 6];
    for (int i = 0; i < RAYS; i++) {
      double y = 2 * g.nextDouble() - 1, turn = 2 * Math.PI * g.nextDouble();
      double k = Math.sqrt(1 - y * y);
      double[] one = {
        g.nextDouble() * 15.8,
        1 + g.nextDouble() * 2,
        g.nextDouble() * 15.8,
        k * Math.cos(turn),
        y,
        k * Math.sin(turn)
      };
      for (int a = 0; a < 6; a++) r[i * 6 + a] = (float) one[a];
    }
    return r;
  }

  /** The best of some runs over all rays, in rays a second, and how many met something. */
  private static double[] raysPerSecond(SceneTree tree, float[] rays) {
    double best = 0;
    int hits = 0;
    SceneRay r = new SceneRay();
    for (int run = 0; run < 12; run++) {
      long began = System.nanoTime();
      hits = 0;
      for (int i = 0; i < rays.length; i += 6)
        if (tree.nearest(
            r.set(
                rays[i], rays[i + 1], rays[i + 2], rays[i + 3], rays[i + 4], rays[i + 5], 0, 1e6)))
          hits++;
      best = Math.max(best, RAYS / ((System.nanoTime() - began) / 1e9));
    }
    return new double[] {best, hits};
  }

  @Test
  void raysBesideANativeLibrary() throws Exception {
    Terrain t = Terrain.of(317);
    SceneTree tree =
        new SceneTree(List.of(MeshTree.of(t.positions, t.indices)), List.of(Matrix.newIdentity()));
    float[][] rays = {cameraRays(), anyRays()};
    double[][] ours = {raysPerSecond(tree, rays[0]), raysPerSecond(tree, rays[1])};
    double[] theirs = nativeRays(t, rays);
    System.out.printf(
        "%nRays through a terrain of %,d triangles, one thread, by %s:%n",
        t.indices.length / 3, SceneTree.tracedBy());
    String[] kinds = {"camera rays", "rays anywhere"};
    for (int k = 0; k < 2; k++) {
      System.out.printf("  %-15s %5.2f million a second", kinds[k], ours[k][0] / 1e6);
      if (theirs != null)
        System.out.printf(
            "   native %5.2f: %.2f × of native   hits %,.0f and %,.0f",
            theirs[1 + 2 * k] / 1e6, ours[k][0] / theirs[1 + 2 * k], ours[k][1], theirs[2 + 2 * k]);
      System.out.println();
    }
    if (theirs == null)
      System.out.println(
          "  no comparison: it needs Debian's libembree-dev and a C compiler, which are not here");
  }

  /** Build seconds, then rays a second and hits of both kinds; null where they cannot be had. */
  private static double[] nativeRays(Terrain t, float[][] rays) throws Exception {
    if (!Files.exists(Path.of("/usr/include/embree3/rtcore.h"))) return null;
    Path folder = Files.createTempDirectory("native-rays");
    Path program = folder.resolve("rays"), data = folder.resolve("data");
    Process cc;
    try {
      cc =
          new ProcessBuilder(
                  "cc",
                  "-O3",
                  "-march=native",
                  "-o",
                  program.toString(),
                  "src/test/resources/native-rays.c",
                  "-lembree3")
              .inheritIO()
              .start();
    } catch (IOException noCompiler) {
      return null;
    }
    if (cc.waitFor() != 0) return null;
    try (DataOutputStream out =
        new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(data)))) {
      out.write(bytes(new int[] {t.positions.length / 3, t.indices.length / 3, RAYS}));
      out.write(bytes(t.positions));
      out.write(bytes(t.indices));
      for (float[] r : rays) out.write(bytes(r));
    }
    Process p = new ProcessBuilder(program.toString(), data.toString()).start();
    String said = new String(p.getInputStream().readAllBytes());
    if (!p.waitFor(2, TimeUnit.MINUTES) || p.exitValue() != 0) return null;
    return Arrays.stream(said.trim().split(" ")).mapToDouble(Double::parseDouble).toArray();
  }

  private static byte[] bytes(int[] v) {
    ByteBuffer b = ByteBuffer.allocate(v.length * 4).order(ByteOrder.nativeOrder());
    b.asIntBuffer().put(v);
    return b.array();
  }

  private static byte[] bytes(float[] v) {
    ByteBuffer b = ByteBuffer.allocate(v.length * 4).order(ByteOrder.nativeOrder());
    b.asFloatBuffer().put(v);
    return b.array();
  }

  @Test
  void buildingAndKeeping() {
    Terrain t = Terrain.of(708);
    double best = 1e9;
    MeshTree m = null;
    for (int run = 0; run < 6; run++) {
      long began = System.nanoTime();
      m = MeshTree.of(t.positions, t.indices);
      best = Math.min(best, (System.nanoTime() - began) / 1e6);
    }
    System.out.printf(
        "%nThe hierarchy of %,d triangles, %d processors: %.0f ms, %.0f MB a million%n",
        m.triangles(),
        Runtime.getRuntime().availableProcessors(),
        best,
        m.bytes() / 1e6 / (m.triangles() / 1e6));
    Terrain small = Terrain.of(159); // 49,928 triangles
    MeshTree one = MeshTree.of(small.positions, small.indices);
    List<MeshTree> meshes = new ArrayList<>();
    List<double[]> places = new ArrayList<>();
    for (int i = 0; i < 5000; i++) {
      double[] w = Matrix.newIdentity();
      w[Matrix.OX] = i % 71 * 16;
      w[Matrix.OZ] = i / 71 * 16;
      meshes.add(one);
      places.add(w);
    }
    long began = System.nanoTime();
    SceneTree many = new SceneTree(meshes, places);
    System.out.printf(
        "5,000 places of a mesh of %,d triangles: %.1f ms, %.0f bytes a place; the mesh once %.1f MB%n",
        one.triangles(),
        (System.nanoTime() - began) / 1e6,
        many.bytes() / 5000.0,
        one.bytes() / 1e6);
  }

  /** The demonstration's SW010 as a job renders it. */
  private static final class Demo {
    final Sequence s;
    final Plan plan;
    final SceneBuilder scenes;
    final Camera camera;

    Demo() throws Exception {
      SaltWind salt = new SaltWind();
      Map<String, ModelGeometry> models = new HashMap<>();
      for (SaltWind.Asset a : salt.assets())
        models.put(a.sha256(), GlbReader.read(a.bytes()).geometry());
      s = salt.sw010();
      plan = new Plan(s, a -> models.containsKey(a) ? models.get(a).rig() : null);
      scenes = new SceneBuilder(models::get);
      camera = (Camera) s.get("camA");
    }

    List<Moment> moments(int frame) {
      return Exposed.sharp(s, plan, camera, frame, scenes, a -> null);
    }

    static Picture picture(List<Moment> moments, int width, Quality q) {
      return new FrameRenderer(moments)
          .render(
              width, width * 9 / 16, q, Runtime.getRuntime().availableProcessors(), () -> false);
    }
  }

  @Test
  void aFrameOfTheDemonstration() throws Exception {
    Demo demo = new Demo();
    System.out.printf("%nSW010, camera A, 960×540, up to 16 samples:%n");
    for (int frame = 1040; frame < 1044; frame++) {
      long began = System.nanoTime();
      List<Moment> moments = demo.moments(frame);
      double setUp = (System.nanoTime() - began) / 1e9;
      began = System.nanoTime();
      Demo.picture(moments, 960, Quality.upTo(16));
      double render = (System.nanoTime() - began) / 1e9;
      System.out.printf(
          "  frame %d: %.2f s; set-up %.1f ms, %.2f %% of it%n",
          frame, render, setUp * 1e3, setUp / render * 100);
    }
  }

  @Test
  void howTheErrorFalls() throws Exception {
    Demo demo = new Demo();
    List<Moment> moments = demo.moments(1040);
    int width = 160;
    Picture all = Demo.picture(moments, width, Quality.exact(4096));
    System.out.printf(
        "%nError against 4,096 samples, steps of 8 bits (SW010, camera A, 160×90):%n");
    double before = 0;
    for (int n = 4; n <= 256; n *= 4) {
      double e = error(all, Demo.picture(moments, width, Quality.exact(n)));
      System.out.printf("  %4d samples %6.3f", n, e);
      if (before > 0)
        System.out.printf(
            "   falls by %.2f with four times the samples; at random by 2.00", before / e);
      System.out.println();
      before = e;
    }
    double e = error(all, Demo.picture(moments, width, Quality.upTo(16)));
    System.out.printf("  up to 16 where it is seen %6.3f%n", e);
  }

  private static double error(Picture a, Picture b) {
    double sum = 0;
    for (int i = 0; i < a.argb().length; i++)
      for (int shift = 0; shift < 24; shift += 8) {
        int d = (a.argb()[i] >> shift & 255) - (b.argb()[i] >> shift & 255);
        sum += d * d;
      }
    return Math.sqrt(sum / 3 / a.argb().length);
  }
}
