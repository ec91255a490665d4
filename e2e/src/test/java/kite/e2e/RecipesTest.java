package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.exchange.Json;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Scenes and cameras by script, tried in the views and kept as one edit. */
class RecipesTest extends Desk {
  private Locator panel() {
    return page.locator("section.recipes");
  }

  private void recipes() {
    page.keyboard().press("Shift+R");
    page.locator(".cm-content").waitFor();
  }

  /** Puts a text in the place of what is written. */
  private void write(String text) {
    page.locator(".cm-content").click();
    page.keyboard().press("Control+a");
    // as from the clipboard: no bracket is closed by itself
    page.evaluate(
        "t => { const d = new DataTransfer(); d.setData('text/plain', t);"
            + " document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste',"
            + " { clipboardData: d, bubbles: true, cancelable: true })); }",
        text);
  }

  private void tried() {
    page.locator(".cm-content").click();
    page.keyboard().press("Control+Enter");
    page.getByTestId("tried").waitFor();
  }

  /** The document as it is shown, with what is tried. */
  private String shown() {
    return page.evaluate("() => jollyKite.document()").toString();
  }

  private static final String SCENE =
      """
      kite.clear();
      const deck: number = 12;
      kite.standIn('box', 'Deck', { width: deck, height: '0.2m', depth: '6m', at: [0, -0.2, 0] });
      const pim = kite.standIn('child', 'Little one', { at: [-1, 0, 0] });
      const oda = kite.standIn('adult', 'Keeper', { height: '6ft', at: [1.5, 0, -1], pan: 40 });
      const a = kite.camera('Handing over', { at: [0, '1.6m', '5m'], lens: '35mm' });
      a.attention().passTo(pim).passTo(oda, { at: 1061, over: 60 });
      a.focus(pim).stop(2.8);
      kite.cut.append(a, 1001, '2s');
      const seen = a.sees(oda, 1125);
      console.log('sees', seen.across, seen.down, seen.alongM);
      """;

  /** Of a size that nothing had before: its mesh is made for it. */
  @Test
  void whatIsTriedIsDrawn() throws Exception {
    recipes();
    settled();
    BufferedImage before = lens();
    write(
        "kite.standIn('box', 'Tower', { width: 2.03, height: 5.07, depth: 2.01, at: [0, 0, -9] })");
    tried();
    settled();
    assertTrue(difference(before, lens()) > 0.01, "it is seen");
    button("Drop").click();
    settled();
    assertEquals(0, difference(before, lens()), 0.001);
  }

  @Test
  void aSceneIsTriedInTheViewsAndKeptAsOneEdit() throws Exception {
    String before = shown();
    recipes();
    write(SCENE);
    tried();
    // it is seen, and not stored
    assertTrue(shown().contains("Little one"));
    assertEquals(0, Math.round(number("() => jollyKite.state().pending")));
    assertEquals("SW010", application.stored().header().code());
    assertTrue(application.stored().all(Camera.class).size() > 1, "nothing is stored yet");
    button("Drop").click();
    assertEquals(before, shown());
    tried();
    button("Keep").click();
    saved();
    Sequence s = application.stored();
    assertEquals(1, s.all(Camera.class).size());
    Camera a = s.all(Camera.class).get(0);
    assertEquals(
        List.of("Deck", "Little one", "Keeper"),
        s.all(Piece.class).stream().map(Piece::name).toList());
    Piece keeper = s.all(Piece.class).get(2);
    assertEquals(1.8288, ((Shape.StandIn) keeper.shape()).height(), 1e-9, "6 ft");
    // what the recipe was told is what the core says of what is stored
    String said = page.locator(".recipe-lines .says").first().innerText();
    double[] told =
        Pattern.compile("[-\\d.]+")
            .matcher(said)
            .results()
            .mapToDouble(m -> Double.parseDouble(m.group()))
            .toArray();
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(1125);
    assertEquals(0.5, told[0], 0.02, "the attention has passed to the keeper");
    Eye eye = Eye.of(plan, a.id());
    Vec3 eyes = eye.seen(new Vec3(1.5, 1.6, -1));
    assertEquals(-eyes.z(), told[2], 0.3);
    // one undo takes all of it back
    page.keyboard().press("Escape");
    button("Undo").click();
    saved();
    assertEquals(before, shown());
  }

  @Test
  void theSameRecipeMakesTheSameAndRunAgainTakesTheLastRunBack() throws Exception {
    recipes();
    String text =
        "for (let i = 0; i < 4; i++) kite.standIn('tree', 'Tree ' + i, { at: [kite.random(-5, 5), 0, -8] });";
    write(text);
    button("Run and keep").click();
    button("Run again").waitFor();
    saved();
    String first = shown();
    int pieces = application.stored().all(Piece.class).size();
    runAgain();
    assertEquals(first, shown(), "to the digit");
    assertEquals(pieces, application.stored().all(Piece.class).size());
    type("Seed", "2");
    runAgain();
    assertEquals(pieces, application.stored().all(Piece.class).size());
    assertNotEquals(first, shown());
  }

  private void runAgain() {
    double was = number("() => jollyKite.state().version");
    button("Run again").click();
    // it is taken back, shown, and kept
    page.waitForFunction("v => jollyKite.state().version >= v + 3", was);
    button("Run again").waitFor();
    saved();
  }

  @Test
  void whatIsRefusedSaysItsLineAndLeavesNothing() throws Exception {
    String before = shown();
    recipes();
    write("const b = kite.standIn('box', 'One');\nb.set('x', 1);\n\nb.nest(b);\n");
    page.keyboard().press("Control+Enter");
    page.locator(".recipe-lines .wrong").getByText(Pattern.compile("^Line 4: .*")).waitFor();
    assertEquals(before, shown());
    write("fetch('/api/sequences');");
    page.keyboard().press("Control+Enter");
    page.locator(".recipe-lines .wrong")
        .getByText(Pattern.compile("^Line 1: There is no “fetch” in a recipe"))
        .waitFor();
    write("while (true) {}");
    page.keyboard().press("Control+Enter");
    button("Stop").click();
    page.getByText("It was stopped. Nothing was changed.").waitFor();
    // the page and the next recipe go on
    write("kite.standIn('box', 'After')");
    tried();
    button("Drop").click();
    assertEquals(before, shown());
  }

  @Test
  void aReadyMadeRecipeAsksWhatItIsAboutAndDoesIt() throws Exception {
    recipes();
    button("Open").click();
    page.getByRole(
            AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Round somebody at one size"))
        .click();
    Locator form =
        page.getByRole(
            AriaRole.GROUP, new Page.GetByRoleOptions().setName("What the recipe is about"));
    form.getByLabel("Round whom").selectOption(new SelectOption().setLabel("Oda"));
    Locator size = form.getByLabel("How large, of the frame’s height");
    size.fill("0.5");
    size.press("Enter");
    button("Run and keep").click();
    button("Run again").waitFor();
    saved();
    Sequence s = application.stored();
    Camera c =
        s.all(Camera.class).stream()
            .filter(x -> x.name().equals("Round Oda"))
            .findFirst()
            .orElseThrow();
    // as far from her at the end as at the beginning
    Plan plan = new Plan(s, Models.NONE);
    double[] away = new double[3];
    int i = 0;
    for (double f : new double[] {1001, 1100, 1240}) {
      plan.evaluate(f);
      int o = plan.slot(c.id()) * 16 + 12, p = plan.slot("oda") * 16 + 12;
      double[] w = plan.world();
      away[i++] = Math.hypot(w[o] - w[p], w[o + 2] - w[p + 2]);
    }
    assertEquals(away[0], away[1], 0.05);
    assertEquals(away[0], away[2], 0.05);
    assertTrue(away[0] > 1.5 && away[0] < 12, "" + away[0]);
  }

  @Test
  void theConsoleAnswersWhileOneTypesAndDoesItOnEnter() throws Exception {
    recipes();
    Locator line = page.getByLabel("Console");
    line.fill("1 + 2 * 3");
    page.locator(".recipe-answer").getByText("7").waitFor();
    line.fill("kite.cameraCalled('A').lens('85mm').value('focalLength')");
    page.locator(".recipe-answer").getByText("85 · 1 change on Enter").waitFor();
    assertFalse(application.stored().get("camA").toString().contains("focalLength=Fixed[value=85"));
    line.press("Enter");
    page.waitForFunction("() => jollyKite.value('camA', 'focalLength') === 85");
    saved();
    assertTrue(application.stored().get("camA").toString().contains("85"));
  }

  @Test
  void whatIsDoneByHandIsWrittenAsARecipeAndDoesTheSameAgain() throws Exception {
    recipes();
    write("");
    button("Record").click();
    page.keyboard().press("Escape");
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("Add tree stand-in");
    page.keyboard().press("Enter");
    page.locator(".cm-content").getByText(Pattern.compile("kite.command.add.*tree")).waitFor();
    button("Record").click();
    saved();
    button("Undo").click();
    saved();
    assertFalse(shown().contains("tree"));
    button("Run and keep").click();
    button("Run again").waitFor();
    saved();
    assertTrue(shown().contains("tree"));
  }

  @Test
  void recipesAreKeptWithVersionsForOneselfOrForAll() throws Exception {
    recipes();
    write("kite.standIn('box', 'Kept one')");
    page.getByLabel("Name of the recipe").fill("A box");
    keepIt(false);
    page.getByText("“A box” is kept as v1.").waitFor();
    String path = "api/sequences/" + sequence + "/recipes/kept";
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    Person oda = Person.signedIn(application.address(), "oda", "keep-the-light");
    JsonNode mine = Person.json(pim.get(path)).get(0);
    assertEquals("A box", mine.get("name").asString());
    assertEquals(0, Person.json(oda.get(path)).size(), "it is his alone");
    String one = path + "/" + mine.get("id").asString();
    assertEquals(404, oda.get(one).statusCode());
    write("kite.standIn('box', 'Second')");
    keepIt(true);
    page.getByText("“A box” is kept as v2.").waitFor();
    assertEquals(2, Person.json(oda.get(one)).get("version").asInt());
    assertEquals(
        "kite.standIn('box', 'Kept one')",
        Person.json(oda.get(one + "?version=1")).get("script").asString());
    assertEquals(2, Person.json(oda.get(one + "/versions")).size());
    write("kite.standIn('box', 'Something else')");
    page.keyboard().press("Control+k"); // also from within the recipe
    page.getByPlaceholder("What would you like to do?").fill("Recipe: A box");
    page.getByText("Recipe: A box, kept by pim").waitFor();
    page.keyboard().press("Enter");
    page.locator(".cm-content").getByText("kite.standIn('box', 'Second')").waitFor();
    // somebody who has not seen v2 does not write over it
    var given = Map.of("name", "A box", "script", "1", "notes", "", "shared", true, "after", 1);
    assertEquals(409, pim.put(one, given).statusCode());
    assertEquals(403, oda.put(one, given).statusCode(), "she reviews");
    assertEquals(204, pim.delete(one).statusCode());
    assertEquals(0, Person.json(pim.get(path)).size());
  }

  /** The same engine and the same core, without a page: the same things by the same ids. */
  @Test
  void theServerRunsARecipeAlike() throws Exception {
    String script =
        "const p = kite.parameters({ who: kite.parameter.subject('Who'),"
            + " high: kite.parameter.number('High', '1.5m', { unit: 'metres' }) });\n"
            + "const c = kite.camera('Near', { at: [kite.random(2, 3), p.high, 4], lens: '40mm' });\n"
            + "c.lookAt(p.who).frameUp(p.who, { size: 0.7, by: 'move' });\n"
            + "console.log(c.sees(p.who, 1010).alongM);\n"
            + "kite.standIn('box', 'Where', { at: c.where(1010) });";
    recipes();
    write(script);
    page.getByLabel("Who").selectOption(new SelectOption().setLabel("Oda"));
    button("Run and keep").click();
    button("Run again").waitFor();
    saved();
    String byHand = page.evaluate("() => jollyKite.document()").toString();
    String said = page.locator(".recipe-lines .says").first().innerText();
    button("Undo").click();
    saved();
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    String path = "api/sequences/" + sequence + "/recipes";
    // first what it asks for
    JsonNode asks = Person.json(pim.post(path, Map.of("script", script)));
    assertEquals("subject", asks.get("declared").get("who").get("form").asString());
    Map<String, Object> set = Map.of("who", "oda");
    JsonNode dry = Person.json(pim.post(path, Map.of("script", script, "set", set, "dry", true)));
    assertTrue(dry.get("changes").asInt() > 3, dry.toString());
    assertTrue(dry.get("revision").isNull());
    JsonNode ran =
        Person.json(pim.post(path, Map.of("script", script, "set", set, "name", "Near her")));
    assertTrue(ran.get("fault").isNull(), ran.toString());
    assertEquals(said, ran.get("said").get(0).get("text").asString());
    page.waitForFunction(
        "r => jollyKite.state().revision >= r && jollyKite.state().pending === 0",
        ran.get("revision").asInt());
    assertEquals(Json.MAPPER.readTree(byHand), Json.MAPPER.readTree(shown()), "to the last digit");
    JsonNode bad =
        Person.json(
            pim.post(path, Map.of("script", "\n\nnothing.here", "set", Map.of(), "dry", false)));
    assertEquals(3, bad.get("fault").get("line").asInt());
    assertTrue(bad.get("revision").isNull());
    assertEquals(
        422, pim.post(path, Map.of("script", " ".repeat(1_000_001), "dry", true)).statusCode());
  }

  private void keepIt(boolean shared) {
    panel().getByText("Keep …").click();
    if (shared) page.getByText("For everybody in the production").click();
    page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Keeping the recipe"))
        .getByText(Pattern.compile("^Keep( as v\\d+)?$"))
        .click();
  }
}
