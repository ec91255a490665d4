package kite.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.File;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import javax.imageio.ImageIO;
import kite.core.check.BeforeItLeaves;
import kite.core.check.Finding;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.form.SequenceJson;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import kite.exchange.gltf.GlbReader;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.ModelGeometry;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.SceneBuilder;
import org.junit.jupiter.api.Test;

class SaltWindTest {
  private final SaltWind demo = new SaltWind();
  private final Sequence sw010 = demo.sw010();

  private Map<String, ModelGeometry> models() throws Exception {
    Map<String, ModelGeometry> all = new HashMap<>();
    for (SaltWind.Asset a : demo.assets())
      all.put(a.sha256(), GlbReader.read(a.bytes()).geometry());
    return all;
  }

  @Test
  void theSequenceReadsBackAsWritten() {
    assertEquals(sw010, SequenceJson.read(SequenceJson.write(sw010)));
  }

  @Test
  void odaKeepsHerSizeThroughTheDollyZoom() throws Exception {
    Map<String, ModelGeometry> models = models();
    Plan plan = new Plan(sw010, a -> models.get(a).rig());
    double[] sizes = new double[2];
    int i = 0;
    for (double frame : new double[] {1195, 1221.5}) {
      plan.evaluate(frame);
      int cam = plan.slot("camD"), oda = plan.slot("oda");
      Vec3 c = Matrix.newOrigin(plan.world(), cam * 16),
          o = Matrix.newOrigin(plan.world(), oda * 16);
      sizes[i++] = plan.lens()[cam * LensRow.SIZE + LensRow.FOCAL] / (c.z() - o.z());
    }
    assertEquals(sizes[0], sizes[1], sizes[0] * 1e-3);
  }

  @Test
  void theShotsUseEveryRigPart() {
    Set<String> used = new TreeSet<>();
    for (Sequence s : List.of(sw010, demo.sw020(), demo.sw030())) {
      assertEquals(s, SequenceJson.read(SequenceJson.write(s)));
      for (Programme.Placed span : Programme.of(s).placed())
        if (s.get(span.camera()) instanceof Camera c) for (RigPart p : c.rig()) used.add(p.kind());
    }
    Set<String> all = new TreeSet<>();
    for (PartKind<?> k : PartKinds.all()) all.add(k.word());
    assertEquals(all, used);
  }

  @Test
  void theLensFollowsTheDollyInTheChase() throws Exception {
    Map<String, ModelGeometry> models = models();
    Plan plan = new Plan(demo.sw030(), a -> models.get(a).rig());
    double first = 0;
    for (double frame = 1191; frame <= 1240; frame += 3.5) {
      plan.evaluate(frame);
      double[] oda = new double[3];
      plan.anchor("oda", null, oda);
      double ahead = plan.world()[plan.slot("camD") * 16 + 14] - oda[2];
      double size = plan.lens()[plan.slot("camD") * LensRow.SIZE + LensRow.FOCAL] / ahead;
      if (first == 0) first = size;
      assertEquals(first, size, first * 1e-3, "frame " + frame);
    }
  }

  /** Run with -Ddemo.look=DIR to keep the pictures. */
  @Test
  void everyShotShowsSomethingAndItsSubject() throws Exception {
    Map<String, ModelGeometry> models = models();
    Plan plan = new Plan(sw010, a -> models.get(a).rig());
    String look = System.getProperty("demo.look");
    int size = look == null ? 96 : 640;
    Object[][] shots = {{"camA", 1040}, {"camB", 1100}, {"camC", 1175}, {"camD", 1230}};
    for (Object[] shot : shots) {
      Camera c = (Camera) sw010.get((String) shot[0]);
      int frame = (int) shot[1];
      Picture p =
          new FrameRenderer(
                  Exposed.sharp(sw010, plan, c, frame, new SceneBuilder(models::get), a -> null))
              .render(size, size * 9 / 16, Quality.exact(look == null ? 2 : 16), 2, () -> false);
      long kinds = java.util.Arrays.stream(p.argb()).distinct().count();
      assertTrue(kinds > 200, c.name() + " shows only " + kinds + " colours");
      if (look != null) {
        BufferedImage im = new BufferedImage(p.width(), p.height(), BufferedImage.TYPE_INT_RGB);
        im.setRGB(0, 0, p.width(), p.height(), p.argb(), 0, p.width());
        ImageIO.write(im, "png", new File(look, c.id() + ".png"));
      }
    }
  }

  @Test
  void onlyTheHandOversAlongTheStallsStrobe() throws Exception {
    Map<String, ModelGeometry> models = models();
    List<String> strobes = new ArrayList<>();
    for (Sequence s : List.of(sw010, demo.sw020(), demo.sw030()))
      for (Finding f : BeforeItLeaves.of(s, new Plan(s, a -> models.get(a).rig()), Set.of()))
        if (f.about().equals("fastPan")) strobes.add(f.name());
    // it turns from Pim to Oda to the kite at 40° a second; all others go with somebody
    assertEquals(List.of("SW010_0020"), strobes);
  }
}
