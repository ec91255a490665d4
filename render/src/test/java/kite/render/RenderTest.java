package kite.render;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.math.Matrix;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;
import kite.render.trace.MeshTree;
import org.junit.jupiter.api.Test;

class RenderTest {
  private static final Sky DARK =
      new Sky(new double[] {0, 0, 1}, new double[] {3, 3, 3}, new double[3], new double[3], 0);
  private static final DeliveryWindow WINDOW = new DeliveryWindow(-0.5, 0.5, -0.5, 0.5);

  private static Placed square(Material material, double x, double y, double z, double half) {
    float[] p = {
      (float) (x - half),
      (float) (y - half),
      (float) z,
      (float) (x + half),
      (float) (y - half),
      (float) z,
      (float) (x + half),
      (float) (y + half),
      (float) z,
      (float) (x - half),
      (float) (y + half),
      (float) z
    };
    float[] n = {0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1}, uv = {0, 1, 1, 1, 1, 0, 0, 0};
    int[] corners = {0, 1, 2, 0, 2, 3};
    Surface s = new Surface(p, n, uv, null, corners, material, MeshTree.of(p, corners));
    return new Placed("square", s, Matrix.newIdentity(), null);
  }

  private static Scene scene(Placed... all) {
    return Scene.of(List.of(all));
  }

  private static CameraView eye(double near, double far, double focus, double pupil) {
    return new CameraView(Matrix.newIdentity(), WINDOW, near, far, focus, pupil);
  }

  private static int red(Picture p, int x, int y) {
    return p.argb()[y * p.width() + x] >> 16 & 255;
  }

  @Test
  void aMattSquareFacingTheSunHasLambertsBrightness() {
    Scene t = scene(square(new Material(0.5, 0.5, 0.5, 1, 0, null), 0, 0, -4, 1));
    Picture p = new Still(t, DARK).render(eye(0.1, 100, 4, 0), 64, 64, 4, 1, () -> false);
    // diffuse: 0.5/π × 3 × (1 − 0.04); gloss of full roughness adds f0 × 3/(4π)
    double linear = 0.5 / Math.PI * 3 * 0.96 + 0.04 * 3 / (4 * Math.PI);
    assertEquals(Light.screen(linear), red(p, 32, 32), 2);
    assertEquals(0, red(p, 2, 2), "outside it is dark");
  }

  @Test
  void edgesFallWhereTheWindowPutsThem() {
    Scene t =
        scene(square(Material.STAND_IN, 0, 0, -4, 1)); // reaches ±0.25 of slope: the middle half
    Picture p = new Still(t, DARK).render(eye(0.1, 100, 4, 0), 100, 100, 16, 2, () -> false);
    assertTrue(red(p, 26, 50) > 50 && red(p, 73, 50) > 50);
    assertTrue(red(p, 23, 50) == 0 && red(p, 76, 50) == 0);
  }

  @Test
  void clipsAreMeasuredAlongTheAxis() {
    Scene t =
        scene(square(Material.STAND_IN, 1.6, 0, -4, 0.3)); // farther than 4 m on a straight line
    for (double[] clips : new double[][] {{3.99, 4.01, 1}, {4.01, 9, 0}, {0.1, 3.99, 0}}) {
      Picture p =
          new Still(t, DARK).render(eye(clips[0], clips[1], 4, 0), 64, 64, 1, 1, () -> false);
      assertEquals(clips[2] == 1, red(p, 57, 32) > 0, clips[0] + " to " + clips[1]);
    }
  }

  @Test
  void aPointBlursToTheDiscTheOpticsSay() {
    // f 50 mm at f/1 focused at 2 m; a small bright square at 4 m; film 6.25 mm wide over 200
    // pixels
    DepthOfField d = new DepthOfField(50, 1, 0.03, 2);
    double filmMm = 6.25, px = 200;
    DeliveryWindow w = new DeliveryWindow(-0.0625, 0.0625, -0.0625, 0.0625);
    Scene t = scene(square(Material.STAND_IN, 0, 0, -4, 0.004));
    Sky bright =
        new Sky(
            new double[] {0, 0, 1}, new double[] {4e5, 4e5, 4e5}, new double[3], new double[3], 0);
    CameraView v = new CameraView(Matrix.newIdentity(), w, 0.1, 100, 2, d.pupilRadiusM());
    Picture p = new Still(t, bright).render(v, (int) px, (int) px, 400, 2, () -> false);
    int left = 200, right = 0;
    for (int x = 0; x < 200; x++)
      for (int y = 96; y < 105; y++)
        if (red(p, x, y) > 20) {
          left = Math.min(left, x);
          right = Math.max(right, x);
        }
    double want = d.blurMm(4) / filmMm * px + 2 * 0.004 / 4 / 0.125 * px;
    assertEquals(want, right - left + 1, want * 0.1);
  }

  @Test
  void texturesLieAsTheirPlacesSay() {
    Texture halves = new Texture(2, 2, new int[] {0xffffffff, 0xff000000, 0xffffffff, 0xff000000});
    Scene t = scene(square(new Material(1, 1, 1, 1, 0, halves), 0, 0, -4, 1));
    Picture p = new Still(t, DARK).render(eye(0.1, 100, 4, 0), 64, 64, 4, 1, () -> false);
    assertTrue(
        red(p, 24, 32) > 150 && red(p, 40, 32) < 90, "white on the left, black on the right");
  }

  @Test
  void thePictureDoesNotDependOnTheThreadsAndStopsWhenAsked() {
    Scene t = scene(square(Material.STAND_IN, 0.3, 0.2, -4, 1));
    Still r =
        new Still(
            t,
            new Sky(
                new double[] {0.5, 0.5, 0.7},
                new double[] {3, 3, 3},
                new double[] {0.2, 0.3, 0.5},
                new double[] {0.7, 0.6, 0.5},
                0.05));
    CameraView v = eye(0.1, 100, 3, 0.02);
    int[] one = r.render(v, 70, 70, 8, 1, () -> false).argb(),
        four = r.render(v, 70, 70, 8, 4, () -> false).argb();
    assertArrayEquals(one, four);
    assertNotEquals(one[0], one[35 * 70 + 35]);
    assertNull(r.render(v, 70, 70, 8, 2, () -> true));
  }

  @Test
  void anEmptySceneIsSky() {
    Sky sky =
        new Sky(
            new double[] {0, 1, 0},
            new double[3],
            new double[] {0, 0, 1},
            new double[] {1, 1, 1},
            0);
    Picture p = new Still(scene(), sky).render(eye(0.1, 100, 4, 0), 32, 32, 1, 1, () -> false);
    assertTrue(red(p, 16, 14) > red(p, 16, 0), "paler towards the horizon");
  }
}
