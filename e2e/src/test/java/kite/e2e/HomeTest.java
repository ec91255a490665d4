package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import com.microsoft.playwright.options.WaitUntilState;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Where one begins: productions and sequences, with mouse and keyboard. */
class HomeTest extends Desk {
  @BeforeEach
  void home() {
    page.evaluate("() => location.hash = ''");
    page.locator("main.home").waitFor();
  }

  private Locator dialog() {
    return page.getByRole(AriaRole.DIALOG);
  }

  /**
   * A sequence's tile; other tests may have carried one of the same code into another production.
   */
  private Locator tile(String code) {
    return page.getByRole(
            AriaRole.ARTICLE,
            new Page.GetByRoleOptions().setName(Pattern.compile("^" + code + "\\b.*")))
        .filter(new Locator.FilterOptions().setHasNotText("Carried"));
  }

  private void more(String code, String entry) {
    tile(code).getByLabel("More for " + code).click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(entry)).click();
    menuGone();
  }

  private void begin(String production) {
    button("+ New production").click();
    dialog().getByLabel("Name", exactly()).fill(production);
    dialog().getByText("25 fps, 16:9").click();
    page.keyboard().press("Enter");
  }

  private static Locator.GetByLabelOptions exactly() {
    return new Locator.GetByLabelOptions().setExact(true);
  }

  @Test
  void aFilmIsBegunAndItsFirstCameraLookedThrough() {
    String name = "Lee Shore " + System.nanoTime();
    begin(name);
    Locator code = dialog().getByLabel("Code", exactly());
    page.getByText("New sequence of " + name).waitFor();
    page.waitForFunction("() => /010$/.test(document.querySelector('[role=dialog] input').value)");
    String first = code.inputValue();
    dialog().getByLabel("Title").fill("The first evening");
    page.keyboard().press("Enter");
    page.locator("aside.left .row .name[title=\"Camera A\"]").waitFor();
    page.waitForFunction(
        "() => (document.querySelector('[data-testid=lens]')?.dataset.drawn ?? '').startsWith('1001/')");
    assertTrue(page.locator("aside.left .row .name[title=\"Adult\"]").isVisible());
    page.goBack();
    tile(first).waitFor();
    assertTrue(tile(first).textContent().contains("The first evening"));
  }

  @Test
  void aQuickHandBeginsBeforeWhatIsProposedHasCome() {
    page.reload(); // they are asked for once
    page.locator("main.home").waitFor();
    page.route("**/api/starting-points", route -> {}); // they do not come
    page.route("**/next-code", route -> {});
    button("+ New production").click();
    String name = "Quick " + System.nanoTime();
    dialog().getByLabel("Name", exactly()).fill(name);
    page.keyboard().press("Enter");
    page.getByText("New sequence of " + name).waitFor();
    dialog().getByLabel("Code", exactly()).fill("QK010");
    page.keyboard().press("Enter");
    page.locator("aside.left .row .name[title=\"Camera A\"]").waitFor();
  }

  @Test
  void whatIsWrongIsSaidAtItsField() {
    button("+ New production").click();
    dialog().getByLabel("Name", exactly()).fill("salt wind");
    page.keyboard().press("Enter");
    Locator said = dialog().getByText(Pattern.compile("“salt wind” is taken already.*"));
    said.waitFor();
    assertEquals("true", dialog().getByLabel("Name", exactly()).getAttribute("aria-invalid"));
    dialog().getByLabel("Name", exactly()).fill("Lull " + System.nanoTime());
    dialog().getByLabel("Short code").fill("no spaces");
    page.keyboard().press("Enter");
    dialog().getByText(Pattern.compile("A code has plain letters.*")).waitFor();
    assertFalse(said.isVisible());
    page.keyboard().press("Escape");
    assertEquals(0, dialog().count());
  }

  @Test
  void aSequenceIsDuplicatedRenamedAndPutAway() {
    String name = "Lull " + System.nanoTime();
    begin(name);
    page.getByText("New sequence of " + name).waitFor();
    dialog().getByLabel("Code", exactly()).fill("LL010");
    page.keyboard().press("Enter");
    page.locator("aside.left .row .name[title=\"Camera A\"]").waitFor();
    page.goBack();
    tile("LL010").waitFor();
    assertEquals(name, page.locator("main.home h2").textContent(), "back where one was");

    more("LL010", "Duplicate …");
    page.waitForFunction("() => document.querySelector('[role=dialog] input').value === 'LL020'");
    dialog().getByLabel("Its cameras").uncheck();
    assertTrue(dialog().getByLabel("Its cut").isDisabled());
    dialog().getByLabel("Title").fill("Without cameras");
    dialog().getByLabel("Title").press("Enter");
    page.locator("aside.left .row .name[title=\"Adult\"]").waitFor();
    assertEquals(0, page.locator("aside.left .row .name[title=\"Camera A\"]").count());
    page.goBack();

    more("LL020", "Code and title …");
    dialog().getByLabel("Code", exactly()).fill("LL015");
    page.keyboard().press("Enter");
    tile("LL015").waitFor();

    more("LL015", "Put into the archive");
    page.getByText("LL015 is in the archive.").waitFor();
    assertEquals(0, tile("LL015").count());
    button("Archive").click();
    more("LL015", "Put into the bin");
    button("Bin").click();
    more("LL015", "Delete for good …");
    dialog().getByLabel("Type LL015 to delete it").fill("LL015");
    page.keyboard().press("Enter");
    dialog().getByText(Pattern.compile("LL015 is kept in the bin for 30 days.*")).waitFor();
    page.keyboard().press("Escape");
    more("LL015", "Bring it back");
    button("At hand").click();
    tile("LL015").waitFor();
    page.getByLabel("Find a sequence").fill("without");
    tile("LL010").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    assertTrue(tile("LL015").isVisible());
  }

  @Test
  void aTileShowsTheCutAndIsAFavouriteForReview() {
    tile("SW010").getByLabel("Make SW010 a favourite").click();
    tile("SW010").getByLabel("SW010 is a favourite").waitFor();
    button("Favourites alone").click();
    page.waitForFunction("() => document.querySelectorAll('.home-tile').length === 1");
    more("SW010", "It is for review");
    tile("SW010").getByText("For review").waitFor();
    button("Favourites alone").click();
    tile("SW010").getByLabel("SW010 is a favourite").click();
    more("SW010", "It is in work");
    tile("SW010").getByText("In work").waitFor();
    // its picture is made behind the page, and is there the next time
    page.waitForCondition(
        () -> {
          page.reload(new Page.ReloadOptions().setWaitUntil(WaitUntilState.NETWORKIDLE));
          tile("SW010").waitFor();
          return (Boolean)
              tile("SW010").locator("img").evaluateAll("all => all[0]?.naturalWidth > 300");
        });
    tile("SW010").getByText(Pattern.compile("\\d+ shots, \\d+ frames")).waitFor();
  }
}
