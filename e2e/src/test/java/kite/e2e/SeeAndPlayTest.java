package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Point 1: the pier in the set view, camera A beside it, play, scrub, step. */
class SeeAndPlayTest extends Desk {
  @Test
  void theLensViewShowsThePierAndChangesFromFrameToFrame() throws Exception {
    goTo(1020);
    BufferedImage a = lens();
    Set<Integer> colours = new HashSet<>();
    for (int y = 0; y < a.getHeight(); y++)
      for (int x = 0; x < a.getWidth(); x++) colours.add(a.getRGB(x, y));
    assertTrue(colours.size() > 800, "a picture, not " + colours.size() + " colours");
    button("One frame on (.)").click();
    assertEquals(1021, number("() => jollyKite.state().frame"));
    assertTrue(difference(a, lens()) > 0.01, "the crane moves, so the picture does");
    page.keyboard().press("Comma");
    assertEquals(0, difference(a, lens()), 0.0005, "and back it is the same picture");
    assertTrue(page.locator("[data-testid=set]").isVisible());
  }

  @Test
  void playingKeepsTrueSpeedAndSaysWhatItDropped() {
    goTo(1001);
    // read right after an animation frame, whose time is the one the page went by
    double[] run =
        numbers(
            """
            async () => {
              const began = performance.now();
              document.querySelector('button[aria-label^="Play"]').click();
              await new Promise(r => setTimeout(r, 2500));
              const now = await new Promise(r => requestAnimationFrame(t => setTimeout(() => r(t), 0)));
              return [jollyKite.state().frame - 1001, (now - began) / 1000 * 24];
            }""");
    assertEquals(run[1], run[0], 2.5, "the frame shown is the one the clock asks for");
    assertTrue(run[0] > 40, "not slow motion");
    page.keyboard().press("Space");
    double stopped = number("() => jollyKite.state().frame");
    for (int i = 0; i < 5; i++) page.evaluate(NEXT_FRAMES);
    assertEquals(stopped, number("() => jollyKite.state().frame"));
    assertEquals(
        (int) number("() => jollyKite.state().dropped") + " dropped",
        page.getByTestId("dropped").textContent());
  }

  @Test
  void scrubbingTheRulerMovesThroughTheFilm() {
    var ruler = page.getByLabel("Scrub").boundingBox();
    page.mouse().click(ruler.x + ruler.width / 2, ruler.y + 8);
    assertEquals(1120, number("() => jollyKite.state().frame"), 2);
  }
}
