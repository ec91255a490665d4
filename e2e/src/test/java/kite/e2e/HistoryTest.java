package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.EntityCommand.Rename;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What happened to a sequence, by whom, and what it was then. */
class HistoryTest extends Desk {
  private Locator dialog() {
    return page.getByRole(AriaRole.DIALOG);
  }

  @Test
  void everyMomentIsThereAgainToTheLastDigit() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    String path = "api/sequences/" + sequence;
    List<String> was = new java.util.ArrayList<>(List.of(document(pim, path)));
    List<kite.core.command.Command> commands =
        List.of(
            new SetValue("oda", "x", 1001, 1 / 3.0, false),
            new Rename("oda", "Old Oda"),
            new SetValue("windmill", "roll", 1001, 12, false),
            new Remove(List.of("pim"), true),
            new SetValue("oda", "x", 1001, 7, false));
    for (int i = 0; i < commands.size(); i++) {
      assertEquals(
          200, pim.edit(sequence, UUID.randomUUID(), i, commands.get(i)).statusCode(), "edit " + i);
      was.add(document(pim, path));
    }
    for (int i = 0; i < was.size(); i++)
      assertEquals(
          was.get(i),
          SequenceJson.write(SequenceJson.read(pim.get(path + "/history/" + i).body())),
          "revision " + i);
    assertEquals(404, pim.get(path + "/history/99").statusCode());
    JsonNode all = Person.json(pim.get(path + "/history"));
    assertEquals(5, all.size());
    assertEquals(5, all.get(0).get("revision").asInt());
    JsonNode odas = Person.json(pim.get(path + "/history?touching=oda&before=5"));
    assertEquals(2, odas.size(), odas.toString());
    assertEquals(0, Person.json(pim.get(path + "/history?find=nobody")).size());
    assertEquals(5, Person.json(pim.get(path + "/history?find=PIM")).size());
  }

  private static String document(Person who, String path) throws Exception {
    return SequenceJson.write(
        SequenceJson.read(Person.json(who.get(path)).get("document").toString()));
  }

  /** What the page shows, as its core writes it. */
  private String shown() {
    return (String) page.evaluate("() => jollyKite.document()");
  }

  @Test
  void whatWasIsLookedAtAndOneThingBroughtBackAsOneEdit() throws Exception {
    Sequence begun = application.stored();
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    pim.edit(sequence, UUID.randomUUID(), 0, new SetValue("oda", "x", 1001, 9, false));
    pim.edit(sequence, UUID.randomUUID(), 1, new SetValue("windmill", "roll", 1001, 45, false));
    page.waitForFunction("() => jollyKite.state().revision === 2");
    page.locator("aside.left .row .name[title='Oda']")
        .click(
            new Locator.ClickOptions()
                .setButton(com.microsoft.playwright.options.MouseButton.RIGHT));
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Its history …")).click();
    Locator edits = dialog().getByLabel("Edits").locator("li");
    edits.first().waitFor();
    page.waitForCondition(() -> edits.count() == 1);
    edits.getByText("Compare").click();
    page.getByText(Pattern.compile(".*before “.*")).first().waitFor();
    button("Done comparing").click();
    button("History").click();
    edits.getByText("Look at it then").last().click();
    page.getByTestId("moment").waitFor();
    ready(page);
    assertEquals(begun.get("oda"), SequenceJson.read(shown()).get("oda"));
    page.getByTestId("moment").click();
    page.waitForFunction("() => jollyKite.state().revision === 2");
    button("History").click();
    dialog().getByRole(AriaRole.COMBOBOX).click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Everything")).click();
    page.waitForCondition(() -> edits.count() == 2);
    page.keyboard().press("Escape");
    page.locator("aside.left .row .name[title='Oda']")
        .click(
            new Locator.ClickOptions()
                .setButton(com.microsoft.playwright.options.MouseButton.RIGHT));
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Its history …")).click();
    dialog().getByText("Bring this back …").click();
    dialog().getByText("Different: Oda.").waitFor();
    button("Bring it back, as one edit").click();
    page.waitForFunction(
        "() => jollyKite.state().pending === 0 && jollyKite.state().revision === 3");
    Sequence now = application.stored();
    assertEquals(begun.get("oda"), now.get("oda"), "Oda is as she was");
    assertTrue(!begun.get("windmill").equals(now.get("windmill")), "the windmill stays");
    page.keyboard().press("Control+z");
    page.waitForFunction("() => jollyKite.state().revision === 4");
    assertTrue(!begun.get("oda").equals(application.stored().get("oda")));
  }
}
