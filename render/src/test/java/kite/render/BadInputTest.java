package kite.render;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import kite.core.light.Haze;
import kite.core.math.Matrix;
import kite.core.optics.DeliveryWindow;
import kite.render.trace.MeshTree;
import org.junit.jupiter.api.Test;

/** Whatever comes in, a picture comes out, or a sentence. */
class BadInputTest {
  private static final DeliveryWindow WINDOW = new DeliveryWindow(-0.5, 0.5, -0.5, 0.5);

  private static Sky sky(double sun) {
    return new Sky(
        new double[] {0.3, 0.9, 0.3},
        new double[] {sun, sun, sun},
        new double[] {0.2, 0.3, 0.5},
        new double[] {0.7, 0.6, 0.5},
        0.05);
  }

  private static CameraView eye(double[] world) {
    return new CameraView(world, WINDOW, 0.1, 100, 4, 0.01);
  }

  private static Placed mesh(float[] p, int... corners) {
    float[] n = new float[p.length];
    Arrays.fill(n, 1);
    Surface s = new Surface(p, n, null, null, corners, Material.STAND_IN, MeshTree.of(p, corners));
    return new Placed("mesh", s, Matrix.newIdentity(), "mesh");
  }

  private static int[] picture(Sky sky, int width, int height, double[] eye, Placed... all) {
    return new Still(Scene.of(List.of(all)), sky)
        .render(eye(eye), width, height, Quality.upTo(8), 2, () -> false)
        .argb();
  }

  private static boolean opaque(int[] argb) {
    return Arrays.stream(argb).allMatch(p -> p >>> 24 == 255);
  }

  @Test
  void trianglesOfNoSizeAndCornersThatAreNowhere() {
    float nan = Float.NaN, inf = Float.POSITIVE_INFINITY, most = Float.MAX_VALUE;
    float[] p = {
      0, 0, -4, 1, 0, -4, 0, 1, -4, nan, 0, -4, 0, inf, -4, 0, 0, -4, most, most, -4, -1, -1, -4
    };
    Placed mixed = mesh(p, 0, 0, 0, 0, 1, 1, 0, 3, 1, 0, 1, 4, 5, 0, 5, 0, 1, 2);
    int[] argb = picture(sky(2), 24, 24, Matrix.newIdentity(), mixed);
    assertTrue(opaque(argb));
    int[] alone = picture(sky(2), 24, 24, Matrix.newIdentity(), mesh(p, 0, 1, 2));
    assertEquals(alone[9 * 24 + 12], argb[9 * 24 + 12], "the one that is right is there");
    assertTrue(opaque(picture(sky(2), 24, 24, Matrix.newIdentity(), mesh(p, 0, 1, 6, 0, 1, 2))));
  }

  @Test
  void aMeshWithoutTrianglesAndASceneWithoutMeshes() {
    int[] none = picture(sky(2), 8, 8, Matrix.newIdentity());
    assertTrue(opaque(none));
    assertTrue(
        Arrays.equals(none, picture(sky(2), 8, 8, Matrix.newIdentity(), mesh(new float[9]))));
  }

  @Test
  void anEyeInsideAndAnEyeNowhere() {
    float[] p = {-1, -1, -1, 3, -1, -1, -1, 3, -1, -1, -1, 3};
    Placed around = mesh(p, 0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3);
    assertTrue(opaque(picture(sky(2), 16, 16, Matrix.newIdentity(), around)));
    double[] nowhere = Matrix.newIdentity();
    nowhere[Matrix.OX] = Double.NaN;
    assertTrue(opaque(picture(sky(2), 16, 16, nowhere, around)));
  }

  @Test
  void noLightAndFarTooMuch() {
    float[] p = {-9, -1, -9, 9, -1, -9, 0, -1, 3};
    for (double sun : new double[] {0, 1e9, Double.MAX_VALUE}) {
      int[] argb = picture(sky(sun), 16, 16, Matrix.newIdentity(), mesh(p, 0, 2, 1));
      assertTrue(opaque(argb));
      int floor = argb[14 * 16 + 8] >> 8 & 255;
      assertTrue(sun == 0 ? floor < 255 : floor == 255, sun + " gives " + floor);
    }
  }

  @Test
  void hazeThatHidesEverythingAndAPictureOfOnePixel() {
    Surroundings fog =
        new Surroundings(
            sky(2), List.of(), new Haze(1e9, 1), new double[] {1, 1, 1}, null, List.of());
    int[] argb =
        new Still(Scene.of(List.of()), fog)
            .render(eye(Matrix.newIdentity()), 1, 1, 1, 4, () -> false)
            .argb();
    assertEquals(1, argb.length);
    assertEquals(0xffffffff, argb[0]);
  }

  @Test
  void qualitiesHaveBounds() {
    assertThrows(IllegalArgumentException.class, () -> Quality.exact(0));
    assertThrows(IllegalArgumentException.class, () -> Quality.exact(1 << 20));
    assertThrows(IllegalArgumentException.class, () -> new Quality(4, Double.NaN));
  }
}
