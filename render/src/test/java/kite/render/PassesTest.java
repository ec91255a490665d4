package kite.render;

import static kite.render.Squares.at;
import static kite.render.Squares.eye;
import static kite.render.Squares.lying;
import static kite.render.Squares.plain;
import static kite.render.Squares.sky;
import static kite.render.Squares.square;
import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.light.Haze;
import kite.core.math.Matrix;
import org.junit.jupiter.api.Test;

/** What is kept beside the picture, against what geometry and the sum of light say. */
class PassesTest {
  private static final int SIZE = 64;
  private static final Wanted ALL = new Wanted(EnumSet.allOf(Pass.class), List.of(""), true, true);

  private static Map<Pass, Map<String, String>> named(String... pieces) {
    Map<String, String> own = new HashMap<>(), one = new HashMap<>();
    for (String p : pieces) {
      own.put(p, p);
      one.put(p, "all");
    }
    return Map.of(Pass.PIECES, own, Pass.GROUPS, one, Pass.LAYERS, one);
  }

  private static Rendered rendered(
      List<Placed> all, Surroundings around, Wanted w, Data d, int samples, int threads) {
    return new FrameRenderer(List.of(new Moment(Scene.of(all), around, eye())), w, d)
        .renderPasses(SIZE, SIZE, Quality.exact(samples), threads, () -> false);
  }

  private static Data still(List<Placed> all, String... pieces) {
    Standing s = new Standing(all, eye());
    return new Data(s, s, named(pieces));
  }

  static Layer layer(Rendered r, String name) {
    return r.layers().stream().filter(l -> l.name().equals(name)).findFirst().orElseThrow();
  }

  private static float value(Rendered r, String layer, int channel, int x, int y) {
    return layer(r, layer).planes()[channel][y * SIZE + x];
  }

  /** Glossy, metal and glowing things in haze, with a plate in front. */
  private static List<Placed> variety() {
    Material metal = new Material(0.9, 0.7, 0.3, 0.25, 1, null);
    Material gloss = new Material(0.2, 0.3, 0.8, 0.1, 0, null);
    return List.of(
        square("metal", metal, 1, at(-1, 0, -5)),
        square("gloss", gloss, 1, at(1, 0.3, -6)),
        square("glow", Squares.glowing(2, 1, 0.5), 0.4, at(0, -0.7, -4)),
        square("floor", plain(0.7), 6, lying(0, -1.2, -6)));
  }

  private static Surroundings hazy(double even, double sun) {
    Surroundings s = Surroundings.of(sky(even, sun));
    return new Surroundings(
        s.sky(),
        s.lamps(),
        new Haze(0.05, 100),
        new double[] {0.4, 0.5, 0.6},
        null,
        List.of(
            new PlateLayer(
                new kite.core.frame.PlatePlace(0.1, 0.1, 0.3, 0.3),
                0.5,
                0,
                true,
                1,
                1,
                new int[] {0x80ff8040})));
  }

  @Test
  void theLightPassesTogetherAreThePicture() {
    List<Placed> all = variety();
    Rendered r = rendered(all, hazy(0.5, 2), ALL, still(all, "metal"), 16, 2);
    for (int c = 0; c < 3; c++) {
      float[] picture = layer(r, "").planes()[c];
      for (int i = 0; i < picture.length; i++) {
        double sum = 0;
        for (Pass p : Pass.values())
          if (p.kind == Pass.Kind.LIGHT) sum += layer(r, p.key).planes()[c][i];
        assertEquals(picture[i], sum, 1e-5 * Math.max(1, picture[i]));
      }
    }
    for (Pass p : Pass.values())
      if (p.kind == Pass.Kind.LIGHT) assertTrue(brightest(layer(r, p.key)) > 0.01, p.key);
  }

  /** One lamp has all there is of lamps' light. */
  @Test
  void theLightsApartTogetherAreTheLightOfLamps() {
    List<Placed> all = variety();
    Rendered r = rendered(all, hazy(0.5, 2), ALL, still(all, "metal"), 4, 1);
    for (String part : List.of("diffuse", "specular", "shadow"))
      for (int c = 0; c < 3; c++)
        assertArrayEquals(
            layer(r, part).planes()[c], layer(r, "light.sun." + part).planes()[c], 1e-6f);
  }

  @Test
  void aLightWithoutAShareMakesNoLayerAndIsNamed() {
    List<Placed> all = List.of(square("wall", plain(0.5), 1, at(0, 0, -4)));
    Sky sky = sky(0.5, 2);
    Lamp sun = Lamp.sun(sky.toSun(), sky.sun(), 0);
    Lamp dull =
        new Lamp(
            "dull",
            "fill",
            sun.form(),
            sun.world(),
            sun.irradiance(),
            new double[] {1, 1, 1},
            false,
            0,
            null);
    Surroundings two =
        new Surroundings(sky, List.of(sun, dull), new Haze(0, 1), new double[3], null, List.of());
    Wanted w = new Wanted(Set.of(Pass.LIGHTS), List.of("dull"), true, false);
    Rendered r = rendered(all, two, w, still(all, "wall"), 4, 1);
    assertEquals(List.of("light.fill.specular", "light.fill.shadow"), r.without());
    assertEquals(List.of("", "light.fill.diffuse"), r.layers().stream().map(Layer::name).toList());
    assertTrue(brightest(layer(r, "light.fill.diffuse")) > 0.1);
  }

  private static float brightest(Layer l) {
    float most = 0;
    for (float[] p : l.planes()) for (float v : p) most = Math.max(most, v);
    return most;
  }

  @Test
  void shadowIsWhatTheLampWouldAdd() {
    // a square between the sun behind the camera and the wall, out of the camera's sight
    List<Placed> free = List.of(square("wall", plain(0.5), 3, at(0, 0, -4)));
    List<Placed> shaded = List.of(free.get(0), square("flag", plain(0.5), 0.3, at(0, 0, 2)));
    Surroundings sun = Surroundings.of(sky(0, 2));
    Rendered without = rendered(free, sun, ALL, still(free, "wall"), 4, 1);
    Rendered with = rendered(shaded, sun, ALL, still(shaded, "wall", "flag"), 4, 1);
    assertEquals(0, value(with, "diffuse", 0, 32, 32));
    float lost = value(without, "diffuse", 0, 32, 32) + value(without, "specular", 0, 32, 32);
    assertEquals(lost, value(with, "shadow", 0, 32, 32), 1e-6);
    assertEquals(0, value(with, "shadow", 0, 5, 5), "beside it nothing is lost");
  }

  @Test
  void depthIsAlongTheAxisAndNearestAtEdges() {
    List<Placed> all =
        List.of(
            square("near", plain(0.5), 1, at(-1, 0, -4)),
            square("far", plain(0.5), 4, at(0, 0, -8)));
    Rendered r = rendered(all, Surroundings.of(sky(0.5, 1)), ALL, still(all, "near", "far"), 64, 2);
    // the square's edge is the picture's middle; its other is halfway to the left
    assertEquals(4, value(r, "depth", 0, 20, 32), 1e-5);
    assertEquals(8, value(r, "depth", 0, 60, 4), 1e-4, "off the axis it is no farther");
    List<Placed> shifted =
        List.of(square("near", plain(0.5), 1, at(-1 + 4.0 / SIZE / 2, 0, -4)), all.get(1));
    r = rendered(shifted, Surroundings.of(sky(0.5, 1)), ALL, still(shifted, "near", "far"), 64, 2);
    assertEquals(4, value(r, "depth", 0, 32, 32), 1e-5, "half covered: the nearest");
    assertEquals(6, value(r, "depthSmooth", 0, 32, 32), 0.1, "half covered: the mean");
    assertEquals(
        1e10f,
        value(rendered(List.of(), hazy(1, 1), ALL, still(List.of()), 1, 1), "depth", 0, 3, 3));
  }

  @Test
  void positionsAndNormalsAreOfTheWorld() {
    double[] turned = at(0, 0, -4);
    double c = Math.cos(0.5), s = Math.sin(0.5);
    turned[Matrix.XX] = c;
    turned[Matrix.XZ] = -s;
    turned[Matrix.ZX] = s;
    turned[Matrix.ZZ] = c;
    List<Placed> all = List.of(square("wall", plain(0.5), 3, turned));
    Rendered r = rendered(all, Surroundings.of(sky(0.5, 1)), ALL, still(all, "wall"), 1, 1);
    // one ray through the middle of the pixel: x = k·z with k its slope
    double k = (48.5 / SIZE - 0.5), z = 4 / (1 - k * s / c);
    assertEquals(k * z, value(r, "position", 0, 48, 32), 1e-3);
    assertEquals(-z, value(r, "position", 2, 48, 32), 1e-3);
    assertEquals(s, value(r, "normal", 0, 48, 32), 1e-6);
    assertEquals(c, value(r, "normal", 2, 48, 32), 1e-6);
  }

  @Test
  void motionIsInPixelsToTheRightAndUp() {
    List<Placed> here = List.of(square("wall", plain(0.5), 1, at(0, 0, -4)));
    List<Placed> next = List.of(square("wall", plain(0.5), 1, at(0.25, 0.125, -4)));
    Data d = new Data(new Standing(here, eye()), new Standing(next, eye()), named("wall"));
    Rendered r = rendered(here, Surroundings.of(sky(0.5, 1)), ALL, d, 4, 1);
    // the picture is 4 m wide where it stands
    assertEquals(0.25 / 4 * SIZE, value(r, "motion", 0, 32, 32), 1e-4);
    assertEquals(0.125 / 4 * SIZE, value(r, "motion", 1, 32, 32), 1e-4);
    assertEquals(0, value(r, "motion", 0, 2, 2), "nothing is there");
    CameraView panned =
        new CameraView(at(0.5, 0, 0), Squares.WINDOW, 0.1, 1000, 4, 0); // the camera goes right
    d = new Data(new Standing(here, eye()), new Standing(here, panned), named("wall"));
    r = rendered(here, Surroundings.of(sky(0.5, 1)), ALL, d, 4, 1);
    assertEquals(-0.5 / 4 * SIZE, value(r, "motion", 0, 32, 32), 1e-4);
  }

  @Test
  void mattesCoverWhatIsThereWithSoftEdges() {
    double px = 4.0 / SIZE; // metres of a pixel at 4 m
    List<Placed> all =
        List.of(
            square("left", plain(0.5), 1, at(-1 + px / 4, 0, -4)),
            square("back", plain(0.5), 1.5, at(0, 0, -6)));
    Rendered r =
        rendered(all, Surroundings.of(sky(0.5, 1)), ALL, still(all, "left", "back"), 256, 2);
    Matte m = r.mattes().get(0);
    assertEquals(List.of("back", "left"), m.names());
    assertEquals(1, covers(m, "left", 20, 32), 1e-6);
    assertEquals(0, covers(m, "back", 20, 32), 1e-6);
    assertEquals(0.25, covers(m, "left", 32, 32), 0.02, "a quarter of the pixel");
    assertEquals(0.75, covers(m, "back", 32, 32), 0.02);
    assertEquals(0, m.which()[32 * SIZE * Matte.RANKS + 32 * Matte.RANKS], "most first");
    assertEquals(1, covers(r.mattes().get(1), "all", 32, 32), 1e-6, "one group");
    assertEquals(0, covers(m, "left", 2, 2) + covers(m, "back", 2, 2), "nothing is there");
  }

  private static double covers(Matte m, String name, int x, int y) {
    int from = (y * SIZE + x) * Matte.RANKS, thing = m.names().indexOf(name);
    for (int i = from; i < from + Matte.RANKS; i++) if (m.which()[i] == thing) return m.covers()[i];
    return 0;
  }

  @Test
  void withoutSurroundingsTheSetAloneCovers() {
    List<Placed> all = List.of(square("wall", plain(0.5), 1, at(0, 0, -4)));
    Wanted w = new Wanted(Set.of(), List.of(), false, false);
    Rendered r = rendered(all, hazy(0.5, 1), w, still(all, "wall"), 16, 1);
    assertEquals(1, value(r, "", 3, 32, 32));
    assertEquals(0, value(r, "", 3, 2, 2));
    assertEquals(0, value(r, "", 0, 2, 2), "multiplied with what it covers");
    assertEquals(1, value(rendered(all, hazy(0.5, 1), ALL, still(all, "wall"), 1, 1), "", 3, 2, 2));
  }

  /** Passes, and pictures whose pixels stop early where their neighbours are alike. */
  @Test
  void rowsThatAreJoinedAreTheWholeToTheLastBit() {
    List<Placed> all = variety();
    Moment moment = new Moment(Scene.of(all), hazy(0.5, 2), eye());
    FrameRenderer r = new FrameRenderer(List.of(moment), ALL, still(all, "metal", "floor"));
    for (boolean passes : new boolean[] {true, false}) {
      Quality quality = passes ? Quality.exact(8) : Quality.upTo(64);
      List<Rendered> parts = new ArrayList<>();
      for (int i = 0; i < 5; i++)
        parts.add(r.renderRows(SIZE, SIZE, Rows.part(SIZE, i, 5), passes, quality, 2, () -> false));
      Rendered joined = Rendered.joined(parts);
      if (!passes) {
        Picture whole = r.render(SIZE, SIZE, quality, 2, () -> false);
        assertArrayEquals(whole.argb(), joined.picture().argb());
        continue;
      }
      Rendered whole = r.renderPasses(SIZE, SIZE, quality, 2, () -> false);
      assertArrayEquals(whole.picture().argb(), joined.picture().argb());
      for (int i = 0; i < whole.layers().size(); i++)
        for (int c = 0; c < whole.layers().get(i).planes().length; c++)
          assertArrayEquals(whole.layers().get(i).planes()[c], joined.layers().get(i).planes()[c]);
      for (int i = 0; i < whole.mattes().size(); i++) {
        assertArrayEquals(whole.mattes().get(i).which(), joined.mattes().get(i).which());
        assertArrayEquals(whole.mattes().get(i).covers(), joined.mattes().get(i).covers());
      }
    }
  }

  @Test
  void thePassesAreTheSameForAnyNumberOfThreads() {
    List<Placed> all = variety();
    Rendered one = rendered(all, hazy(0.5, 2), ALL, still(all, "metal", "gloss"), 4, 1);
    Rendered three = rendered(all, hazy(0.5, 2), ALL, still(all, "metal", "gloss"), 4, 3);
    for (int i = 0; i < one.layers().size(); i++)
      assertTrue(
          Arrays.deepEquals(one.layers().get(i).planes(), three.layers().get(i).planes()),
          one.layers().get(i).name());
    assertArrayEquals(one.mattes().get(0).which(), three.mattes().get(0).which());
  }
}
