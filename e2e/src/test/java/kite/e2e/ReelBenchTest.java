package kite.e2e;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.cut.Ranks;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.form.SequenceJson;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rig.base.Base;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Measures a long reel in the page's core; asserts nothing about time. Run by ./kite bench. */
@Tag("bench")
class ReelBenchTest extends Desk {
  private static final int SHOTS = 1000, FRAMES = 200, CAMERAS = 26;

  private static final String IN_PAGE =
      """
      async ([document, middle, names]) => {
        const { load } = await import('/core/kite-core.js');
        const core = (await load('/core/kite-core.wasm')).exports;
        const said = JSON.parse(core.open(document));
        if (said?.refusal) throw new Error(said.refusal.text);
        const places = new Float64Array(4 * JSON.parse(core.programme()).length);
        const n = core.slots(), world = new Float64Array(n * 16), lens = new Float64Array(n * 12);
        const twenty = work => { const t = performance.now(); for (let k = 0; k < 20; k++) work(k); return (performance.now() - t) / 20; };
        const best = work => { const all = []; for (let b = 0; b < 20; b++) all.push(twenty(work)); return Math.min(...all); };
        const taken = said => { if (said.startsWith('{"refusal"')) throw new Error(said); };
        const kinds = {
          roll: k => ({ kind: 'rollCut', id: middle, by: k }),
          trim: k => ({ kind: 'trimShot', id: middle, head: 0, tail: k }),
          slip: k => ({ kind: 'slipShot', id: middle, by: k }),
        };
        const times = names.map(name => best(k => {
          taken(core.preview(JSON.stringify([kinds[name](k + 1)])));
          core.programmeNames();
          core.programmePlaces(places);
          core.evaluate(core.sceneAt(100000), '', world, lens);
        }));
        core.endPreview();
        times.push(best(k => core.evaluate(core.sceneAt(1000 + k * 5000), '', world, lens)));
        times.push(best(k => core.seenAt(50000 + k)));
        times.push(best(k => core.cutNotes(k)));
        return times;
      }""";

  private static Sequence reel() {
    Map<String, Entity> all = new TreeMap<>();
    for (int i = 0; i < CAMERAS; i++)
      all.put(
          "cam" + i,
          new Camera(
              "cam" + i,
              "Camera " + i,
              "" + (char) ('A' + i),
              "#f0785a",
              false,
              true,
              Channels.NONE.with("focalLength", 35),
              List.of(
                  new Base(
                      "base",
                      true,
                      null,
                      Base.Takes.POSITION,
                      Channels.NONE.with("x", i).with("y", 1.6)))));
    List<String> places = Ranks.spread(SHOTS);
    for (int i = 0; i < SHOTS; i++) {
      String id = "shot" + i;
      all.put(
          id,
          Shot.of(id, String.format("B_%05d", i * 10), "cam" + i % CAMERAS, i * FRAMES, FRAMES)
              .withPlace(places.get(i)));
    }
    Header h =
        new Header(
            "BENCH",
            "Bench",
            0,
            SHOTS * FRAMES - 1,
            new Rate(24, 1),
            "m",
            1,
            new CameraPackage(new FilmBack(24.89, 14, 1), 1920, 1080, Fit.WIDTH, 0));
    return new Sequence(h, all);
  }

  @Test
  void aLongReel() {
    List<String> names = List.of("roll", "trim", "slip");
    double[] t =
        ((List<?>)
                page.evaluate(
                    IN_PAGE, List.of(SequenceJson.write(reel()), "shot" + SHOTS / 2, names)))
            .stream().mapToDouble(x -> ((Number) x).doubleValue()).toArray();
    System.out.printf(
        "%n%,d shots over %,d frames in the browser build, best of 20 twenties:%n",
        SHOTS, SHOTS * FRAMES);
    for (int i = 0; i < names.size(); i++)
      System.out.printf(
          "  a step of a drag, %-5s: command, rules, places, frame  %7.3f ms   %.0f %% of 2 ms%n",
          names.get(i), t[i], t[i] / 2 * 100);
    System.out.printf("  a frame of the programme, evaluated                     %7.3f ms%n", t[3]);
    System.out.printf("  where a frame of the scene is seen                      %7.3f ms%n", t[4]);
    System.out.printf("  what an editor would point out about a shot             %7.3f ms%n", t[5]);
  }
}
