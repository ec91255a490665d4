package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.MouseButton;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.rig.trim.Trim;
import org.junit.jupiter.api.Test;

/** Small things that were once otherwise than they said. */
class SmallThingsTest extends Desk {
  private static final String TRIANGLE = "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n";

  private static Page.GetByLabelOptions exact() {
    return new Page.GetByLabelOptions().setExact(true);
  }

  /** The pointer that Chromium's mouse is. */
  private static final Map<String, Object> MOUSE = Map.of("pointerId", 1);

  @Test
  void aModelLandsWhereTheSetViewLooks() throws Exception {
    desk("Set");
    page.waitForFileChooser(() -> button("Bring in a model").click())
        .setFiles(
            new FilePayload("sail.obj", "text/plain", TRIANGLE.getBytes(StandardCharsets.UTF_8)));
    page.getByText("Bring it in").click();
    page.locator("aside.left .row .name[title=sail]").waitFor();
    saved();
    Piece sail =
        application.stored().all(Piece.class).stream()
            .filter(p -> p.name().equals("sail"))
            .findFirst()
            .orElseThrow();
    double x = sail.channel("x").at(1), z = sail.channel("z").at(1);
    button("+ Figure").click();
    double[] figure = place(page.evaluate("() => jollyKite.state().selected[0]").toString());
    assertEquals(z, figure[2], 0.11, "where a figure is put, which is where the view looks");
    assertTrue(Math.abs(x) + Math.abs(z) > 0.5, "and not at the origin");
  }

  @Test
  void allOnLeavesTrimsOffThatWereOffBefore() throws Exception {
    choose("Lantern to Pim");
    page.getByLabel("Answer a note with a trim").selectOption("push in a little");
    page.getByLabel("Answer a note with a trim").selectOption("longer lens");
    page.getByLabel("Switch off: Trim").first().click();
    button("All off").click();
    button("All on").click();
    saved();
    List<Boolean> on =
        ((Camera) application.stored().get("camC"))
            .rig().stream().filter(p -> p instanceof Trim).map(p -> p.on()).toList();
    assertEquals(1, on.stream().filter(b -> b).count(), "one of two is on again: " + on);
  }

  @Test
  void theUpArrowDoesWhatDraggingUpDoes() {
    choose("Lantern to Pim");
    for (String tool : List.of("Dolly", "Zoom")) {
      button(tool).click();
      double before = reach();
      page.getByTestId("lens").focus();
      page.keyboard().press("ArrowUp");
      double key = reach() - before;
      before = reach();
      dragBy(page.getByTestId("lens"), 0, -40);
      double drag = reach() - before;
      assertTrue(key * drag > 0, tool + ": " + key + " by key, " + drag + " by drag");
    }
  }

  /** Where the camera stands along its way, and how long its lens is, in one number that rises. */
  private double reach() {
    double[] w = numbers("() => jollyKite.camera().world");
    return -w[14] + numbers("() => jollyKite.camera().lens")[0];
  }

  @Test
  void theCommandBoxKnowsEverydayWords() {
    choose("Lantern to Pim");
    for (String words : List.of("far clip", "focal length", "thirds", "film back")) {
      page.keyboard().press("Control+k");
      page.getByPlaceholder("What would you like to do?").fill(words);
      assertTrue(page.locator("[role=option]").count() > 0, words);
      page.keyboard().press("Escape");
    }
  }

  @Test
  void everyCameraHasItsChipOnTheCutDeskAndAShotCanBeRenamed() throws Exception {
    desk("Cut");
    assertEquals(7, page.locator(".cut-chips .badge").count());
    page.locator("[data-shot=cut2] > g")
        .first()
        .click(new Locator.ClickOptions().setButton(MouseButton.RIGHT));
    page.getByLabel("Code of this shot").fill("SW010_0025");
    page.getByLabel("Code of this shot").press("Enter");
    page.keyboard().press("Escape");
    menuGone();
    saved();
    assertEquals("SW010_0025", application.stored().get("cut2").name());
  }

  @Test
  void theFilmBackThatWouldBeFollowedIsTheSequences() {
    choose("Lantern to Pim");
    desk("Frame");
    String follows = page.getByLabel("Film back", exact()).locator("option").first().textContent();
    page.getByLabel("Film back", exact()).selectOption("Full frame");
    assertEquals(
        follows, page.getByLabel("Film back", exact()).locator("option").first().textContent());
    assertFalse(follows.contains("Full frame"));
    saved();
  }

  @Test
  void aCancelledPointerGivesUpTheDrag() {
    choose("Lantern");
    double x = value("lantern", "x");
    var label = page.locator("aside.right .field-label").first().boundingBox();
    page.mouse().move(label.x + 4, label.y + 4);
    page.mouse().down();
    page.mouse().move(label.x + 60, label.y + 4);
    assertTrue(Math.abs(value("lantern", "x") - x) > 0.1, "it follows the pointer");
    page.locator("aside.right .field-label").first().dispatchEvent("pointercancel", MOUSE);
    assertEquals(x, value("lantern", "x"), 1e-12);
    page.mouse().up();
    assertEquals(x, value("lantern", "x"), 1e-12);

    page.mouse().move(label.x + 4, label.y + 4);
    page.mouse().down();
    page.mouse().move(label.x + 60, label.y + 4);
    assertTrue(Math.abs(value("lantern", "x") - x) > 0.1, "it follows the pointer");
    page.keyboard().press("Escape");
    assertEquals(x, value("lantern", "x"), 1e-12);
    page.mouse().move(label.x + 90, label.y + 4);
    page.mouse().up();
    assertEquals(x, value("lantern", "x"), 1e-12);
  }

  @Test
  void aDraggedRowScrollsTheRosterAtItsEdge() {
    page.setViewportSize(1120, 520);
    Locator roster = page.locator("aside.left .scroll");
    var box = roster.boundingBox();
    page.locator("aside.left .row .name[title=\"Crane down\"]").hover();
    page.mouse().down();
    page.mouse().move(box.x + 60, box.y + box.height / 2);
    for (int i = 0; i < 12; i++) page.mouse().move(box.x + 60 + i % 2, box.y + box.height - 6);
    double down = ((Number) roster.evaluate("e => e.scrollTop")).doubleValue();
    for (int i = 0; i < 12; i++) page.mouse().move(box.x + 60 + i % 2, box.y + 6);
    double up = ((Number) roster.evaluate("e => e.scrollTop")).doubleValue();
    page.keyboard().press("Escape");
    page.mouse().up();
    assertTrue(down > 50, "scrolled down by " + down);
    assertTrue(up < down, "and up again to " + up);
  }

  @Test
  void aLayerStaysInSightWhileSomethingIsLookedFor() {
    desk("Set");
    add("Layer");
    String layer = page.locator("aside.left .row.on .name").first().textContent();
    page.getByPlaceholder("Find by name").fill("Bollard");
    assertTrue(page.locator("aside.left .row .name[title=\"" + layer + "\"]").isVisible());
    assertEquals(0, page.locator("aside.left .row .name[title=\"Pim\"]").count());
    page.getByPlaceholder("Find by name").fill("");
  }

  @Test
  void aTooltipComesToThePointerAndToTheKeyboardAndIsWhatTheButtonIsDescribedBy() {
    Locator sheet = button("Contact sheet");
    Locator tip = page.getByRole(AriaRole.TOOLTIP);
    sheet.hover();
    tip.waitFor();
    assertTrue(tip.textContent().startsWith("Every camera's view of this frame, live"));
    assertEquals(tip.getAttribute("id"), sheet.getAttribute("aria-describedby"));
    page.keyboard().press("Escape");
    gone(tip);
    assertNull(sheet.getAttribute("aria-describedby"), "it is described by what shows, alone");
    button("Shot list").hover();
    tip.waitFor();
    assertTrue(tip.textContent().startsWith("Every shot of the cut"), "the next says its own");
    page.mouse().move(600, 300);
    gone(tip);
    sheet.focus();
    page.keyboard().press("Tab");
    tip.waitFor();
    assertTrue(tip.textContent().startsWith("Every shot of the cut"), "it comes to the keyboard");
    page.evaluate("() => document.activeElement.blur()");
    gone(tip);
  }

  private static void gone(Locator what) {
    what.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
  }
}
