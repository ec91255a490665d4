package kite.render;

import static kite.render.Squares.at;
import static kite.render.Squares.covering;
import static kite.render.Squares.eye;
import static kite.render.Squares.glowing;
import static kite.render.Squares.lying;
import static kite.render.Squares.plain;
import static kite.render.Squares.sky;
import static kite.render.Squares.square;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import kite.core.math.Matrix;
import org.junit.jupiter.api.Test;

/** Mirrors, glow, relief, and what can be seen through, against what they must look like. */
class SurfacesTest {
  private static final int SIZE = 64;

  private static Rendered rendered(Sky sky, int samples, boolean bounce, Placed... all) {
    Wanted w = new Wanted(EnumSet.allOf(Pass.class), List.of(), true, bounce);
    Standing s = new Standing(List.of(all), eye());
    Map<Pass, Map<String, String>> none =
        Map.of(Pass.PIECES, Map.of(), Pass.GROUPS, Map.of(), Pass.LAYERS, Map.of());
    return new FrameRenderer(
            List.of(new Moment(Scene.of(List.of(all)), Surroundings.of(sky), eye())),
            w,
            new Data(s, s, none))
        .renderPasses(SIZE, SIZE, Quality.exact(samples), 2, () -> false);
  }

  private static double mean(Rendered r, String layer, int channel, int x, int y, int about) {
    double sum = 0;
    for (int j = y - about; j <= y + about; j++)
      for (int i = x - about; i <= x + about; i++)
        sum += PassesTest.layer(r, layer).planes()[channel][j * SIZE + i];
    return sum / (2 * about + 1) / (2 * about + 1);
  }

  private static Material metal(double roughness) {
    return new Material(0.8, 0.8, 0.8, roughness, 1, null);
  }

  @Test
  void aMirrorShowsWhatTheLawOfReflectionSays() {
    // a glowing square 2 m above a mirror floor 1 m below the eye, 6 m ahead: its image stands as
    // far below the floor, at a slope of −3 / 6
    Placed mirror = square("floor", metal(0), 20, lying(0, -1, -6));
    Placed lamp = square("lamp", glowing(3, 0, 0), 0.2, at(0, 1, -6.0));
    Rendered r = rendered(Squares.DARK, 4, false, mirror, lamp);
    // slope −3 / 6 is the lower edge; a little above it the lamp's lower part is seen
    double slope = -(3 - 0.15) / 6;
    int row = (int) ((0.5 - slope) * SIZE);
    assertTrue(mean(r, "reflection", 0, 32, row, 0) > 2, "" + mean(r, "reflection", 0, 32, row, 0));
    assertEquals(0, mean(r, "reflection", 0, 32, row - 5, 0), 1e-9, "the mirror is dark beside it");
    assertEquals(3, mean(r, "emission", 0, 32, (int) ((0.5 - 1 / 6.0) * SIZE), 0), 1e-6);
  }

  /** In a sky that is the same everywhere a metal looks like its colour, smooth or rough. */
  @Test
  void aMetalInAnEvenSkyHasItsOwnColour() {
    for (double roughness : new double[] {0, 0.1, 0.3}) {
      Rendered r =
          rendered(sky(0.5, 0), 64, false, square("ball", metal(roughness), 3, at(0, 0, -4)));
      // below the horizon the sky is dimmer: look where what is mirrored is above it
      double seen = mean(r, "reflection", 0, 32, 6, 2);
      assertEquals(0.4, seen, 0.05, "roughness " + roughness);
    }
  }

  /** The rougher, the softer the edge of what is mirrored. */
  @Test
  void roughnessSoftensWhatIsMirrored() {
    double last = 0;
    for (double roughness : new double[] {0.02, 0.2, 0.4}) {
      Placed mirror = square("floor", metal(roughness), 20, lying(0, -1, -6));
      Placed lamp = square("lamp", glowing(3, 3, 3), 1, at(0, 0.5, -6));
      Rendered r = rendered(Squares.DARK, 64, false, mirror, lamp);
      int wide = 0;
      for (int x = 0; x < SIZE; x++) {
        double v = mean(r, "reflection", 0, x, 50, 0);
        if (v > 0.05 && v < 1.5) wide++;
      }
      assertTrue(wide >= last, roughness + ": " + wide + " after " + last);
      last = wide;
    }
    assertTrue(last > 6, "" + last);
  }

  @Test
  void whatIsDullAndNoMetalMirrorsNothing() {
    Rendered r = rendered(sky(0.5, 0), 4, false, square("wall", plain(0.5), 3, at(0, 0, -4)));
    assertEquals(0, mean(r, "reflection", 0, 32, 32, 4));
  }

  @Test
  void lightBouncesFromAWallOntoTheFloorWhereItIsAskedFor() {
    Material red = new Material(0.9, 0.05, 0.05, 1, 0, null);
    Placed floor = square("floor", plain(0.8), 6, lying(0, -1, -6)),
        wall = square("wall", red, 2, at(0, 1, -6));
    // the sun comes from behind the camera and lights the wall
    Rendered with = rendered(sky(0, 3), 64, true, floor, wall);
    int row = (int) ((0.5 + 1 / 5.5) * SIZE); // floor half a metre before the wall
    double r = mean(with, "bounce", 0, 32, row, 1), g = mean(with, "bounce", 1, 32, row, 1);
    assertTrue(r > 0.05 && r > 5 * g, r + " and " + g);
    Rendered without = rendered(sky(0, 3), 16, false, floor, wall);
    assertEquals(0, mean(without, "bounce", 0, 32, row, 1));
  }

  /** A closed room that glows evenly: one bounce adds the colour's share of the glow. */
  @Test
  void oneBounceInAnEvenRoomAddsItsShare() {
    Material m =
        new Material(
            0.5,
            0.5,
            0.5,
            1,
            0,
            null,
            null,
            null,
            Material.SeeThrough.NOT,
            new Material.Glow(1, 1, 1, null));
    double[] left = at(-4, 0, -2), right = at(4, 0, -2);
    turn(left, 1);
    turn(right, -1);
    Placed[] room = {
      square("back", m, 8, at(0, 0, -6)),
      square("front", m, 8, at(0, 0, 2)),
      square("floor", m, 8, lying(0, -4, -2)),
      square("top", m, 8, lying(0, 4, -2)),
      square("left", m, 8, left),
      square("right", m, 8, right)
    };
    Rendered r = rendered(Squares.DARK, 64, true, room);
    assertEquals(0.5, mean(r, "bounce", 0, 32, 32, 6), 0.01);
  }

  private static void turn(double[] m, double side) {
    m[Matrix.XX] = 0;
    m[Matrix.XZ] = -side;
    m[Matrix.ZX] = side;
    m[Matrix.ZZ] = 0;
  }

  @Test
  void whatIsCutOutIsThereOrNot() {
    // the left half of its texture covers nothing
    Texture half = new Texture(2, 1, new int[] {0x00ffffff, 0xffffffff});
    Material leaf =
        new Material(
            1,
            1,
            1,
            1,
            0,
            half,
            null,
            null,
            new Material.SeeThrough(Material.SeeThrough.Kind.CUT_OUT, 1, 0.5),
            Material.Glow.NONE);
    Placed back = square("back", glowing(0, 0, 5), 3, at(0, 0, -8));
    Rendered r = rendered(sky(0.5, 1), 4, false, square("leaf", leaf, 1, at(0, 0, -4)), back);
    // a texture repeats: its halves blend about the middle and the edges
    assertEquals(5, mean(r, "emission", 2, 24, 32, 1), 1e-6, "the hole shows what is behind");
    assertEquals(0, mean(r, "emission", 2, 40, 32, 1), 1e-6);
    assertTrue(mean(r, "diffuse", 0, 40, 32, 1) > 0.2);
  }

  @Test
  void whatIsBlendedShowsItsShareOfWhatIsBehind() {
    Placed back = square("back", glowing(0, 0, 4), 6, at(0, 0, -8)),
        glass = square("glass", covering(Material.SeeThrough.Kind.BLENDED, 0.25), 1, at(0, 0, -4)),
        second = square("two", covering(Material.SeeThrough.Kind.BLENDED, 0.5), 1, at(0, 0, -5));
    Rendered r = rendered(Squares.DARK, 256, false, back, glass);
    assertEquals(3, mean(r, "emission", 2, 32, 32, 3), 0.05);
    r = rendered(Squares.DARK, 256, false, back, glass, second);
    assertEquals(1.5, mean(r, "emission", 2, 32, 32, 3), 0.08, "one behind the other");
  }

  @Test
  void shadowsFallThroughHoles() {
    Placed wall = square("wall", plain(0.5), 3, at(0, 0, -4));
    Placed net = square("net", covering(Material.SeeThrough.Kind.CUT_OUT, 0.2), 1, at(0, 0, 2));
    Placed gauze = square("gauze", covering(Material.SeeThrough.Kind.BLENDED, 0.4), 1, at(0, 0, 2));
    double free = mean(rendered(sky(0, 2), 4, false, wall), "diffuse", 0, 32, 32, 2);
    assertEquals(
        free, mean(rendered(sky(0, 2), 4, false, wall, net), "diffuse", 0, 32, 32, 2), 1e-6);
    assertEquals(
        0.6 * free,
        mean(rendered(sky(0, 2), 256, false, wall, gauze), "diffuse", 0, 32, 32, 2),
        0.02 * free);
  }

  /** A relief that is the same everywhere. */
  private static Material leaning(int direction) {
    return new Material(
        0.5,
        0.5,
        0.5,
        1,
        0,
        null,
        null,
        new Material.Relief(new Texture(1, 1, new int[] {direction}), 1),
        Material.SeeThrough.NOT,
        Material.Glow.NONE);
  }

  /** A relief that leans to the right by 45° everywhere is lit like a wall that does. */
  @Test
  void aReliefTurnsTheNormal() {
    int lean = 0xff000000 | 218 << 16 | 128 << 8 | 218; // (0.71, 0, 0.71)
    Material relief = leaning(lean);
    Rendered flat = rendered(sky(0, 2), 4, false, square("flat", plain(0.5), 3, at(0, 0, -4)));
    Rendered bumped = rendered(sky(0, 2), 4, false, square("bumped", relief, 3, at(0, 0, -4)));
    assertEquals(Math.sqrt(0.5), mean(bumped, "normal", 0, 32, 32, 0), 0.01);
    assertEquals(0, mean(bumped, "normal", 1, 32, 32, 0), 0.01);
    assertEquals(
        Math.sqrt(0.5),
        mean(bumped, "diffuse", 0, 32, 32, 0) / mean(flat, "diffuse", 0, 32, 32, 0),
        0.01);
    int up = 0xff000000 | 128 << 16 | 218 << 8 | 218;
    Material upwards = leaning(up);
    Rendered leaning = rendered(sky(0, 2), 4, false, square("up", upwards, 3, at(0, 0, -4)));
    assertEquals(Math.sqrt(0.5), mean(leaning, "normal", 1, 32, 32, 0), 0.01, "green is up");
  }

  /** Green is roughness and blue is metal, each multiplied with the material's own. */
  @Test
  void aFinishImageSaysHowRoughAndHowMetal() {
    Texture smoothMetal = new Texture(1, 1, new int[] {0xff0000ff});
    Material m =
        new Material(
            0.8,
            0.8,
            0.8,
            1,
            1,
            null,
            smoothMetal,
            null,
            Material.SeeThrough.NOT,
            Material.Glow.NONE);
    Rendered r = rendered(sky(0.5, 0), 4, false, square("wall", m, 3, at(0, 0, -4)));
    assertEquals(0.4, mean(r, "reflection", 0, 32, 6, 1), 0.01);
    assertEquals(0, mean(r, "ambient", 0, 32, 6, 1), 1e-9);
  }
}
