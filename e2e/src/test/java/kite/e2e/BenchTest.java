package kite.e2e;

import com.microsoft.playwright.Route;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;
import kite.core.form.SequenceJson;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Measures; asserts nothing about time. Run by ./kite bench. */
@Tag("bench")
class BenchTest extends Desk {
  private static final int FRAMES = 500;
  private static final int NODES = 60;
  private static final int CHAIN = 5;
  private static final int KEYS = 10;
  private static final int RUNS = 21;

  /** 60 nodes in chains of five, each with six curves of ten straight keys. */
  private static Sequence motion() {
    Random r = new Random(1);
    Map<String, Entity> all = new java.util.TreeMap<>();
    for (int i = 0; i < NODES; i++) {
      Channels c = Channels.NONE;
      for (String n : List.of("x", "y", "z", "pan", "tilt", "roll")) {
        List<Key> keys = new ArrayList<>();
        for (int k = 0; k < KEYS; k++)
          keys.add(
              Key.of(
                  k * 55, (r.nextDouble() - 0.5) * (n.length() == 1 ? 4 : 90), KeyShape.STRAIGHT));
        c = c.with(n, new Channel.Curve(keys));
      }
      String parent = i % CHAIN == 0 ? null : String.format("n%02d", i - 1);
      all.put(
          String.format("n%02d", i),
          new Piece(
              String.format("n%02d", i),
              "Node " + i,
              parent,
              new Shape.Group(),
              "#cccccc",
              true,
              false,
              AxisOrder.PAN_TILT_ROLL,
              c));
    }
    Header h =
        new Header(
            "BENCH",
            "Bench",
            0,
            FRAMES - 1,
            new Rate(24, 1),
            "m",
            1,
            new CameraPackage(new FilmBack(24.89, 14, 1), 1920, 1080, Fit.WIDTH, 0));
    return new Sequence(h, all);
  }

  private static final String IN_PAGE =
      """
      async ([document, runs, frames]) => {
        const T = await import('/bench/three.module.js');
        const { load } = await import('/core/kite-core.js');
        const core = (await load('/core/kite-core.wasm')).exports;
        const said = JSON.parse(core.open(document));
        if (said?.refusal) throw new Error(said.refusal.text);
        const doc = JSON.parse(document), n = core.slots();
        const world = new Float64Array(frames * n * 16), lens = new Float64Array(frames * n * 12);
        const root = new T.Group(), objects = {}, tracks = [];
        const axis = { x: 'position[x]', y: 'position[y]', z: 'position[z]', pan: 'rotation[y]', tilt: 'rotation[x]', roll: 'rotation[z]' };
        for (const e of doc.entities) {
          const o = objects[e.id] = new T.Object3D();
          o.name = e.id; o.rotation.order = 'YXZ';
          (e.parent ? objects[e.parent] : root).add(o);
          for (const [c, curve] of Object.entries(e.channels)) {
            const k = c.length > 1 ? Math.PI / 180 : 1;
            tracks.push(new T.NumberKeyframeTrack(e.id + '.' + axis[c], curve.keys.map(q => q.frame / 24), curve.keys.map(q => q.value * k)));
          }
        }
        const mixer = new T.AnimationMixer(root);
        mixer.clipAction(new T.AnimationClip('motion', frames / 24 + 10, tracks)).play();
        const out = new Float64Array(frames * n * 16);
        const slots = doc.entities.map(e => [objects[e.id], core.slot(e.id)]);
        const theirs = () => {
          for (let f = 0; f < frames; f++) {
            mixer.setTime(f / 24);
            root.updateMatrixWorld(true);
            for (const [o, s] of slots) out.set(o.matrixWorld.elements, (f * n + s) * 16);
          }
        };
        const ours = () => core.evaluateRange(0, frames, world, lens);
        const time = f => { const t = performance.now(); f(); return performance.now() - t; };
        const a = [], b = [];
        for (let i = 0; i < runs + 6; i++) { const x = time(ours), y = time(theirs); if (i >= 6) { a.push(x); b.push(y); } }
        let worst = 0;
        for (let i = 0; i < out.length; i++) worst = Math.max(worst, Math.abs(out[i] - world[i]));
        const one = [];
        const w1 = new Float64Array(n * 16), l1 = new Float64Array(n * 12);
        for (let i = 0; i < 400; i++) one.push(time(() => core.evaluate(i, '', w1, l1)));
        const median = q => [...q].sort((x, y) => x - y)[q.length >> 1];
        return [median(a), median(b), worst, one.reduce((x, y) => x + y) / one.length];
      }""";

  @Test
  void evaluatingAgainstThreeJs() {
    Sequence s = motion();
    Plan plan = new Plan(s, Models.NONE);
    double[] jvm = new double[RUNS];
    double[] rows = new double[FRAMES * plan.slots() * 16];
    for (int i = -20; i < RUNS; i++) {
      long t = System.nanoTime();
      for (int f = 0; f < FRAMES; f++) {
        plan.evaluate(f);
        System.arraycopy(plan.world(), 0, rows, f * plan.slots() * 16, plan.slots() * 16);
      }
      if (i >= 0) jvm[i] = (System.nanoTime() - t) / 1e6;
    }
    Arrays.sort(jvm);
    page.route(
        "**/bench/*",
        (Route r) ->
            r.fulfill(
                new Route.FulfillOptions()
                    .setPath(
                        Path.of(
                            "../web/node_modules/three/build/"
                                + r.request().url().replaceAll(".*/", "")))
                    .setContentType("text/javascript")));
    double[] in =
        ((List<?>) page.evaluate(IN_PAGE, List.of(SequenceJson.write(s), RUNS, FRAMES)))
            .stream().mapToDouble(x -> ((Number) x).doubleValue()).toArray();
    System.out.printf(
        "%nEvaluating %d frames × %d nodes (6 curves of %d keys each, chains of %d), median of %d:%n",
        FRAMES, NODES, KEYS, CHAIN, RUNS);
    System.out.printf("  JVM                              %7.2f ms%n", jvm[RUNS / 2]);
    System.out.printf(
        "  browser build                    %7.2f ms   %.2f × the JVM's time%n",
        in[0], in[0] / jvm[RUNS / 2]);
    System.out.printf(
        "  three.js AnimationMixer          %7.2f ms   %.2f × as long as our browser build%n",
        in[1], in[1] / in[0]);
    System.out.printf(
        "  largest difference of a matrix element: %.1e (their keys are single precision)%n",
        in[2]);
    System.out.printf("  one frame in the browser build   %7.4f ms%n", in[3]);
  }

  /** A full set: 200 pieces and 30 cameras, half of them aimed, all with focus that follows. */
  private static Sequence fullSet() {
    Random r = new Random(3);
    Map<String, Entity> all = new java.util.TreeMap<>();
    for (int i = 0; i < 200; i++) {
      Channels c = Channels.NONE.with("x", r.nextDouble() * 40).with("z", r.nextDouble() * 40);
      if (i % 4 == 0)
        c = c.with("y", kite.core.curve.Channel.curve(Key.smooth(0, 0), Key.smooth(FRAMES, 3)));
      all.put(
          "piece" + i,
          new Piece(
              "piece" + i,
              "Piece " + i,
              i % 5 == 0 || i < 5 ? null : "piece" + (i - i % 5),
              new Shape.StandIn(kite.core.document.StandInKind.BOX, 1, 1, 1),
              "#cccccc",
              true,
              false,
              AxisOrder.PAN_TILT_ROLL,
              c));
    }
    for (int i = 0; i < 30; i++) {
      String subject = "piece" + i * 6;
      List<kite.core.cue.Cue> cues =
          List.of(new kite.core.cue.Cue(0, 0, kite.core.cue.Ease.EVEN, Map.of(subject, 1.0)));
      List<kite.core.rig.Subject> subjects = List.of(kite.core.rig.Subject.of(subject));
      List<kite.core.rig.RigPart> rig = new java.util.ArrayList<>();
      Channels base =
          Channels.NONE
              .with("y", 1.6)
              .with("x", kite.core.curve.Channel.curve(Key.smooth(0, i), Key.smooth(FRAMES, 0)));
      rig.add(
          new kite.core.rig.base.Base(
              "base", true, null, kite.core.rig.base.Base.Takes.POSITION, base));
      rig.add(new kite.core.rig.head.Head("head", true, Channels.NONE));
      if (i % 2 == 0)
        rig.add(
            new kite.core.rig.attention.Attention(
                "look",
                true,
                kite.core.rig.attention.Attention.Up.WORLD,
                null,
                kite.core.rig.attention.Attention.Blend.POINTS,
                subjects,
                cues,
                Channels.NONE));
      kite.core.document.Camera c =
          new kite.core.document.Camera(
              "cam" + i, "Camera " + i, "A", "#f0785a", false, true, Channels.NONE, rig);
      all.put("cam" + i, c.withFocus(new kite.core.document.Focus(subjects, cues)));
    }
    return new Sequence(motion().header(), all);
  }

  private static final String FULL_SET =
      """
      async ([document, piece]) => {
        const { load } = await import('/core/kite-core.js');
        const core = (await load('/core/kite-core.wasm')).exports;
        const said = JSON.parse(core.open(document));
        if (said?.refusal) throw new Error(said.refusal.text);
        const n = core.slots(), world = new Float64Array(n * 16), lens = new Float64Array(n * 12);
        const taken = said => { if (said.startsWith('{"refusal"')) throw new Error(said); };
        const times = { evaluate: [], drag: [], ruler: [], seen: [] };
        for (let i = 0; i < 160; i++) {
          const keep = (k, f) => { const t = performance.now(); f(); if (i >= 40) times[k].push(performance.now() - t); };
          keep('evaluate', () => core.evaluate(i, '', world, lens));
          const commands = JSON.stringify([{ kind: 'setValue', id: piece, channel: 'x', frame: i, value: i / 10, key: false }]);
          keep('drag', () => { taken(core.preview(commands)); core.evaluate(i, '', world, lens); });
          core.endPreview();
          keep('ruler', () => core.depthRuler('cam0'));
          keep('seen', () => core.seen('cam0'));
        }
        const median = q => [...q].sort((x, y) => x - y)[q.length >> 1];
        return ['evaluate', 'drag', 'ruler', 'seen'].map(k => median(times[k]));
      }""";

  @Test
  void aFullSet() {
    double[] t =
        ((List<?>) page.evaluate(FULL_SET, List.of(SequenceJson.write(fullSet()), "piece1")))
            .stream().mapToDouble(x -> ((Number) x).doubleValue()).toArray();
    System.out.printf("%n200 pieces and 30 cameras in the browser build, median of 120:%n");
    System.out.printf("  evaluating one frame             %7.3f ms%n", t[0]);
    System.out.printf(
        "  a drag: command, rules, plan, frame %7.3f ms   %.0f %% of a frame at 60 a second%n",
        t[1], t[1] / 16.667 * 100);
    System.out.printf("  the depth ruler                  %7.3f ms%n", t[2]);
    System.out.printf("  what is seen and cut             %7.3f ms%n", t[3]);
  }
}
