package kite.e2e;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures a recipe of ten thousand commands in the page, from the key that tries it to the views
 * that show it, and how long the page stood still meanwhile; asserts nothing about time. Run by
 * ./kite bench.
 */
@Tag("bench")
class RecipeBenchTest extends Desk {
  private static final String MAKES =
      "for (let i = 0; i < 10000; i++) kite.standIn('box', 'B' + i, { at: [i % 100, 0, -i / 100] });";

  /** So long somebody writes at a recipe before it is tried, at the least, ms. */
  private static final double WRITTEN_MS = 3000;

  private static final String TIMED =
      """
      async () => {
        const until = done => new Promise(r => { const look = () => done() ? r() : setTimeout(look, 5); look(); });
        const tried = () => document.querySelector('[data-testid=tried]');
        let longest = 0, last = performance.now(), over = false;
        const beat = () => { const now = performance.now(); longest = Math.max(longest, now - last); last = now; if (!over) setTimeout(beat, 0); };
        const from = performance.now();
        beat();
        document.querySelector('.recipe-buttons button').click();
        await until(tried);
        over = true;
        return [performance.now() - from, longest];
      }""";

  @Test
  void tenThousandCommands() {
    page.keyboard().press("Shift+R");
    page.locator(".cm-content").click();
    page.keyboard().press("Control+a");
    page.keyboard().insertText("kite.standIn('box', 'Warm')");
    page.keyboard().press("Control+Enter");
    page.getByTestId("tried").waitFor();
    for (int i = 0; i < 3; i++) {
      button("Drop").click();
      page.locator(".cm-content").click();
      page.keyboard().press("Control+a");
      page.keyboard().insertText(MAKES);
      page.waitForTimeout(WRITTEN_MS);
      double[] ms = numbers(TIMED);
      System.out.printf(
          "10,000 commands by a recipe, tried: %.0f ms; the page stood still for %.0f ms at once%n",
          ms[0], ms[1]);
    }
  }
}
