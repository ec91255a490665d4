package kite.e2e;

import kite.core.cut.Programme;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * How long filming the lens view takes, against how long the shot lasts, and how long the page is
 * held up by it at the most. Run by ./kite bench; here in the software rasteriser.
 */
@Tag("bench")
class FilmBenchTest extends Desk {
  private static final int RUNS = 2;

  /** The demonstration as it is, with its blur. */
  @Override
  Sequence document() {
    return new SaltWind().sw010();
  }

  @Override
  double pixelRatio() {
    return 1;
  }

  @Test
  void aShotIsFilmed() {
    Programme.Placed shot = Programme.of(document()).placed().get(1);
    goTo(shot.sceneFirst());
    desk("Hand over");
    choose("Along the stalls");
    for (String percent : new String[] {"25", "50"}) {
      field("Size").selectOption(percent);
      double best = Double.MAX_VALUE, held = 0;
      for (int i = 0; i < RUNS; i++) {
        int before = page.locator("[data-job=DONE]").count();
        page.evaluate(
            "() => { globalThis.heldUp = 0; let last = performance.now();"
                + " globalThis.looks = setInterval(() => { const now = performance.now();"
                + " heldUp = Math.max(heldUp, now - last - 20); last = now; }, 20); }");
        long from = System.nanoTime();
        button("Film this shot").click();
        page.waitForFunction(
            "n => document.querySelectorAll('[data-job=DONE]').length > n", before);
        best = Math.min(best, (System.nanoTime() - from) * 1e-9);
        held = Math.max(held, number("() => { clearInterval(looks); return heldUp; }"));
      }
      double lasts = shot.frames() / 24.0;
      System.out.printf(
          "filming %d frames at %s %%: %.1f s, %.1f × their length; the page held up %.0f ms at most%n",
          shot.frames(), percent, best, best / lasts, held);
    }
  }
}
