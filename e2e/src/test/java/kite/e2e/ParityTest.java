package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.codec.Digest;
import kite.core.codec.ModelJson;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.form.SequenceJson;
import kite.core.math.AxisOrder;
import kite.core.model.ModelRig;
import kite.core.rig.base.Base;
import kite.demo.SaltWind;
import kite.exchange.Json;
import kite.exchange.gltf.GlbReader;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.SceneBuilder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The browser's core against the server's: numbers to the last digit, and pixel by pixel. */
class ParityTest extends Desk {
  @Override
  double pixelRatio() {
    return 1;
  }

  /** What a core says of a document: every matrix and lens on every frame. */
  private static final String SAYS =
      """
      (core, document, rigs) => {
        const said = JSON.parse(core.open(document));
        if (said?.refusal) throw new Error(said.refusal.text);
        for (const [asset, rig] of Object.entries(rigs)) core.registerModel(asset, rig);
        const doc = JSON.parse(document), h = doc.header, n = core.slots();
        const world = new Float64Array(n * 16), lens = new Float64Array(n * 12), out = { digest: core.digest() };
        for (let f = h.firstFrame; f <= h.lastFrame; f++) {
          core.evaluate(f, 'cut1/take1', world, lens);
          out[f] = doc.entities.filter(e => core.slot(e.id) >= 0).map(e => [e.id, ...world.slice(core.slot(e.id) * 16, core.slot(e.id) * 16 + 16), ...(e.kind === 'camera' ? lens.slice(core.slot(e.id) * 12, core.slot(e.id) * 12 + 12) : [])]);
        }
        return out;
      }""";

  private static final String IN_THE_PAGE =
      """
      async ([document, rigs]) => {
        const { load } = await import('/core/kite-core.js');
        const core = (await load('/core/kite-core.wasm')).exports;
        return (%s)(core, document, rigs);
      }"""
          .formatted(SAYS);

  /** Numbers without bounds come as words, which JSON has not. */
  private static final String UNDER_NODE =
      """
      import { readFileSync } from 'node:fs';
      import * as core from '%s';
      const [document, rigs] = JSON.parse(readFileSync(0, 'utf8'));
      const words = (_, v) => (typeof v === 'number' && !Number.isFinite(v) ? String(v) : v);
      process.stdout.write(JSON.stringify((%s)(core, document, rigs), words));
      """
          .formatted(Path.of("../core-browser/target/core/kite-core-node.js").toUri(), SAYS);

  @TempDir Path folder;

  /** What differs most, of which thing, at which frame. */
  private record Worst(double by, String id, int frame) {}

  private static List<Object> given(Sequence s, Map<String, ModelRig> rigs) {
    Map<String, String> asJson = new HashMap<>();
    rigs.forEach((k, v) -> asJson.put(k, ModelJson.write(v)));
    return List.of(SequenceJson.write(s), asJson);
  }

  @SuppressWarnings("unchecked")
  private Worst worst(Sequence s, Map<String, ModelRig> rigs) {
    return worst(s, rigs, (Map<String, Object>) page.evaluate(IN_THE_PAGE, given(s, rigs)));
  }

  @SuppressWarnings("unchecked")
  private Worst worstUnderNode(Sequence s, Map<String, ModelRig> rigs) throws Exception {
    Path script = Files.writeString(folder.resolve("says.mjs"), UNDER_NODE);
    Process node =
        new ProcessBuilder("node", script.toString())
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .start();
    try (OutputStream in = node.getOutputStream()) {
      in.write(Json.MAPPER.writeValueAsBytes(given(s, rigs)));
    }
    byte[] said = node.getInputStream().readAllBytes();
    assertEquals(0, node.waitFor());
    return worst(s, rigs, Json.MAPPER.readValue(said, Map.class));
  }

  private static Worst worst(Sequence s, Map<String, ModelRig> rigs, Map<String, Object> said) {
    assertEquals(new Digest().of(s), said.remove("digest"), "what tells it from others");
    @SuppressWarnings({"unchecked", "rawtypes"})
    Map<String, List<List<Object>>> browserSays = (Map) said;
    Plan plan = new Plan(s, rigs::get);
    Worst worst = new Worst(0, "", 0);
    int compared = 0;
    for (int f = s.header().firstFrame(); f <= s.header().lastFrame(); f++) {
      plan.inTake("cut1/take1").evaluate(f);
      for (List<Object> row : browserSays.get("" + f)) {
        int slot = plan.slot((String) row.get(0));
        for (int i = 1; i < row.size(); i++) {
          double mine =
              i <= 16 ? plan.world()[slot * 16 + i - 1] : plan.lens()[slot * LensRow.SIZE + i - 17];
          double there = Double.parseDouble(row.get(i).toString());
          double by = Double.compare(mine, there) == 0 ? 0 : Math.abs(mine - there);
          if (!(by <= worst.by)) worst = new Worst(by, (String) row.get(0), f);
          compared++;
        }
      }
    }
    assertTrue(compared > 1000, "compared " + compared);
    return worst;
  }

  @Test
  void theDemonstrationIsTheSameOnBothSides() throws Exception {
    Map<String, ModelRig> rigs = new HashMap<>();
    for (SaltWind.Asset a : new SaltWind().assets())
      rigs.put(a.sha256(), GlbReader.read(a.bytes()).geometry().rig());
    Worst worst = worst(new SaltWind().sw010(), rigs);
    assertEquals(0, worst.by, worst.toString());
    Worst underNode = worstUnderNode(new SaltWind().sw010(), rigs);
    assertEquals(0, underNode.by, "recipes: " + underNode);
  }

  @Test
  void fiftyDocumentsOfChanceAreTheSameOnBothSides() throws Exception {
    for (int seed = 0; seed < 50; seed++) {
      Worst worst = worst(RandomDocuments.of(seed), Map.of());
      assertEquals(0, worst.by, "seed " + seed + ", " + worst);
    }
    for (int seed = 50; seed < 60; seed++) {
      Worst worst = worstUnderNode(RandomDocuments.of(seed), Map.of());
      assertEquals(0, worst.by, "recipes: seed " + seed + ", " + worst);
    }
  }

  /** White balls on black ground: their middles in core, page and render within half a pixel. */
  @Test
  void knownPointsFallOnTheSamePixelsInCorePageAndRender() throws Exception {
    double[][] at = {{0, 1.5, -6}, {-1.9, 2.3, -7}, {2.2, 0.6, -8}, {1.2, 2.6, -9}, {-3, 0.7, -12}};
    List<kite.core.command.Command> all = new ArrayList<>();
    for (int i = 0; i < at.length; i++) {
      Channels c = Channels.NONE.with("x", at[i][0]).with("y", at[i][1] - 0.15).with("z", at[i][2]);
      all.add(
          new Add(
              new Piece(
                  "ball" + i,
                  "Ball " + i,
                  null,
                  new Shape.StandIn(StandInKind.SPHERE, 0.3, 0.3, 0.3),
                  "#ffffff",
                  true,
                  false,
                  AxisOrder.PAN_TILT_ROLL,
                  c)));
    }
    // light from behind the camera, on a sky too dark to count
    all.add(
        new Add(
            new kite.core.document.Light(
                "sun",
                "Sun",
                "#ffffff",
                "#000000",
                "#000000",
                Channels.NONE.with("elevation", 5).with("intensity", 20).with("softness", 0))));
    Channels lens = Channels.NONE.with("focalLength", 24).with("shiftX", 1.5).with("shiftY", -0.8);
    Base base =
        new Base(
            "base",
            true,
            null,
            Base.Takes.POSITION,
            Channels.NONE.with("y", 1.6).with("pan", 4).with("tilt", -3).with("roll", 6));
    all.add(
        new Add(new Camera("cam", "Camera", "A", "#f0785a", false, false, lens, List.of(base))));
    Sequence demo = new SaltWind().sw010();
    Sequence s = Edit.apply(new Sequence(demo.header(), Map.of()), all);
    application.reset(s);
    page.reload();
    ready(page);
    BufferedImage seen = lens();
    Plan plan = new Plan(s, a -> null);
    int w = seen.getWidth(), h = seen.getHeight();
    Picture p =
        new FrameRenderer(
                Exposed.sharp(
                    s, plan, (Camera) s.get("cam"), 1001, new SceneBuilder(a -> null), a -> null))
            .render(w, h, Quality.exact(16), 2, () -> false);
    BufferedImage rendered = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    rendered.setRGB(0, 0, w, h, p.argb(), 0, w);
    for (double[] a : at) {
      double[] core = project(a);
      double x = core[0] * w, y = core[1] * h;
      double[] inPage = Pictures.brightMiddle(seen, x, y, 14, 90),
          inRender = Pictures.brightMiddle(rendered, x, y, 14, 90);
      assertTrue(
          inPage[2] > 20 && inRender[2] > 20,
          "the ball is there: " + inPage[2] + ", " + inRender[2]);
      // a ball off the axis is drawn as an oval whose middle lies a little outside its centre's
      // place
      assertEquals(inRender[0], inPage[0], 0.5, "page and render, across");
      assertEquals(inRender[1], inPage[1], 0.5, "page and render, down");
      assertEquals(x, inRender[0], 0.5, "core and render, across");
      assertEquals(y, inRender[1], 0.5, "core and render, down");
    }
  }
}
