package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
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
    assertEquals(1063, ((kite.core.document.Shot) application.stored().get("cut2")).take().first());
  }

  private String partWithTheKeyboard() {
    return (String)
        page.evaluate(
            "() => { const a = document.activeElement;"
                + " return a.dataset.testid ?? a.closest('aside, section')?.className ?? 'none'; }");
  }

  @Test
  void theKeyboardGoesRoundThePartsOfTheWindow() {
    page.getByTestId("lens").focus();
    for (String part : new String[] {"right", "time", "left", "set", "lens"}) {
      page.keyboard().press("F6");
      assertTrue(partWithTheKeyboard().contains(part), part + ": " + partWithTheKeyboard());
    }
    page.keyboard().press("Shift+F6");
    assertEquals("set", partWithTheKeyboard());
    page.getByPlaceholder("Find by name").focus(); // where letters are typed, too
    page.keyboard().press("F6");
    assertEquals("set", partWithTheKeyboard());
  }

  @Test
  void theRosterIsOneStopAndItsRowsAreChosenFoldedAndNamedByKeyboard() throws Exception {
    choose("Crane down");
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertEquals(List.of("camB"), selected());
    page.keyboard().press("Shift+ArrowDown");
    assertEquals(List.of("camB", "camC"), selected());
    page.keyboard().press("ArrowUp");
    page.keyboard().press("ArrowUp");
    page.keyboard().press("ArrowUp"); // onto the heading
    page.keyboard().press("ArrowLeft");
    page.locator("aside.left .row .name[title='Along the stalls']")
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    page.keyboard().press("ArrowRight");
    page.locator("aside.left .row .name[title='Along the stalls']").waitFor();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("F2");
    page.getByLabel("New name of Crane down").fill("Crane up");
    page.keyboard().press("Enter");
    saved();
    assertEquals("Crane up", application.stored().get("camA").name());
    // what is chosen in a folded branch comes into sight
    page.locator("aside.left [role=treeitem]").first().focus();
    page.keyboard().press("ArrowLeft");
    page.keyboard().press("Alt+ArrowDown");
    page.locator("aside.left .row.on").waitFor();
    // letters are the page's, not the tree's
    page.locator("aside.left [role=treeitem][tabindex='0']").focus();
    double frame = number("() => jollyKite.state().frame");
    page.keyboard().press(".");
    assertEquals(frame + 1, number("() => jollyKite.state().frame"));
    // Tab leaves the rows behind
    page.keyboard().press("Tab");
    assertEquals(false, page.evaluate("() => !!document.activeElement.closest('[role=treeitem]')"));
  }

  @SuppressWarnings("unchecked")
  private List<String> selected() {
    return (List<String>) page.evaluate("() => jollyKite.state().selected");
  }
}
