package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
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
    p.waitForCondition(() -> asked.get() >= 2);
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
    page.getByTestId("import-size").waitFor();
    button("Bring it in").click();
    page.getByText("board is in").waitFor();
  }

  /** Between the rig's coming and the picture's decoding, the core has a plan that is new. */
  @Test
  void aModelThatIsStillComingBreaksNoPanel() throws Exception {
    Page p = context.newPage();
    List<String> errors = new ArrayList<>();
    p.onPageError(errors::add);
    p.addInitScript(
        "const was = window.createImageBitmap; window.createImageBitmap = (...a) =>"
            + " new Promise((r) => setTimeout(r, 2500)).then(() => was(...a));");
    p.navigate(application.address() + "#" + sequence);
    ready(p);
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(2, 2, BufferedImage.TYPE_INT_RGB), "png", png);
    p.waitForFileChooser(() -> p.getByLabel("Bring in a model").first().click())
        .setFiles(
            new FilePayload[] {
              new FilePayload(
                  "sign.obj",
                  "text/plain",
                  "mtllib sign.mtl\nusemtl s\nv 0 0 0\nv 1 0 0\nv 0 2 0\nvt 0 0\nvt 1 0\nvt 0 1\nf 1/1 2/2 3/3\n"
                      .getBytes(StandardCharsets.UTF_8)),
              new FilePayload(
                  "sign.mtl",
                  "text/plain",
                  "newmtl s\nmap_Kd sign.png\n".getBytes(StandardCharsets.UTF_8)),
              new FilePayload("sign.png", "image/png", png.toByteArray())
            });
    p.getByText("Bring it in").click();
    p.getByText("sign is in").waitFor();
    for (int i = 0; i < 8; i++) {
      p.locator("aside.left .row .name[title='Crane down']").click();
      p.evaluate(NEXT_FRAMES);
      p.locator("aside.left .row .name[title='Lantern to Pim']").click();
      p.evaluate(NEXT_FRAMES);
    }
    ready(p);
    assertEquals(List.of(), errors);
  }

  /**
   * What fails while one part is drawn takes nothing else away, and is shown again when it can be.
   */
  @Test
  void aFaultStaysInItsPanel() {
    Page p = context.newPage();
    p.navigate(application.address() + "#" + sequence);
    ready(p);
    p.evaluate(
        "() => { window.was = JSON.parse; JSON.parse = (text, ...more) => {"
            + " if (String(text).includes('hyperfocalM')) throw new Error('broken');"
            + " return window.was(text, ...more); }; }");
    p.locator("aside.left .row .name[title='Lantern to Pim']").click();
    p.getByText("could not be shown").first().waitFor();
    p.locator("aside.left .row .name[title='Pim']").click();
    p.locator("aside.right [data-channel='x']").waitFor(); // the rest goes on
    p.evaluate("() => { JSON.parse = window.was; }");
    while (p.getByText("Show it again").count() > 0) p.getByText("Show it again").first().click();
    p.locator("aside.left .row .name[title='Crane down']").click();
    p.getByTestId("lens").waitFor();
    p.locator("aside.right [data-channel='focalLength']").waitFor();
  }
}
