package kite.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Renews docs/screenshots from the demonstration; run by ./kite screenshots. */
@Tag("screenshots")
class ScreenshotsTest extends Desk {
  private static final double LONGER_MM = 50;

  /** Of what can be seen beside a render: nothing, the lens view, and then the other versions. */
  private static final int EARLIER = 2;

  @Override
  Sequence document() {
    return new SaltWind().sw010();
  }

  @Override
  @BeforeEach
  void signIn() throws Exception {
    sequence = application.reset(document());
    context = context(new Browser.NewContextOptions().setViewportSize(1280, 800));
    page = enter(context);
  }

  @Override
  @AfterEach
  void leave() {
    context.close();
  }

  private void keep(String name) {
    page.evaluate("() => document.fonts.ready");
    page.mouse().move(700, 24);
    page.waitForTimeout(900);
    page.screenshot(
        new Page.ScreenshotOptions().setPath(Path.of("../docs/screenshots/" + name + ".png")));
  }

  @Test
  void everyMainView() throws Exception {
    page.evaluate("() => location.hash = ''");
    page.getByText("The whale balloon").waitFor();
    page.waitForTimeout(12_000); // pictures of the cuts are made behind the page
    page.reload();
    page.getByText("The whale balloon").waitFor();
    page.getByLabel("Make SW010 a favourite").click();
    page.getByLabel("SW010 is a favourite").waitFor();
    keep("home");
    page.evaluate("() => location.hash = ''");
    page.getByText("The whale balloon").waitFor();
    button("+ New production").click();
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Lee Shore");
    page.keyboard().press("Escape");
    page.getByText("The kite gets away").click();
    ready(page);

    choose("Along the stalls");
    goTo(1096);
    keep("move");
    page.getByLabel("Desks")
        .getByText("Set", new Locator.GetByTextOptions().setExact(true))
        .click();
    choose("Pim");
    goTo(1090);
    keep("set");
    button("Frame").click();
    choose("Lantern to Pim");
    goTo(1172);
    button("Thirds").click();
    page.locator("[data-card=lens]").scrollIntoViewIfNeeded();
    keep("frame");
    button("Cut").click(); // where the list has room for its columns
    button("Shot list").click();
    page.locator(".shot-grid img").nth(3).waitFor();
    keep("shot-list");
    button("Back to the views").click();
    button("Move").click();
    choose("Lantern to Pim");
    goTo(1160);
    page.locator("[title='Open the lane']").first().click();
    page.locator("[data-lane='focusDistance'] [data-key='1172']").click();
    keep("curves");
    page.locator("[title='Close the lane']").first().click();
    choose("Through three framings");
    goTo(1094);
    keep("framings");
    choose("Boom over the stalls");
    button("Versions").click();
    page.getByLabel("Name of the version").fill("first pass");
    page.getByLabel("Note of the version").fill("before the note about the boom");
    button("Keep as v001").click();
    page.locator("[data-version='1']").waitFor();
    button("Close").click();
    goTo(1090);
    page.getByLabel("Answer a note with a trim").selectOption("a little higher");
    page.getByLabel("Answer a note with a trim").selectOption("more on the left");
    page.waitForFunction("() => jollyKite.state().pending === 0");
    button("Versions").click();
    button("Compare").click();
    page.getByTestId("compare").waitFor();
    keep("versions");
    button("Done comparing").click();
    button("Hand over").click();
    goTo(1160);
    page.getByLabel("What is made").getByText("Render").click();
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("10");
    button("This shot").click();
    page.waitForFunction("() => document.querySelectorAll('.strip .there').length > 20");
    page.locator(".strip").scrollIntoViewIfNeeded();
    keep("hand-over");
    page.locator(".job").getByText("Stop").click();
    button("Standards").click();
    page.waitForTimeout(800);
    keep("standards");
    button("Close").click();
    sets();
    java.nio.file.Path file = java.nio.file.Files.createTempFile("crate", ".glb");
    node("write-test-model.mjs", file.toString());
    var chooser = page.waitForFileChooser(() -> button("Bring in a model").click());
    chooser.setFiles(
        new com.microsoft.playwright.options.FilePayload(
            "crate.glb", "model/gltf-binary", java.nio.file.Files.readAllBytes(file)));
    page.getByTestId("import-size").waitFor();
    button("Leave it out").click();
    String plate = application.resetProduction(new kite.demo.SaltWind().sw020());
    Page effects = context.newPage();
    effects.navigate(application.address() + "#" + plate);
    ready(effects);
    effects.getByLabel("Desks").getByText("Frame").click();
    effects.evaluate("() => jollyKite.goTo(1030)");
    effects.waitForTimeout(2500);
    effects.screenshot(
        new Page.ScreenshotOptions().setPath(Path.of("../docs/screenshots/plate.png")));
    effects.close();
    reel();
  }

  /** The Cut desk, and a cut that is practised on the contact sheet. */
  private void reel() throws Exception {
    String chase = application.resetProduction(new kite.demo.SaltWind().sw030());
    page.evaluate("id => location.hash = id", chase);
    ready(page);
    button("Cut").click();
    page.locator("[data-shot=cut2] > g").first().click();
    page.keyboard().press("Alt+p");
    page.evaluate("() => jollyKite.goToReel(1090)");
    page.waitForTimeout(4000);
    keep("cut");
    page.keyboard().press("Alt+p");
    button("Practice").click();
    for (int i = 0; i < 3; i++) {
      page.evaluate("f => jollyKite.goToReel(f)", 1020 + 18 * i);
      page.keyboard().press("bca".substring(i, i + 1));
    }
    page.keyboard().press("Shift+S");
    page.waitForTimeout(4000);
    keep("contact-sheet");
    button("Drop them").click();
    handedOn(chase);
  }

  /**
   * What is pointed out before it leaves, what is in a package, and two versions of a frame, the
   * second through a longer lens.
   */
  private void handedOn(String sequence) throws Exception {
    button("Hand over").click();
    page.getByLabel("What is made").getByText("Package").click();
    button("Back to the views").click();
    page.locator("[data-card=checks] .check").first().waitFor();
    page.locator("[data-card=checks]").evaluate("e => e.scrollIntoView()");
    keep("checks");
    page.waitForDownload(() -> button("Hand over the sequence").click());
    page.getByText("What is in it").first().click();
    page.waitForTimeout(1500);
    keep("package");
    page.getByLabel("What is made").getByText("Render").click();
    page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption("25");
    page.getByLabel("Files", new Page.GetByLabelOptions().setExact(true)).selectOption("EXR");
    button("This frame").click();
    page.locator("[data-job=DONE]").first().waitFor();
    longer(sequence);
    button("This frame").click();
    page.locator("[data-job=DONE]").nth(1).waitFor();
    page.locator("[data-job=DONE]").getByText("Look").first().click();
    page.getByLabel("Beside").selectOption(new SelectOption().setIndex(EARLIER));
    page.waitForTimeout(4000);
    keep("dailies");
  }

  /** Every camera of SW030 has a longer lens. */
  private void longer(String sequence) throws Exception {
    List<Command> lenses = new ArrayList<>();
    for (Camera c : new kite.demo.SaltWind().sw030().all(Camera.class))
      lenses.add(new SetChannel(c.id(), "focalLength", Channel.fixed(LONGER_MM)));
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    long revision = ((Number) page.evaluate("() => jollyKite.state().revision")).longValue();
    pim.edit(sequence, UUID.randomUUID(), revision, lenses.toArray(new Command[0]));
    page.waitForFunction("r => jollyKite.state().revision > r", (double) revision);
  }

  /** What a recipe would do, in the views; and one that asks what it is about. */
  @Test
  void recipes() throws Exception {
    page.keyboard().press("Shift+R");
    page.locator(".cm-content").click();
    page.keyboard().press("Control+Enter");
    page.getByTestId("tried").waitFor();
    page.waitForTimeout(3000);
    keep("recipes");
    button("Drop").click();
    button("Open").click();
    page.getByRole(
            AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Round somebody at one size"))
        .click();
    page.getByLabel("Round whom")
        .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Oda"));
    page.locator(".cm-content").click();
    page.keyboard().press("Control+Enter");
    page.getByTestId("tried").waitFor();
    page.waitForTimeout(3000);
    keep("recipe-form");
  }

  /** A set that stands twice: one of them is moved and kept, and the other is offered that. */
  private void sets() throws Exception {
    button("Move").click();
    choose("Along the stalls");
    goTo(1096);
    choose("Stall 2");
    openSets();
    page.getByLabel("Name of a new set").fill("Market stall");
    button("Make it of 1 thing").click();
    page.getByLabel("Market stall here").waitFor();
    page.getByLabel("Place Market stall").click();
    page.getByLabel("Market stall here").nth(1).waitFor();
    page.waitForFunction("() => jollyKite.state().pending === 0");
    closeWindow();
    choose("Stall 2");
    Locator x = page.getByLabel("X of Stall 2", new Page.GetByLabelOptions().setExact(true));
    x.fill("1.4");
    x.press("Enter");
    page.waitForFunction("() => jollyKite.state().pending === 0");
    page.keyboard().press("Escape");
    openSets();
    page.getByLabel("Note of the next version of Market stall").first().fill("over the walk");
    page.getByText("Keep as v002").first().click();
    button("Take v002 …").click();
    page.waitForFunction(
        "() => [...document.querySelectorAll('[role=dialog] img')].filter(i => i.naturalWidth)"
            + ".length === 2");
    keep("sets");
    closeWindow();
    Application.sql("delete from shared_set");
  }

  /** Closes what is open; the keyboard may be nowhere when what had it is gone. */
  private void closeWindow() {
    Locator window = page.locator("[role=dialog]");
    window.press("Escape");
    window.waitFor(
        new Locator.WaitForOptions()
            .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
  }

  private void openSets() {
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("sets of the production");
    page.keyboard().press("Enter");
    page.getByText("All of them").waitFor();
  }
}
