package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.net.http.HttpResponse;
import java.util.UUID;
import java.util.regex.Pattern;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.document.Camera;
import kite.core.document.Shot;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Several people in one sequence: what is approved stays, and each sees where the others are. */
class TogetherTest extends Desk {
  @AfterEach
  void nothingIsApproved() throws Exception {
    Application.sql("delete from approval");
    Application.sql("update sequence set approvals = 0");
  }

  private Page oda(BrowserContext c) {
    Page p = c.newPage();
    p.navigate(application.address());
    p.getByLabel("Name").fill("oda");
    p.getByLabel("Password").fill("keep-the-light");
    p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
    p.locator("main.home").waitFor();
    p.evaluate("id => location.hash = id", sequence);
    ready(p);
    return p;
  }

  @Test
  void aReviewerApprovesAndNobodyEditsUntilItIsReopened() throws Exception {
    Camera camera =
        application.stored().all(Camera.class).stream()
            .filter(c -> c.letter().equals("A"))
            .findFirst()
            .orElseThrow();
    choose(camera.name());
    try (BrowserContext other = context(small())) {
      Page oda = oda(other);
      oda.locator("aside.left .row .name[title='" + camera.name() + "']").click();
      oda.getByLabel("Approve camera A").click();
      oda.getByText(Pattern.compile("✓ Approved by oda.*")).waitFor();
      // it is said where it is edited, at once
      page.getByText(Pattern.compile("✓ Approved by oda.*")).waitFor();
      assertTrue(page.locator("aside.right fieldset.editing input").first().isDisabled());
      page.getByLabel(Pattern.compile("Approved by oda")).first().waitFor();
      Locator lens = page.getByTestId("lens");
      lens.hover();
      page.mouse().down();
      page.mouse().move(700, 300);
      page.mouse().up();
      page.getByText(Pattern.compile("Camera A was approved by oda\\. A lead or.*")).waitFor();
      assertEquals(0L, ((Number) page.evaluate("() => jollyKite.state().revision")).longValue());
      // nor past the page
      Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
      SetValue edit = new SetValue(camera.id(), "focalLength", 1001, 40, false);
      HttpResponse<String> refused = pim.edit(sequence, UUID.randomUUID(), 0, edit);
      assertEquals(423, refused.statusCode(), refused.body());
      assertTrue(refused.body().contains("Camera A was approved by oda on 20"), refused.body());
      assertEquals(
          200,
          pim.edit(sequence, UUID.randomUUID(), 0, new SetValue("oda", "x", 1001, 3, false))
              .statusCode(),
          "all else is edited");
      button("Reopen camera A").click();
      oda.getByLabel("Approve camera A").waitFor();
      assertEquals(200, pim.edit(sequence, UUID.randomUUID(), 1, edit).statusCode());
    }
  }

  @Test
  void aShotIsApprovedInTheCutLane() throws Exception {
    Shot first = application.stored().all(Shot.class).get(0);
    Locator shot =
        page.getByTestId("cut-lane")
            .getByRole(
                AriaRole.BUTTON,
                new Locator.GetByRoleOptions().setName(Pattern.compile(first.name())));
    shot.click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Approve this shot"))
        .click();
    shot.getByText(Pattern.compile("✓ " + first.name() + ".*")).waitFor();
    shot.click();
    page.getByRole(
            AriaRole.MENUITEM,
            new Page.GetByRoleOptions().setName("Remove it: what follows closes up"))
        .click();
    page.getByText(Pattern.compile(first.name() + " was approved by pim\\..*")).waitFor();
    assertEquals(first, application.stored().get(first.id()));
    shot.click();
    page.getByRole(
            AriaRole.MENUITEM,
            new Page.GetByRoleOptions().setName(Pattern.compile("Approved by pim.*reopen it")))
        .click();
    shot.getByText(Pattern.compile("✓.*"))
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
  }

  @Test
  void oneSeesWhereTheOthersAreAndLooksAlong() throws Exception {
    assertFalse(page.getByLabel("Others here").isVisible());
    try (BrowserContext other = context(small())) {
      Page oda = oda(other);
      page.getByLabel("Look along with oda").waitFor();
      oda.evaluate("id => location.hash = id + '?camera=C&frame=1077'", sequence);
      page.getByText("oda · C 1077").waitFor();
      page.getByLabel("Look along with oda").click();
      page.waitForFunction("() => jollyKite.state().frame === 1077");
      String camera = (String) page.evaluate("() => jollyKite.state().camera");
      assertEquals("C", ((Camera) application.stored().get(camera)).letter());
    }
    page.getByLabel("Others here")
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
  }
}
