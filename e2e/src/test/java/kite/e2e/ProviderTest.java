package kite.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.SameSiteAttribute;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Coming by a studio's own sign-in, with a stand-in for it on another site. */
class ProviderTest extends Desk {
  private static final String NAME = "Harbour House";
  private static StandInProvider provider;
  private static ServerProcess server;

  @BeforeAll
  static void begin() throws Exception {
    provider = new StandInProvider();
    server =
        Application.server(
            "provider",
            Map.of(
                "KITE_DEMO",
                "true",
                "KITE_OIDC_ISSUER",
                provider.issuer(),
                "KITE_OIDC_CLIENT",
                StandInProvider.CLIENT,
                "KITE_OIDC_SECRET",
                StandInProvider.SECRET,
                "KITE_OIDC_NAME",
                NAME));
    server.start();
  }

  @AfterAll
  static void end() throws Exception {
    server.kill();
    provider.close();
  }

  private Page door(BrowserContext own) {
    Page p = own.newPage();
    p.navigate(server.address());
    p.getByText("Sign in with " + NAME).waitFor();
    return p;
  }

  private static void press(Page p, String name) {
    p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
  }

  private static void in(Page p) {
    p.getByText("Sign in with " + NAME).click();
  }

  @Test
  void whoHasAnAccountSaysSoOnceAndComesStraightInFromThenOn() {
    provider.person = Map.of("sub", "101", "name", "Oda Light", "email", "oda@example.org");
    try (BrowserContext own = context(small())) {
      Page p = door(own);
      in(p);
      p.getByText("knows you as oda@example.org").waitFor();
      press(p, "I have an account");
      p.getByLabel("Name of your account").fill("oda");
      p.getByLabel("Its password").fill("not this one");
      p.keyboard().press("Enter");
      p.getByText("That name and password do not belong together").waitFor();
      p.getByLabel("Its password").fill("keep-the-light");
      p.keyboard().press("Enter");
      p.locator("main.home").waitFor();
    }
    try (BrowserContext other = context(small())) {
      Page p = door(other);
      in(p);
      p.locator("main.home").waitFor();
      assertTrue(
          p.evaluate("async () => (await (await fetch('/api/session')).json()).name")
              .equals("oda"));
      p.reload();
      p.locator("main.home").waitFor();
    }
  }

  @Test
  void whoIsNewBeginsAnAccountThatSeesNothingYet() {
    provider.person = Map.of("sub", "102", "name", "Nell Lee", "email", "nell@example.org");
    try (BrowserContext own = context(small())) {
      Page p = door(own);
      in(p);
      assertThat(p.getByLabel("Your name")).hasValue("Nell Lee");
      p.getByLabel("Your name").fill("pim");
      p.keyboard().press("Enter");
      p.getByText("is taken").waitFor();
      p.getByLabel("Your name").fill("Nell Lee");
      p.keyboard().press("Enter");
      p.locator("main.home").waitFor();
      assertEquals(
          0,
          ((List<?>) p.evaluate("async () => await (await fetch('/api/productions')).json()"))
              .size());
      for (Cookie c : own.cookies()) {
        if (c.name.equals("KITE_SESSION")) assertEquals(SameSiteAttribute.STRICT, c.sameSite);
        assertFalse(c.name.equals("KITE_ASKED"), "what was asked is forgotten");
      }
    }
  }

  @Test
  void whoIsEndedOrNotLetInReadsWhy() throws Exception {
    provider.person = Map.of("sub", "103", "preferred_username", "Gale");
    try (BrowserContext own = context(small())) {
      Page p = door(own);
      in(p);
      assertThat(p.getByLabel("Your name")).hasValue("Gale");
      p.keyboard().press("Enter");
      p.locator("main.home").waitFor();
    }
    Person pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
    String id = null;
    for (var a : Person.json(pim.get("api/administration/accounts")))
      if (a.get("name").asString().equals("Gale")) id = a.get("id").asString();
    assertEquals(
        204,
        pim.post("api/administration/accounts/" + id + "/ended", Map.of("ended", true))
            .statusCode());
    try (BrowserContext own = context(small())) {
      Page p = door(own);
      in(p);
      p.getByText("Your account here is ended").waitFor();
      provider.refuses = "access_denied";
      in(p);
      p.getByText(NAME + " did not let you in").waitFor();
      provider.refuses = null;
      provider.confused = true;
      in(p);
      p.getByText(NAME + " did not let you in").waitFor();
    } finally {
      provider.refuses = null;
      provider.confused = false;
    }
  }

  @Test
  void anAnswerThatWasNotAskedForIsNone() throws Exception {
    provider.person = Map.of("sub", "104", "name", "Squall");
    int before = provider.given;
    Person stranger = Person.stranger(server.address());
    var r = stranger.get("login/oauth2/code/studio?code=abc&state=def");
    assertEquals(before, provider.given);
    assertTrue(r.statusCode() == 302 || r.statusCode() == 200, "" + r.statusCode());
    assertEquals(404, stranger.get("api/arrival").statusCode());
    assertEquals(
        404, stranger.post("api/arrival", Map.of("name", "Squall")).statusCode(), "nobody came");
  }
}
