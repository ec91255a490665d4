package kite.e2e;

import java.util.Arrays;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** How long the page takes to open a document of real size. Run by ./kite bench. */
@Tag("bench")
class OpeningBenchTest extends Desk {
  private static final int RUNS = 7;

  /** Frames of the sequence, keys of each of its 40 cameras, and the channels they lie on. */
  private static final int FRAMES = 1500, KEYS = 200, CHANNELS = 6;

  @Override
  Sequence document() {
    Header h = new SaltWind().sw010().header();
    Header longer =
        new Header(
            h.code(),
            h.title(),
            1001,
            1000 + FRAMES,
            h.rate(),
            h.displayUnit(),
            h.gridM(),
            h.cameraPackage());
    return EditBenchTest.largeDocument(longer, KEYS / CHANNELS);
  }

  @Test
  void fromHomeToThePicture() {
    double[] seconds = new double[RUNS];
    for (int i = 0; i < RUNS; i++) {
      page.evaluate("() => location.hash = ''");
      page.locator("main.home").waitFor();
      seconds[i] =
          ((Number)
                  page.evaluate(
                      "async id => { const from = performance.now(); location.hash = id;"
                          + " while (!(document.querySelector('[data-testid=lens]')?.dataset.drawn))"
                          + " await new Promise(r => setTimeout(r, 10));"
                          + " return (performance.now() - from) / 1000; }",
                      sequence))
              .doubleValue();
    }
    Arrays.sort(seconds);
    System.out.printf(
        "opening 300 pieces and 40 cameras: median %.2f s, slowest %.2f s%n",
        seconds[RUNS / 2], seconds[RUNS - 1]);
  }
}
