package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;

/** What a page keeps, and what it does when something does not arrive. */
class KeptTest extends Desk {
  private static final FilePayload BOARD =
      new FilePayload(
          "board.obj",
          "text/plain",
          "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n".getBytes(StandardCharsets.UTF_8));

  /** Lets the first so many requests fail; gives how often it was asked. */
  private AtomicInteger failing(Page p, Pattern url, int first) {
    AtomicInteger asked = new AtomicInteger();
    p.route(
        url,
        route -> {
          if (asked.incrementAndGet() <= first)
            route.fulfill(new Route.FulfillOptions().setStatus(503).setBody("away"));
          else route.resume();
        });
    return asked;
  }

  @Test
  void aModelThatDidNotArriveIsAskedForAgain() {
    Page p = context.newPage();
    AtomicInteger asked = failing(p, Pattern.compile(".*/api/assets/[0-9a-f]+/report"), 3);
    p.navigate(application.address() + "#" + sequence);
    p.getByText("A model could not be loaded").first().waitFor();
    ready(p);
    // every model is there in the end: each card tells its triangles once its file is read
    for (String name : new String[] {"Lantern", "Windmill", "Stall 1", "Pier", "Lighthouse"}) {
      p.locator("aside.left .row .name[title=\"" + name + "\"]").click();
      p.locator("aside.right").getByText(Pattern.compile("[0-9]+ triangles")).first().waitFor();
    }
    assertTrue(asked.get() > 3);
  }

  @Test
  void aPlateThatDidNotArriveIsAskedForAgain() throws Exception {
    Sequence effects = new SaltWind().sw020();
    String id = application.resetProduction(effects);
    String image = effects.all(Plate.class).get(0).frames().get(0);
    Page p = context.newPage();
    AtomicInteger asked = failing(p, Pattern.compile(".*/api/assets/" + image), 1);
    p.navigate(application.address() + "#" + id);
    p.getByText("image could not be loaded").first().waitFor();
    p.waitForCondition(
        () -> asked.get() >= 2, new Page.WaitForConditionOptions().setTimeout(20_000));
  }

  @Test
  void storageThatCannotBeReadBlocksNothing() {
    Page p = context.newPage();
    p.addInitScript(
        "localStorage.setItem('jolly-kite.unsaved."
            + sequence
            + "', '{\"half'); sessionStorage.setItem('jolly-kite.place."
            + sequence
            + "', '{\"half')");
    p.navigate(application.address() + "#" + sequence);
    ready(p);
    p.locator("aside.left .row .name[title='Lantern to Pim']").click();
    assertEquals("camC", p.evaluate("() => jollyKite.state().camera"));
    assertEquals(
        "{\"half",
        p.evaluate("() => localStorage.getItem('jolly-kite.unsaved." + sequence + ".unreadable')"),
        "what could not be read is kept aside");
  }

  @Test
  void aModelWaitsForTheLine() {
    context.setOffline(true);
    try {
      page.waitForFileChooser(() -> button("Bring in a model").click()).setFiles(BOARD);
      page.getByText("is read as soon as it answers").waitFor();
    } finally {
      context.setOffline(false);
    }
    page.getByTestId("import-size").waitFor(new Locator.WaitForOptions().setTimeout(15_000));
    button("Bring it in").click();
    page.getByText("board is in").waitFor();
  }
}
