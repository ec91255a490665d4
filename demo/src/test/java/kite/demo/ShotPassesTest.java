package kite.demo;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.gltf.GlbReader;
import kite.render.Data;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.Layer;
import kite.render.ModelGeometry;
import kite.render.Pass;
import kite.render.Quality;
import kite.render.Rendered;
import kite.render.SceneBuilder;
import kite.render.Wanted;
import org.junit.jupiter.api.Test;

/** On every shot of the demonstration the passes of light add up to the picture. */
class ShotPassesTest {
  private static final int WIDTH = 64, HEIGHT = 36, SAMPLES = 4;

  /** What is lost when sums of floats are taken apart. */
  private static final double ROUNDING = 1e-5;

  private final SaltWind salt = new SaltWind();
  private final Map<String, ModelGeometry> models = new HashMap<>();
  private final Map<String, byte[]> files = new HashMap<>();

  ShotPassesTest() throws Exception {
    for (SaltWind.Asset a : salt.assets()) {
      files.put(a.sha256(), a.bytes());
      if (a.name().endsWith(".glb")) models.put(a.sha256(), GlbReader.read(a.bytes()).geometry());
    }
  }

  private BufferedImage image(String asset) {
    try {
      return files.containsKey(asset)
          ? ImageIO.read(new ByteArrayInputStream(files.get(asset)))
          : null;
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  @Test
  void lightPassesAddUpOnEveryShot() throws Exception {
    int shots = 0;
    for (Sequence s : List.of(salt.sw010(), salt.sw020(), salt.sw030()))
      for (Programme.Placed span : Programme.of(s).placed()) {
        if (span.camera() == null) continue;
        addsUp(s, span);
        shots++;
      }
    assertTrue(shots > 6, shots + " shots");
  }

  private void addsUp(Sequence s, Programme.Placed span) {
    Plan plan = new Plan(s, a -> models.containsKey(a) ? models.get(a).rig() : null);
    SceneBuilder scenes = new SceneBuilder(models::get);
    Camera camera = (Camera) s.get(span.camera());
    double frame = Math.rint((span.sceneFirst() + span.sceneLast()) / 2);
    List<String> lights = new ArrayList<>();
    for (Light l : s.all(Light.class)) lights.add(l.id());
    Wanted all = new Wanted(EnumSet.allOf(Pass.class), lights, true, true);
    Data data = Data.of(s, plan, camera, frame, frame + 1, scenes, all);
    Rendered r =
        new FrameRenderer(Exposed.open(s, plan, camera, frame, 1, scenes, this::image), all, data)
            .renderPasses(WIDTH, HEIGHT, Quality.exact(SAMPLES), 2, () -> false);
    String what = s.header().code() + " " + span.shot();
    float[][] picture = r.layers().get(0).planes();
    for (int c = 0; c < 3; c++)
      for (int i = 0; i < WIDTH * HEIGHT; i++) {
        double light = 0, lamps = 0, dull = 0;
        for (Layer l : r.layers()) {
          if (isLight(l)) light += l.planes()[c][i];
          if (l.name().startsWith("light.") && l.name().endsWith(".diffuse"))
            lamps += l.planes()[c][i];
          if (l.name().equals("diffuse")) dull = l.planes()[c][i];
        }
        assertEquals(picture[c][i], light, ROUNDING * Math.max(1, light), what + " at " + i);
        if (!lights.isEmpty())
          assertEquals(dull, lamps, ROUNDING * Math.max(1, dull), what + "'s lights at " + i);
      }
  }

  /** Workers take frames in any order, and one that was killed leaves its next to another. */
  @Test
  void aPictureDoesNotDependOnTheFramesMadeBefore() {
    Sequence s = salt.sw010();
    for (String camera : List.of("camA", "camB", "camD")) {
      SceneBuilder fresh = new SceneBuilder(models::get), used = new SceneBuilder(models::get);
      for (int frame : new int[] {1001, 1230, 1100}) picture(s, camera, frame, used);
      for (int frame : new int[] {1150, 1060})
        assertArrayEquals(
            picture(s, camera, frame, fresh),
            picture(s, camera, frame, used),
            camera + " on " + frame);
    }
  }

  private float[][] picture(Sequence s, String camera, int frame, SceneBuilder scenes) {
    Plan plan = new Plan(s, a -> models.containsKey(a) ? models.get(a).rig() : null);
    Camera c = (Camera) s.get(camera);
    Data data = Data.of(s, plan, c, frame, frame + 1, scenes, Wanted.PICTURE);
    return new FrameRenderer(
            Exposed.sharp(s, plan, c, frame, scenes, this::image), Wanted.PICTURE, data)
        .renderPasses(WIDTH, HEIGHT, Quality.exact(SAMPLES), 2, () -> false)
        .layers()
        .get(0)
        .planes();
  }

  private static boolean isLight(Layer l) {
    Pass p = Pass.of(l.name());
    return p != null && p.kind == Pass.Kind.LIGHT;
  }
}
