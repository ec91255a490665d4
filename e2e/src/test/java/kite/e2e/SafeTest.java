package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import org.junit.jupiter.api.Test;

/** Undo and redo, and nothing lost by reload, kill or a line that breaks. */
class SafeTest extends Desk {
  @Test
  void everyKindOfEditIsUndoneAndDoneAgain() throws Exception {
    Sequence start = application.stored();
    choose("Oda");
    type("X of Oda", "2");
    page.getByLabel("Key Z of Oda").click();
    add("Child stand-in");
    goTo(1030);
    button("Cut to camera D here").click();
    choose("Crane down");
    page.getByLabel("Switch off: Attention").click();
    saved();
    Sequence end = application.stored();
    assertTrue(!start.equals(end));
    for (int i = 0; i < 5; i++) button("Undo").click();
    saved();
    assertEquals(start, application.stored());
    for (int i = 0; i < 5; i++) page.keyboard().press("Control+Shift+Z");
    saved();
    assertEquals(end, application.stored());
  }

  @Test
  void acknowledgedEditsSurviveAKilledServerAndUnacknowledgedOnesAreSentLater() throws Exception {
    choose("Oda");
    type("X of Oda", "2.25");
    saved();
    application.kill();
    type("Z of Oda", "-16");
    page.getByText("1 kept here").waitFor();
    application.start();
    saved();
    page.reload();
    ready(page);
    assertEquals(2.25, value("oda", "x"));
    assertEquals(-16, value("oda", "z"));
    assertEquals(2, number("() => jollyKite.state().revision"), "each edit once");
  }

  @Test
  void anEditWhoseAnswerWasLostIsNotAppliedTwice() throws Exception {
    choose("Lantern to Pim");
    goTo(1175);
    page.route(
        "**/edits",
        route -> {
          route.fetch(); // the server takes it …
          route.abort(); // … and the page never hears of it
        });
    page.getByTestId("lens").focus();
    page.keyboard().press("ArrowRight"); // a relative edit: twice would be seen
    page.getByText("1 kept here").waitFor();
    page.unroute("**/edits");
    page.reload();
    ready(page);
    saved();
    assertEquals(-6, value("camC", "head/pan"), 1e-9);
    assertEquals(-6, application.stored().get("camC").channel("head/pan").at(1175), 1e-9);
  }

  @Test
  void aSecondWindowSeesTheEditAndBothEditDifferentThings() throws Exception {
    Page second = context.newPage();
    second.navigate(application.address() + "#" + sequence);
    ready(second);
    choose("Oda");
    type("X of Oda", "2.5");
    second.waitForFunction("() => jollyKite.value('oda', 'x') === 2.5");
    second.locator("aside.left .row .name[title=Pim]").click();
    second.getByLabel("X of Pim", new Page.GetByLabelOptions().setExact(true)).fill("0.9");
    second.keyboard().press("Enter");
    page.waitForFunction("() => jollyKite.value('pim', 'x') === 0.9");
    assertEquals(2, number("() => jollyKite.state().revision"));
  }

  @Test
  void undoTakesBackOnesOwnNumbersAndLeavesTheOthers() throws Exception {
    Page second = context.newPage();
    second.navigate(application.address() + "#" + sequence);
    ready(second);
    double z = value("oda", "z");
    choose("Oda");
    type("X of Oda", "2.5");
    type("Z of Oda", "-9");
    saved();
    second.waitForFunction("() => jollyKite.value('oda', 'z') === -9");
    second.locator("aside.left .row .name[title=Oda]").click();
    Page.GetByLabelOptions exact = new Page.GetByLabelOptions().setExact(true);
    second.getByLabel("X of Oda", exact).fill("4");
    second.keyboard().press("Enter");
    second.getByLabel("Y of Oda", exact).fill("0.25");
    second.keyboard().press("Enter");
    page.waitForFunction("() => jollyKite.value('oda', 'y') === 0.25");
    page.keyboard().press("Control+z"); // Z is still mine
    assertEquals(z, value("oda", "z"), 1e-9);
    assertEquals(0.25, value("oda", "y"), 1e-9);
    page.keyboard().press("Control+z"); // X is not
    page.getByText("stays as somebody else has made it since").waitFor();
    assertEquals(4, value("oda", "x"), 1e-9);
    page.keyboard().press("Control+y");
    assertEquals(-9, value("oda", "z"), 1e-9);
    saved();
    second.waitForFunction("() => jollyKite.value('oda', 'z') === -9");
    assertEquals(4, application.stored().get("oda").channel("x").at(1001), 1e-9);
    assertEquals(0.25, application.stored().get("oda").channel("y").at(1001), 1e-9);
  }

  @Test
  void aReviewerLooksButDoesNotChange() throws Exception {
    Page p = reviewer();
    assertTrue(p.getByLabel("Hide Oda").isDisabled());
    p.locator("aside.left .row .name[title=Oda]").click();
    p.keyboard().press("Delete");
    p.getByText("may look here but not change").waitFor();
    // nor behind the page's back
    int status =
        ((Number)
                p.evaluate(
                    "async () => (await fetch('/api/sequences/"
                        + sequence
                        + "/edits', { method: 'POST', headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1] }, body: JSON.stringify({ id: crypto.randomUUID(), revision: 0, label: 'x', commands: [{ kind: 'show', ids: ['oda'], shown: false }] }) })).status"))
            .intValue();
    assertEquals(403, status);
    assertEquals(document(), application.stored());
    p.context().close();
  }

  private Page reviewer() {
    Page p = context(small()).newPage();
    p.navigate(application.address());
    p.getByLabel("Name").fill("oda");
    p.getByLabel("Password").fill("keep-the-light");
    p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
    p.getByText("The kite gets away").click();
    ready(p);
    return p;
  }

  @Test
  void aReviewerMarksAndWritesNotesAndDoesNotCut() throws Exception {
    Page p = reviewer();
    p.getByLabel("Desks").getByText("Cut").click();
    p.getByTestId("reel").waitFor();
    p.evaluate("() => jollyKite.goToReel(1100)");
    p.keyboard().press("m");
    p.locator("[data-shot=cut2] > g").first().click();
    p.keyboard().press("x");
    p.getByText("may look here but not change").waitFor();
    if (p.locator("aside.right").count() == 0) p.keyboard().press("Alt+p");
    p.getByLabel("Notes on the shot").fill("Hold on Pim.");
    p.getByLabel("Notes on the shot").blur();
    p.waitForFunction("() => jollyKite.state().pending === 0");
    Sequence s = application.stored();
    assertEquals("Hold on Pim.", ((Shot) s.get("cut2")).notes());
    assertEquals(2, s.all(Marker.class).size());
    assertEquals(4, s.all(Shot.class).size());
    // and takes back what is their own
    p.getByTestId("reel").click();
    p.keyboard().press("Control+z");
    p.waitForFunction("() => jollyKite.state().pending === 0");
    assertEquals("", ((Shot) application.stored().get("cut2")).notes());
    p.context().close();
  }
}
