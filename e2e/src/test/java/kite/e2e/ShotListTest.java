package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.evaluate.Plan;
import kite.core.model.Models;
import kite.core.report.ShotFacts;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;

/** Every shot in a list, with what the core says of it. */
class ShotListTest extends Desk {
  private Locator cell(int row, String field) {
    return page.locator(
        ".shot-grid [role=row][aria-rowindex='" + (row + 2) + "'] [data-field=" + field + "]");
  }

  private void shotList() {
    page.keyboard().press("Shift+L");
    page.getByText("4 shots, 240 frames").waitFor();
  }

  @Test
  void itTellsOfEveryShotWhatTheCoreSays() {
    shotList();
    var s = document();
    List<Programme.Placed> spans = Programme.of(s).placed();
    Plan plan = new Plan(s, Models.NONE);
    for (int i = 0; i < spans.size(); i++) {
      Programme.Placed c = spans.get(i);
      assertEquals(c.shot(), cell(i, "code").innerText());
      assertEquals("" + (c.last() - c.first() + 1), cell(i, "frames").innerText());
      if (c.camera().equals("camB")) continue; // it looks at a model, which is not read here
      ShotFacts facts = ShotFacts.of(s, plan, (Camera) s.get(c.camera()), c.first(), c.last());
      cell(i, "move").getByText(String.join(", ", facts.move())).waitFor();
    }
    cell(1, "move")
        .getByText(
            Pattern.compile("^push 14.7 m, truck right 1.4 m, boom up 0.3 m, pan \\d+° right"))
        .waitFor();
    assertEquals("2.5", cell(0, "seconds").innerText(), "60 frames of 24 a second");
  }

  @Test
  void aPictureIsTheMiddleOfItsShotAndFollowsAnEdit() throws Exception {
    shotList();
    Locator picture = cell(1, "picture").locator("img");
    picture.waitFor();
    BufferedImage before = image(picture);
    assertTrue(Pictures.edgeCorrelation(before, before) > 0.99, "there is something in it");
    String was = picture.getAttribute("src");
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    var longer = new SetValue("camB", "focalLength", 1001, 120, false);
    assertEquals(200, pim.edit(sequence, UUID.randomUUID(), 0, longer).statusCode());
    page.waitForFunction(
        "was => document.querySelector(\"[aria-rowindex='3'] [data-field=picture] img\")?.src !== was",
        was);
    assertTrue(Pictures.edgeCorrelation(before, image(picture)) < 0.9, "it shows something else");
  }

  private BufferedImage image(Locator img) throws Exception {
    String data =
        (String)
            img.evaluate(
                "async i => { const b = await (await fetch(i.src)).blob(); const r = new FileReader();"
                    + " r.readAsDataURL(b); await new Promise(d => r.onload = d); return r.result; }");
    return ImageIO.read(
        new ByteArrayInputStream(
            Base64.getDecoder().decode(data.substring(data.indexOf(',') + 1))));
  }

  @Test
  void aCodeIsChangedInPlaceAndUndone() {
    shotList();
    String code = cell(2, "code").innerText();
    cell(2, "code").dblclick();
    cell(2, "code").locator("input").fill("SW010_0035");
    page.keyboard().press("Enter");
    page.waitForFunction("() => jollyKite.document().includes('SW010_0035')");
    button("Undo").click();
    page.waitForFunction("() => !jollyKite.document().includes('SW010_0035')");
    assertEquals(code, cell(2, "code").innerText());
  }

  @Test
  void columnsAreChosenAndEscapeClosesTheirPanelAlone() {
    shotList();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Columns")).click();
    Locator feet = page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Feet"));
    feet.check();
    page.keyboard().press("Escape");
    feet.waitFor(
        new Locator.WaitForOptions()
            .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    assertEquals("3+12", cell(0, "feet").innerText()); // 60 frames
    page.keyboard().press("Escape");
    page.getByTestId("lens").waitFor();
  }

  @Test
  void itIsPassedOnAsATable() throws Exception {
    shotList();
    cell(3, "move").getByText(Pattern.compile("\\w")).waitFor();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Export")).click();
    var download =
        page.waitForDownload(
            () ->
                page.getByRole(
                        AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Download as CSV"))
                    .click());
    assertEquals("SW010 shots.csv", download.suggestedFilename());
    String text = Files.readString(download.path()).replace("\ufeff", "");
    List<CSVRecord> all = new ArrayList<>();
    CSVFormat.DEFAULT
        .builder()
        .setHeader()
        .setSkipHeaderRecord(true)
        .get()
        .parse(new java.io.StringReader(text))
        .forEach(all::add);
    assertEquals(4, all.size());
    assertEquals("SW010_0010", all.get(0).get("Shot"));
    assertEquals("A Crane down", all.get(0).get("Camera"));
    assertEquals("60", all.get(0).get("Frames"));
    assertTrue(all.get(0).get("Move").contains("boom down"), all.get(0).toString());
  }
}
