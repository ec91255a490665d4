package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Room for what a desk is for, at every size, and first steps on the real screen. */
class RoomTest extends Desk {
  /** Controls whose middle lies outside the window, or that stick out of it. */
  private static final String OUTSIDE =
      "() => [...document.querySelectorAll('header button, header a, .transport > * button,"
          + " .view-bar button, .panel-head button')].filter(b => { const r ="
          + " b.getBoundingClientRect(); return r.width && (r.right > innerWidth || r.left < 0) &&"
          + " !b.closest('.lane-tools'); }).map(b => b.textContent || b.ariaLabel)";

  /** The canvas is kept for the next view, and must not come back with another size. */
  @Test
  void aLensViewThatIsOpenedAgainIsShownAsLargeAsItIsDrawn() throws Exception {
    reopened(document());
    double[] widths =
        numbers(
            "() => { const lens = document.querySelector('[data-testid=lens]');"
                + " return [lens.width, lens.getBoundingClientRect().width * devicePixelRatio]; }");
    assertEquals(widths[0], widths[1], 1);
  }

  @Test
  void nothingIsCutOffAndLanesAreSeenAtEverySize() {
    for (int[] size : new int[][] {{1280, 800}, {1440, 900}, {2560, 1440}, {853, 533}}) {
      page.setViewportSize(size[0], size[1]);
      for (String d : List.of("Set", "Frame", "Move", "Cut", "Hand over")) {
        desk(d);
        String at = d + " at " + size[0];
        assertEquals(List.of(), page.evaluate(OUTSIDE), at);
        double lens = page.locator(".lens-view").boundingBox().width;
        double set = page.locator(".set-view").boundingBox().width;
        assertTrue(lens >= 200 && set >= 200, at + ": " + set + " and " + lens);
        assertTrue(page.locator("[data-testid=lens]").boundingBox().height > 60, at);
      }
    }
    page.setViewportSize(1280, 800);
    desk("Move");
    choose("Crane down");
    int lanes =
        ((Number)
                page.evaluate(
                    "() => { const box = document.querySelector('.lanes').getBoundingClientRect();"
                        + " return [...document.querySelectorAll('.lanes .lane')].slice(1).filter(l"
                        + " => l.getBoundingClientRect().bottom <= box.bottom + 1).length; }"))
            .intValue();
    assertTrue(lanes >= 5, lanes + " lanes");
  }

  @Test
  void aDeskKeepsWhatWasMadeOfItsRoom() {
    page.setViewportSize(1280, 800);
    desk("Frame");
    double before = page.locator(".set-view").boundingBox().width;
    Locator bar = page.getByLabel("Divider between the views");
    var at = bar.boundingBox();
    page.mouse().move(at.x + at.width / 2, at.y + 200);
    page.mouse().down();
    page.mouse()
        .move(
            at.x + at.width / 2 + 80,
            at.y + 200,
            new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
    page.mouse().up();
    double wider = page.locator(".set-view").boundingBox().width;
    assertEquals(before + 80, wider, 6);
    button("Fold the roster").click();
    button("Unfold the roster").waitFor();
    desk("Set");
    page.locator("aside.left").waitFor(); // another desk has its own
    page.reload();
    ready(page);
    desk("Frame");
    button("Unfold the roster").waitFor();
    double share =
        page.locator(".set-view").boundingBox().width
            / (page.locator(".set-view").boundingBox().width
                + page.locator(".lens-view").boundingBox().width);
    button("Unfold the roster").click();
    page.locator("aside.left").waitFor();
    assertEquals(wider, page.locator(".set-view").boundingBox().width, 8);
    assertTrue(share > 0.45, "" + share);
    page.getByLabel("Divider between the views").dblclick();
    assertEquals(before, page.locator(".set-view").boundingBox().width, 8);
  }

  @Test
  void aDividerIsMovedByTheKeyboard() {
    desk("Frame");
    double before = page.locator(".set-view").boundingBox().width;
    page.getByLabel("Divider between the views").focus();
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    assertTrue(page.locator(".set-view").boundingBox().width > before + 10);
    page.getByLabel("Divider between the views").dblclick();
  }

  @Test
  void theFirstStepsAreTakenOnTheRealScreenEachByDoingIt() {
    try (BrowserContext c = context(small())) {
      Page p = c.newPage();
      p.navigate(application.address());
      p.getByText("Sign in", new Page.GetByTextOptions().setExact(true)).last().click();
      p.locator("main.home").waitFor();
      p.evaluate("id => location.hash = id", sequence);
      ready(p);
      p.getByTestId("step-look").waitFor();
      p.locator("aside.left .row .name[title='Lantern to Pim']").click();
      p.getByTestId("step-walk").waitFor();
      var lens = p.getByTestId("lens").boundingBox();
      p.mouse().move(lens.x + 100, lens.y + 60);
      p.mouse().down();
      p.mouse().move(lens.x + 130, lens.y + 60);
      p.mouse().up();
      p.getByTestId("step-lens").waitFor();
      p.locator("aside.right [data-channel=focalLength]").fill("40");
      p.locator("aside.right [data-channel=focalLength]").press("Enter");
      p.getByTestId("step-key").waitFor();
      p.getByLabel("Key Focal length").click();
      p.getByTestId("step-play").waitFor();
      p.keyboard().press(" ");
      p.waitForFunction("() => !document.querySelector('[data-testid^=step-]')");
      p.keyboard().press(" ");
      p.reload();
      ready(p);
      String done = "JSON.parse(localStorage['jolly-kite.first-steps']).state.done.length";
      assertEquals(5, p.evaluate("() => " + done), "hints come for what is not done alone");
      p.evaluate(NEXT_FRAMES);
      assertEquals(0, p.locator("[data-testid^=step-]").count());
    }
  }

  @Test
  void theGuideIsReadAndSearchedInTheApplication() {
    button("Help").click();
    page.getByText("Guide", new Page.GetByTextOptions().setExact(true)).click();
    page.getByLabel("Find in the text").fill("squeeze");
    page.waitForFunction(
        "() => { const h = [...document.querySelectorAll('article h2')]; return h.length > 0 &&"
            + " h.length < 12 && [...document.querySelectorAll('article section')].every(s =>"
            + " s.textContent.toLowerCase().includes('squeeze')); }");
    button("Close").click();
  }
}
