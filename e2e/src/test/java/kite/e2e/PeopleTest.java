package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Asking others in, and coming in, through the page. */
class PeopleTest extends Desk {
  private static final String PASSWORD = "long enough for it";

  private Locator dialog() {
    return page.getByRole(AriaRole.DIALOG);
  }

  private void home() {
    page.evaluate("() => location.hash = ''");
    page.locator("main.home").waitFor();
  }

  private String invite(String who, String role) {
    page.getByText("Salt Wind", new Page.GetByTextOptions().setExact(true)).first().click();
    button("People …").click();
    dialog().getByLabel("Who", new Locator.GetByLabelOptions().setExact(true)).fill(who);
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Role of who comes"))
        .click();
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile(role)))
        .click();
    button("Invite").click();
    return link();
  }

  private String link() {
    Locator link = dialog().getByLabel("The link", new Locator.GetByLabelOptions().setExact(true));
    link.waitFor();
    return link.inputValue();
  }

  private static Page coming(BrowserContext c, String link, String name) {
    Page p = c.newPage();
    p.navigate(link);
    p.getByText(Pattern.compile("pim asks you into Salt Wind.*")).waitFor();
    p.getByLabel("Your name", new Page.GetByLabelOptions().setExact(true)).fill(name);
    p.getByLabel("Password", new Page.GetByLabelOptions().setExact(true)).fill("short");
    p.keyboard().press("Enter");
    p.getByText(Pattern.compile("A password has at least.*")).waitFor();
    p.getByLabel("Password", new Page.GetByLabelOptions().setExact(true)).fill(PASSWORD);
    p.keyboard().press("Enter");
    p.locator("main.home").waitFor();
    return p;
  }

  @Test
  void somebodyIsAskedInAndEditsTheSameSequence() {
    home();
    String name = "Nell " + System.nanoTime();
    String link = invite("Nell", "Artist");
    assertTrue(link.contains("#invited="), link);
    dialog().getByText(Pattern.compile("Nell, invited as artist by pim.*")).waitFor();
    page.keyboard().press("Escape");
    try (BrowserContext other = context(small())) {
      Page p = coming(other, link, name);
      p.getByText("The kite gets away").click();
      ready(p);
      page.evaluate("id => location.hash = id", sequence);
      ready(page);
      p.locator("aside.left .row .name[title='Oda']").click();
      Locator field = p.getByLabel("X of Oda", new Page.GetByLabelOptions().setExact(true));
      field.fill("1.25");
      field.press("Enter");
      page.getByText(Pattern.compile(name + ": .*")).first().waitFor();
      // the same link again says that it was used
      p.navigate(link);
      p.reload();
      p.getByText(Pattern.compile("This link has been used already.*")).waitFor();
      takeOut(name);
      p.navigate(application.address());
      p.locator("main.home").waitFor();
      p.getByText("You are in no production yet").waitFor();
    }
  }

  private void takeOut(String name) {
    home();
    button("People …").click();
    dialog().getByLabel("Take out " + name).click();
    dialog()
        .getByLabel("Take out " + name)
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    page.keyboard().press("Escape");
  }

  @Test
  void aReviewerLooksAndNothingIsOfferedThatIsRefused() {
    home();
    String name = "Rae " + System.nanoTime();
    String link = invite("Rae", "Reviewer");
    page.keyboard().press("Escape");
    try (BrowserContext other = context(small())) {
      Page p = coming(other, link, name);
      assertEquals(0, p.getByText("+ New production").count());
      assertEquals(0, p.getByText("New sequence").count());
      assertEquals(0, p.getByLabel("More for SW010").count());
      p.getByText("The kite gets away").click();
      ready(p);
      p.getByTestId("looking").waitFor();
      p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Standards")).click();
      p.getByText("a lead changes them").waitFor();
    }
    takeOut(name);
  }

  @Test
  void aGuestLooksAtOneSequenceUntilTheLinkIsEnded() {
    home();
    page.getByLabel("More for SW010").click();
    page.getByRole(
            AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Guests: links to look …"))
        .click();
    dialog().getByLabel("For whom").fill("The harbour master");
    dialog().getByLabel("Days").fill("0");
    page.keyboard().press("Enter");
    dialog().getByText("A link is good for 1 to 365 days.").waitFor();
    dialog().getByLabel("Days").fill("3");
    page.keyboard().press("Enter");
    String link = link();
    try (BrowserContext other = context(small())) {
      Page p = other.newPage();
      p.navigate(link);
      ready(p);
      p.getByTestId("looking").waitFor();
      assertTrue(p.url().endsWith("#" + sequence), p.url());
      List<String> desks = p.locator("nav.desks button").allTextContents();
      assertEquals(List.of("Set", "Frame", "Move", "Cut"), desks);
      assertEquals(
          0, p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Versions")).count());
      p.evaluate("() => location.hash = ''"); // there is nothing else for a guest
      p.getByTestId("looking").waitFor();
      dialog().getByLabel("End the link of The harbour master").click();
      p.getByText(Pattern.compile("The link you came by has ended.*")).waitFor();
      p.navigate(link);
      p.reload();
      p.getByText(Pattern.compile("This link has ended.*")).waitFor();
    }
    page.keyboard().press("Escape");
  }

  @Test
  void aLinkLeadsToADeskACameraAndAFrame() {
    page.evaluate("id => location.hash = id + '?desk=cut&camera=C&frame=1040'", sequence);
    page.waitForFunction("() => jollyKite.state().frame === 1040");
    assertEquals("true", button("Cut").getAttribute("aria-pressed"));
    page.evaluate("id => location.hash = id + '?desk=frame&camera=A&frame=99999'", sequence);
    page.waitForFunction("() => jollyKite.state().frame > 1100");
    page.goBack();
    page.waitForFunction("() => jollyKite.state().frame === 1040");
    // as links of earlier builds call the last desk
    page.evaluate("id => location.hash = id + '?desk=deliver&camera=A&frame=1050'", sequence);
    page.waitForFunction("() => jollyKite.state().frame === 1050");
    assertEquals("true", button("Hand over").getAttribute("aria-pressed"));
  }

  @Test
  void onesOwnAccountAndTheStudiosAreLookedAfter() {
    home();
    button("pim ▾").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("My account …")).click();
    dialog().getByLabel("E-mail, if you wish").fill("no address");
    dialog().getByLabel("E-mail, if you wish").press("Enter");
    dialog().getByText(Pattern.compile("An e-mail address looks as.*")).waitFor();
    dialog().getByLabel("Password now").fill("not it at all");
    dialog().getByLabel("New password").fill(PASSWORD);
    dialog().getByLabel("New password").press("Enter");
    dialog().getByText(Pattern.compile("That is not the password you have now.*")).waitFor();
    page.keyboard().press("Escape");
    button("pim ▾").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Administration"))
        .click();
    page.getByLabel("Find an account").fill("oda");
    Locator row =
        page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Accounts"))
            .getByRole(
                AriaRole.ROW, new Locator.GetByRoleOptions().setName(Pattern.compile("oda")));
    row.waitFor();
    page.getByLabel("Link for a new password of oda").click();
    assertTrue(page.getByLabel("The link").inputValue().contains("#invited="));
    page.getByLabel("Find an account").fill("pim");
    page.getByLabel("End the account of pim").click();
    page.getByText(Pattern.compile("pim is the only administrator.*")).waitFor();
    button("Home").click();
    page.locator("main.home").waitFor();
  }
}
