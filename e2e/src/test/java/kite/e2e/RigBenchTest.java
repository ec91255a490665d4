package kite.e2e;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.form.SequenceJson;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.arm.Arm;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.operator.Operator;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;
import kite.core.rig.spring.Spring;
import kite.core.rig.trim.Trim;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Measures whole rigs; asserts nothing about time. Run by ./kite bench. */
@Tag("bench")
class RigBenchTest extends Desk {
  private static final int PIECES = 60;
  private static final int RUNS = 3;

  /** Cameras of eight parts each, all of them moving, over sixty moving pieces. */
  private static Sequence rigs(int cameras, int frames) {
    Random r = new Random(4);
    Map<String, Entity> all = new TreeMap<>();
    for (int i = 0; i < PIECES; i++) {
      Channels c =
          Channels.NONE
              .with("x", moving(frames, r.nextDouble() * 20, 3))
              .with("z", moving(frames, -r.nextDouble() * 20, 3));
      all.put(
          "piece" + i,
          new Piece(
              "piece" + i,
              "Piece " + i,
              i % 5 == 0 ? null : "piece" + (i - 1),
              new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
              "#cccccc",
              true,
              false,
              AxisOrder.PAN_TILT_ROLL,
              c));
    }
    List<PathPoint> way = new ArrayList<>();
    for (int i = 0; i < 8; i++)
      way.add(PathPoint.of(i * 3, 1 + r.nextDouble(), r.nextDouble() * 4));
    all.put("way", new Path("way", "Way", PathStyle.THROUGH, false, way));
    for (int i = 0; i < cameras; i++) all.put("cam" + i, camera(i, frames));
    Header h =
        new Header(
            "BENCH",
            "Bench",
            0,
            frames - 1,
            new Rate(24, 1),
            "m",
            1,
            new CameraPackage(new FilmBack(24.89, 14, 1), 1920, 1080, Fit.WIDTH, 0));
    return new Sequence(h, all);
  }

  private static Channel moving(int frames, double from, double by) {
    return Channel.curve(Key.smooth(0, from), Key.smooth(frames - 1, from + by));
  }

  private static Camera camera(int i, int frames) {
    String a = "piece" + i % PIECES, b = "piece" + (i + 7) % PIECES;
    List<Cue> cues =
        List.of(
            new Cue(0, 0, Ease.SLOW_BOTH, Map.of(a, 1.0)),
            new Cue(frames / 2.0, 30, Ease.SLOW_BOTH, Map.of(a, 0.3, b, 0.7)));
    List<RigPart> rig =
        List.of(
            new Base("base", true, null, Base.Takes.POSITION, Channels.NONE.with("y", 1.6)),
            new Rail(
                "rail",
                true,
                "way",
                Rail.Facing.TRAVEL,
                null,
                true,
                Channels.NONE.with("progress", moving(frames, 0, 100)).with("bank", 0.5)),
            new Slide("slide", true, Channels.NONE.with("truck", moving(frames, 0, 2))),
            new Arm("arm", true, true, Channels.NONE.with("lift", moving(frames, -10, 40))),
            new Attention(
                "look",
                true,
                Attention.Up.WORLD,
                null,
                Attention.Blend.DIRECTIONS,
                List.of(Subject.of(a), Subject.of(b)),
                cues,
                Channels.NONE),
            new Spring("spring", true, Channels.NONE),
            new Operator("operator", true, Operator.Preset.WALKING, 1.8, i, Channels.NONE),
            new Trim("trim", true, "note", null, List.of(), Channels.NONE.with("dolly", 0.3)));
    return new Camera("cam" + i, "Camera " + i, "A", "#f0785a", false, true, Channels.NONE, rig);
  }

  /** Least milliseconds to evaluate every frame in turn, from a fresh plan. */
  private static double jvm(Sequence s, int frames, int runs) {
    double[] ms = new double[runs];
    for (int i = -2; i < runs; i++) { // the first two warm up
      Plan plan = new Plan(s, Models.NONE);
      long t = System.nanoTime();
      for (int f = 0; f < frames; f++) plan.evaluate(f);
      if (i >= 0) ms[i] = (System.nanoTime() - t) / 1e6;
    }
    return Arrays.stream(ms).min().orElseThrow();
  }

  private static final String IN_PAGE =
      """
      async ([document, frames, runs, drags]) => {
        const { load } = await import('/core/kite-core.js');
        const core = (await load('/core/kite-core.wasm')).exports;
        const time = f => { const t = performance.now(); f(); return performance.now() - t; };
        const whole = [];
        let world, lens;
        for (let i = 0; i < runs + 2; i++) {
          const said = JSON.parse(core.open(document));
          if (said?.refusal) throw new Error(said.refusal.text);
          const n = core.slots();
          world ??= new Float64Array(n * 16);
          lens ??= new Float64Array(n * 12);
          const ms = time(() => { for (let f = 0; f < frames; f++) core.evaluate(f, '', world, lens); });
          if (i >= 2) whole.push(ms);
        }
        const taken = said => { if (said.startsWith('{"refusal"')) throw new Error(said); };
        const dragged = [];
        for (const [id, channel] of drags) {
          let i = 0;
          const preview = () => taken(core.preview(JSON.stringify([{ kind: 'setValue', id, channel, frame: 700, value: 1 + i++ / 100, key: false }])));
          // the clock is coarse: twenty are timed together, with the frame and without
          const twenty = work => time(() => { for (let k = 0; k < 20; k++) work(); }) / 20;
          const commands = [], both = [];
          for (let block = 0; block < 20; block++) {
            commands.push(twenty(preview));
            both.push(twenty(() => { preview(); core.evaluate(700, '', world, lens); }));
          }
          core.endPreview();
          const command = Math.min(...commands);
          dragged.push(Math.min(...both) - command, command);
        }
        return [Math.min(...whole), ...dragged];
      }""";

  /** What is dragged: a number of each kind of part, and a piece that five cameras look at. */
  private static final List<List<String>> DRAGS =
      List.of(
          List.of("cam0", "base/y"),
          List.of("cam0", "rail/side"),
          List.of("cam0", "slide/truck"),
          List.of("cam0", "arm/lift"),
          List.of("cam0", "look/roll"),
          List.of("cam0", "trim/dolly"),
          List.of("piece0", "y"));

  private double[] inPage(Sequence s, int frames) {
    return ((List<?>) page.evaluate(IN_PAGE, List.of(SequenceJson.write(s), frames, RUNS, DRAGS)))
        .stream().mapToDouble(x -> ((Number) x).doubleValue()).toArray();
  }

  @Test
  void wholeRigs() {
    System.out.printf(
        "%nCameras of 8 moving rig parts over %d moving pieces, every frame in turn, best of %d (what else the machine does only adds):%n",
        PIECES, RUNS);
    System.out.printf(
        "  %7s %8s %12s %12s %9s %22s%n",
        "cameras", "frames", "JVM", "browser", "ratio", "browser, a camera");
    double first = 0;
    for (int[] size : new int[][] {{10, 1000}, {10, 10000}, {50, 1000}, {200, 1000}}) {
      Sequence s = rigs(size[0], size[1]);
      double jvm = jvm(s, size[1], RUNS);
      double[] page = inPage(s, size[1]);
      double each = page[0] / size[0] / size[1] * 1000;
      if (first == 0) first = each;
      System.out.printf(
          "  %7d %8d %9.1f ms %9.1f ms %8.2f× %9.2f µs a frame %.2f×%n",
          size[0], size[1], jvm, page[0], page[0] / jvm, each, each / first);
      if (size[0] != 10 || size[1] != 1000) continue;
      System.out.printf("    one frame while a number is dragged, browser, best of 20 twenties:%n");
      for (int i = 0; i < DRAGS.size(); i++)
        System.out.printf(
            "      %-12s of %-6s %.3f ms to evaluate, %.3f ms for the command%n",
            DRAGS.get(i).get(1), DRAGS.get(i).get(0), page[1 + 2 * i], page[2 + 2 * i]);
    }
    perPart();
  }

  /** What each part costs in the browser build's twin on the JVM: the stack with and without it. */
  private static void perPart() {
    Sequence s = rigs(10, 1000);
    double whole = jvm(s, 1000, RUNS);
    System.out.printf("  %.2f µs a camera and frame on the JVM; without:%n", whole / 10);
    List<RigPart> rig = ((Camera) s.get("cam0")).rig();
    for (RigPart p : rig) {
      Map<String, Entity> less = new TreeMap<>(s.entities());
      for (int i = 0; i < 10; i++) {
        Camera c = (Camera) s.get("cam" + i);
        less.put(c.id(), c.withPart(c.part(p.id()).withOn(false)));
      }
      double ms = jvm(new Sequence(s.header(), less), 1000, RUNS);
      System.out.printf("    %-9s %6.2f µs less%n", p.id(), (whole - ms) / 10);
    }
  }
}
