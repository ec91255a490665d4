package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** One list of keys: what is pressed, what is shown, and what a person has made of it. */
class KeysTest extends Desk {
  @AfterEach
  void usualKeys() {
    page.keyboard().press("Escape");
    keys();
    Locator all = button("All as usual");
    if (all.isEnabled()) all.click();
    button("Close").click();
  }

  private void keys() {
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("Keys: see");
    page.keyboard().press("Enter");
    page.getByLabel("Find a key").waitFor();
  }

  private Locator keyFor(String what) {
    return page.getByLabel("key for " + what);
  }

  @Test
  void aKeyIsChangedEverywhereAtOnceAndGivenBack() {
    page.keyboard().press("Shift+?");
    page.getByLabel("Find a key").fill("one frame on");
    keyFor("One frame on").click();
    page.getByTestId("press-a-key").waitFor();
    page.keyboard().press("n");
    assertEquals("N", keyFor("One frame on").textContent());
    button("Close").click();

    double frame = number("() => jollyKite.state().frame");
    page.keyboard().press("n");
    assertEquals(frame + 1, number("() => jollyKite.state().frame"));
    page.keyboard().press(".");
    assertEquals(frame + 1, number("() => jollyKite.state().frame"));
    assertTrue(button("One frame on (N)").isVisible());
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("one frame on");
    assertEquals("N", page.locator("[role=option] kbd").first().textContent());
    page.keyboard().press("Escape");

    page.reload();
    ready(page);
    frame = number("() => jollyKite.state().frame");
    page.keyboard().press("n");
    assertEquals(frame + 1, number("() => jollyKite.state().frame"));

    keys();
    page.getByLabel("The usual key for: One frame on").click();
    button("Close").click();
    page.keyboard().press(".");
    assertEquals(frame + 2, number("() => jollyKite.state().frame"));
  }

  @Test
  void aKeyThatIsTakenIsToldOfAndGoesOverOnlyWhenThatIsWished() {
    keys();
    keyFor("One frame back").click();
    page.keyboard().press(".");
    page.getByText(". is the key of “One frame on”.").waitFor();
    button("Leave it").click();
    assertEquals(",", keyFor("One frame back").textContent());
    keyFor("One frame back").click();
    page.keyboard().press(".");
    button("Take it").click();
    assertEquals(".", keyFor("One frame back").textContent());
    assertEquals("none", keyFor("One frame on").textContent());
    keyFor("Last frame").click();
    page.keyboard().press("3");
    page.getByText("3 stays with “Turn to the first, second … of its subjects”.").waitFor();
    page.keyboard().press("Escape");
  }

  @Test
  void aKeyOfTheLensViewMeansNothingElsewhereAndNoKeyReachesTheDeskFromAWindow() {
    page.getByTestId("lens").focus();
    page.keyboard().press("o");
    assertEquals(
        "true",
        page.getByLabel("Orbit", new Page.GetByLabelOptions().setExact(true))
            .getAttribute("aria-pressed"));
    page.locator("aside.left [role=treeitem]").nth(1).focus();
    page.keyboard().press("t");
    assertEquals(
        "true",
        page.getByLabel("Orbit", new Page.GetByLabelOptions().setExact(true))
            .getAttribute("aria-pressed"));
    page.getByTestId("lens").focus();
    page.keyboard().press("t");

    keys();
    double frame = number("() => jollyKite.state().frame");
    button("Close").focus();
    page.keyboard().press(".");
    assertEquals(frame, number("() => jollyKite.state().frame"));
    button("Close").click();
  }

  @Test
  void altAndArrowsGoThroughTheCamerasAndACutIsMovedByArrows() throws Exception {
    choose("Crane down");
    page.keyboard().press("Alt+ArrowDown");
    assertEquals("camB", page.evaluate("() => jollyKite.state().camera"));
    page.keyboard().press("Alt+ArrowUp");
    page.keyboard().press("Alt+ArrowUp");
    assertEquals("camG", page.evaluate("() => jollyKite.state().camera"));
    desk("Cut");
    page.getByLabel("Where SW010_0020 begins").focus();
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    saved();
    assertEquals(
        1063, ((kite.core.document.CutEntry) application.stored().get("cut2")).firstFrame());
  }
}
