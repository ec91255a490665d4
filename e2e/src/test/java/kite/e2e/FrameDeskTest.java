package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import kite.core.document.Camera;
import kite.core.optics.DepthOfField;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The Frame desk: finding the frame, lens, depth ruler, focus, composition. */
class FrameDeskTest extends Desk {
  @Override
  double pixelRatio() {
    return 1;
  }

  @BeforeEach
  void lookThroughC() {
    desk("Frame");
    choose("Lantern to Pim");
    goTo(1175);
  }

  private double lensValue(int channel) {
    return numbers("() => jollyKite.camera().lens")[channel];
  }

  private double[] pimsEyes() {
    double[] p = place("pim");
    return new double[] {p[0], 1.14, p[2]};
  }

  @Test
  void everyWayOfMovingDoesWhatItsNameSays() {
    thing("Subject", "Pim");
    double[] before = project(pimsEyes()), world = numbers("() => jollyKite.camera().world");
    button("Orbit").click();
    dragBy(page.getByTestId("lens"), -70, 20);
    double[] now = project(pimsEyes()), moved = numbers("() => jollyKite.camera().world");
    assertTrue(Math.abs(moved[12] - world[12]) > 1, "it went round");
    assertEquals(before[2], now[2], 0.06, "at the same distance");
    assertEquals(before[0], now[0], 0.02, "with Pim at the same place");
    button("Roll").click();
    dragBy(page.getByTestId("lens"), 60, 0);
    assertTrue(Math.abs(numbers("() => jollyKite.camera().world")[1]) > 0.05, "it rolled");
    button("Level the horizon").click();
    assertEquals(0, numbers("() => jollyKite.camera().world")[1], 1e-9);
    double mm = lensValue(0);
    button("Zoom").click();
    double[] stood = numbers("() => jollyKite.camera().world");
    dragBy(page.getByTestId("lens"), 0, -40);
    assertTrue(lensValue(0) > mm * 1.1, "the lens grew");
    assertEquals(stood[14], numbers("() => jollyKite.camera().world")[14], 1e-12, "and stood");
    for (int i = 0; i < 4; i++) button("Earlier view").click();
    double[] back = numbers("() => jollyKite.camera().world");
    for (int i = 0; i < 16; i++) assertEquals(world[i], back[i], 1e-6, "back where it began");
    assertEquals(65, lensValue(0), 1e-9);
    button("Lock the camera").click();
    page.getByTestId("lens").focus();
    page.keyboard().press("ArrowLeft");
    page.getByText("Camera C is locked").first().waitFor();
  }

  @Test
  void aLensCanBeChangedWhileTheSubjectKeepsItsSize() throws Exception {
    thing("Subject", "Pim");
    double[] eyes = pimsEyes();
    double before = project(eyes[0], eyes[1] + 0.3, eyes[2])[1] - project(eyes)[1];
    page.getByText("Keep Pim’s size: the camera dollies").click();
    button("135").click();
    assertEquals(135, lensValue(0));
    double after = project(eyes[0], eyes[1] + 0.3, eyes[2])[1] - project(eyes)[1];
    assertEquals(before, after, Math.abs(before) * 0.01);
    assertEquals("long", page.getByTestId("reach").textContent());
    type("Sees up", "40");
    // the delivery window is 24.89 × 9/16 = 14.0006 mm high
    assertEquals(24.89 * 9 / 16 / 2 / Math.tan(Math.toRadians(20)), lensValue(0), 0.01);
    double[] wide = project(eyes);
    page.getByLabel("Film back", new Page.GetByLabelOptions().setExact(true))
        .selectOption("Full frame");
    double[] full = project(eyes);
    assertEquals((wide[0] - 0.5) * 24.89 / 36, full[0] - 0.5, 1e-9);
    page.getByText("This camera decides for itself").waitFor();
    button("Follow again").click();
    assertEquals(wide[0], project(eyes)[0], 1e-12);
    // a camera nobody has given a lens
    add("Camera from the set view");
    page.getByText("Nobody has chosen this lens yet").waitFor();
  }

  @Test
  void theDepthRulerIsDragged() {
    page.locator("[data-bar=pim]").waitFor();
    Locator focus = page.locator("[data-ruler='Focus']");
    double before = lensValue(2);
    var head = focus.boundingBox(); // and the focus at its head
    page.mouse().move(head.x + head.width / 2, head.y + 8);
    page.mouse().down();
    page.mouse().move(head.x + head.width / 2 - 40, head.y + 8);
    page.mouse().move(head.x + head.width / 2 - 80, head.y + 8);
    page.mouse().up();
    double now = lensValue(2);
    assertTrue(now < before * 0.7, before + " → " + now);
    Locator near = page.locator("[data-ruler='Near limit of what is sharp']");
    double farLimit = limits()[1], stop = lensValue(1);
    var grip = near.boundingBox(); // the limits are held at the foot of the ruler
    page.mouse().move(grip.x + grip.width / 2, grip.y + grip.height - 24);
    page.mouse().down();
    page.mouse().move(grip.x + grip.width / 2 - 20, grip.y + grip.height - 24);
    page.mouse().move(grip.x + grip.width / 2 - 40, grip.y + grip.height - 24);
    page.mouse().up();
    assertTrue(lensValue(1) > stop * 1.2, "more depth needs a smaller opening");
    assertEquals(farLimit, limits()[1], farLimit * 0.01, "the other limit stays");
    page.getByTestId("cut-note")
        .waitFor(
            new Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    type("Far clip of Lantern to Pim", "12");
    page.getByTestId("cut-note").waitFor();
    assertTrue(page.getByTestId("cut-note").textContent().contains("far clip"));
    page.getByTestId("cut-note").getByText("Nothing is cut off").last().click();
    assertTrue(lensValue(4) > 300, "the sea reaches far: " + lensValue(4));
    type("Near clip of Lantern to Pim", "0.001");
    type("Far clip of Lantern to Pim", "0.5");
    page.getByText("beyond the far clip.").waitFor();
  }

  private double[] limits() {
    double[] l = numbers("() => jollyKite.camera().lens");
    DepthOfField d = new DepthOfField(l[0], l[1], Math.hypot(24.89, 14) / 1500, l[2]);
    return new double[] {d.nearLimitM(), d.farLimitM()};
  }

  @Test
  void focusIsRackedInThreeClicksAndFollowsWhoeverMoves() throws Exception {
    double[] lantern = place("lantern");
    button("Rack focus …").click();
    clickAt(lantern[0], lantern[1] + 1.35, lantern[2]);
    page.getByText("Rack focus from Lantern: click the second").first().waitFor();
    clickAt(place("pim")[0], 0.8, place("pim")[2]);
    page.getByText("over 24 frames from here").waitFor();
    goTo(1174);
    assertTrue(lensValue(2) < 2, "on the lantern: " + lensValue(2));
    goTo(1199);
    double[] eyes = pimsEyes();
    assertEquals(project(eyes)[2], lensValue(2), 0.12, "on Pim, along the axis");
    assertTrue(
        page.getByTestId("hold-both").textContent().startsWith("Cannot hold both: needs f/"));
    page.getByTestId("focus-lane").waitFor();
    choose("Pim");
    type("Z of Pim", "-8");
    choose("Lantern to Pim");
    eyes = pimsEyes();
    assertEquals(project(eyes)[2], lensValue(2), 0.12, "and stays on him when he is moved");
    button("On a point …").click();
    clickAt(lantern[0], lantern[1] + 1.35, lantern[2]);
    page.waitForFunction("() => jollyKite.camera().lens[2] < 2.2");
    saved();
    assertEquals(null, ((Camera) application.stored().get("camC")).focus());
  }

  @Test
  void aSubjectIsPutOnACrossingAndTheGuidesShowIt() throws Exception {
    thing("Subject", "Pim");
    BufferedImage before = lens();
    button("Thirds").click();
    assertEquals(4, page.locator("[data-guide=thirds]").count());
    assertTrue(difference(before, lens()) < 0.001, "guides lie over the picture, not in it");
    var pad = page.getByTestId("placing").boundingBox();
    page.getByTestId("placing")
        .click(new Locator.ClickOptions().setPosition(pad.width * 2 / 3, pad.height / 3));
    page.getByPlaceholder("as it is").fill("60 %");
    button("Travel").click();
    page.waitForFunction(
        "() => { const p = jollyKite.place('pim'); return Math.abs(jollyKite.project(p[0], 1.13, p[2])[0] - 2 / 3) < 0.02 }");
    assertTrue(page.getByTestId("composition").textContent().contains("60 % high"));
    double[] eyes = pimsEyes();
    assertEquals(1 / 3.0, project(eyes)[1], 0.03);
    page.getByLabel("How dark the surround is").fill("0.5");
    drawn();
    BufferedImage wide = lens();
    assertTrue(wide.getWidth() * 1.0 / wide.getHeight() < 1.7, "more than the frame is drawn");
    double steps = number("() => jollyKite.state().undoSteps");
    dragBy(page.getByLabel("How dark the surround is"), 30, 0);
    assertEquals(steps + 1, number("() => jollyKite.state().undoSteps"), "a drag is one edit");
  }

  @Test
  void theContactSheetShowsWhatEachCameraDelivers() throws Exception {
    choose("Dolly zoom on Oda");
    goTo(1200);
    BufferedImage alone = lens();
    button("Contact sheet").click();
    page.waitForFunction(
        "() => [...document.querySelectorAll('[data-tile] canvas')].length === 7 && [...document.querySelectorAll('[data-tile] canvas')].every(c => c.dataset.drawn === '1200')");
    String url =
        (String)
            page.evaluate("() => document.querySelector('[data-tile=camD] canvas').toDataURL()");
    BufferedImage tile =
        javax.imageio.ImageIO.read(
            new java.io.ByteArrayInputStream(
                java.util.Base64.getDecoder().decode(url.substring(url.indexOf(',') + 1))));
    double same =
        Pictures.edgeCorrelation(tile, Pictures.scaled(alone, tile.getWidth(), tile.getHeight()));
    assertTrue(same > 0.7, "edges lie in the same places: " + same);
    page.locator("[data-tile=camA]").click();
    drawn();
    assertEquals("camA", page.evaluate("() => jollyKite.state().camera"));
    // a window of its own follows the frame and the camera
    Page second = context.waitForPage(() -> button("Open in a window of its own").click());
    ready(second);
    goTo(1033);
    second.waitForFunction(
        "() => jollyKite.state().frame === 1033 && jollyKite.state().camera === 'camA'");
    type("Focal length of Crane down", "50");
    second.waitForFunction("() => jollyKite.camera().lens[0] === 50");
  }
}
