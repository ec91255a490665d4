package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ReducedMotion;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Nothing that keeps somebody out, on any screen. */
class AccessTest extends Desk {
  private static final Set<String> SERIOUS = Set.of("serious", "critical");

  /** What axe finds on the screen that is open. */
  private void fine(String screen) {
    AxeRunOptions options = new AxeRunOptions();
    options.setResultTypes(List.of("violations")); // what passes is not told element by element
    List<String> found =
        new AxeBuilder(page)
            .options(options).analyze().getViolations().stream()
                .filter(r -> SERIOUS.contains(r.getImpact()))
                .map(AccessTest::said)
                .toList();
    assertEquals(List.of(), found, screen);
  }

  private static String said(Rule r) {
    return r.getId() + ": " + r.getNodes().get(0).getHtml();
  }

  @Test
  void everyDeskAndTheContactSheet() {
    for (String d : List.of("Set", "Frame", "Move", "Cut", "Hand over")) {
      desk(d);
      fine(d);
    }
    whatIsHandedOver();
    desk("Move");
    choose("Pim");
    fine("a piece on the Move desk");
    button("Fold the roster").click();
    button("Fold the panel on the right").click();
    button("Unfold the panel on the right").waitFor();
    fine("folded panels");
    button("Unfold the roster").click();
    button("Unfold the panel on the right").click();
    button("Contact sheet").click();
    page.locator("[data-tile] canvas[data-drawn]").first().waitFor();
    fine("contact sheet");
    button("Back to the views").click();
  }

  private void whatIsHandedOver() {
    page.getByLabel("What is made").getByText("Package").click();
    page.locator("[data-card=checks] .check").first().waitFor();
    fine("a package");
    page.getByLabel("What is made").getByText("Render").click();
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("10");
    button("This frame").click();
    page.locator("[data-job=DONE]").getByText("Look").click();
    page.locator("[data-testid=dailies] canvas[data-seen$=' 1']").waitFor();
    page.getByLabel("Beside").selectOption("The lens view as it is now");
    fine("dailies");
    button("Back to the views").click();
  }

  @Test
  void everyWindow() {
    for (String action :
        List.of(
            "Keys: see",
            "Guide: how",
            "What is new",
            "Standards: camera",
            "Versions: keep",
            "Sets of the production",
            "History: what",
            "Add lettering")) {
      page.keyboard().press("Control+k");
      page.getByPlaceholder("What would you like to do?").fill(action);
      if (action.startsWith("Keys")) fine("the command box");
      page.keyboard().press("Enter");
      page.locator("[role=dialog] h2").first().waitFor();
      fine(action);
      page.keyboard().press("Escape");
      page.waitForFunction("() => !document.querySelector('[role=dialog]')");
    }
  }

  @Test
  void homeAndAdministration() {
    page.evaluate("() => location.hash = ''");
    page.getByText("The whale balloon").waitFor();
    fine("home");
    button("New sequence").click();
    page.getByRole(AriaRole.DIALOG).waitFor();
    fine("new sequence");
    page.keyboard().press("Escape");
    button("+ New production").click();
    page.getByRole(AriaRole.DIALOG).waitFor();
    fine("new production");
    page.keyboard().press("Escape");
    button("People …").click();
    page.getByRole(AriaRole.DIALOG).waitFor();
    fine("people");
    page.keyboard().press("Escape");
    page.evaluate("() => location.hash = 'administration'");
    page.getByText("Folder of renders").waitFor();
    fine("administration");
  }

  /** Who asks the system for less motion sees nothing fade, fold or glide; others do. */
  @Test
  void lessMotionForWhoeverAsksForIt() {
    assertEquals(List.of(), moving());
    try {
      page.emulateMedia(
          new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.NO_PREFERENCE));
      assertNotEquals(List.of(), moving());
    } finally {
      page.emulateMedia(new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.REDUCE));
    }
  }

  /**
   * How many parts of the page change for so long that it is seen; a shorter one tells of what the
   * browser filled in.
   */
  private List<?> moving() {
    return (List<?>)
        page.evaluate(
            """
            () => [...document.querySelectorAll('*')].filter(e => {
              const style = getComputedStyle(e);
              return [style.transitionDuration, style.animationDuration]
                .some(all => all.split(',').some(s => parseFloat(s) >= 0.05));
            }).map(e => e.className)""");
  }
}
