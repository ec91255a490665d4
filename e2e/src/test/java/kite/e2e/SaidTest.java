package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.awt.image.BufferedImage;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Edit;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Sequence;
import kite.core.rig.Subject;
import org.junit.jupiter.api.Test;

/** What the screen says is what is so, where it belongs, and gone when it no longer is. */
class SaidTest extends Desk {
  @Test
  void theFocusFieldShowsTheFocusAndWhoDecidesIt() throws Exception {
    Sequence s = document();
    Map<String, Double> pim = Map.of("pim", 1.0);
    Focus follows =
        new Focus(List.of(Subject.of("pim")), List.of(new Cue(1001, 0, Ease.EVEN, pim)));
    reopened(Edit.apply(s, List.of(new RigCommand.SetFocus("camC", follows))));
    choose("Lantern to Pim");
    goTo(1200);
    double inEffect = numbers("() => jollyKite.camera('camC').lens")[2];
    String shown = field("Focus distance of Lantern to Pim").inputValue();
    assertEquals(inEffect, Double.parseDouble(shown.replace(" m", "")), 0.001);
    assertTrue(field("Focus distance of Lantern to Pim").getAttribute("readonly") != null);
    assertTrue(
        field("Focus distance of Lantern to Pim").getAttribute("title").contains("Focus follows"));
    desk("Frame");
    button("Let go: by hand from here").click();
    assertTrue(field("Focus distance of Lantern to Pim").getAttribute("readonly") == null);
    saved();
  }

  @Test
  void anErrorStandsAtItsFieldAndGoesWhenMended() {
    choose("Lantern to Pim");
    Locator lens = field("Focal length of Lantern to Pim");
    lens.fill("nonsense");
    lens.press("Enter");
    String id = lens.getAttribute("aria-describedby");
    assertTrue(page.locator("[id='" + id + "']").textContent().contains("Cannot read the number"));
    assertEquals("true", lens.getAttribute("aria-invalid"));
    lens.fill("0.2");
    lens.press("Enter");
    assertTrue(
        page.locator("[id='" + lens.getAttribute("aria-describedby") + "']").isVisible(),
        "a lens shorter than 1 mm");
    lens.fill("44");
    lens.press("Enter");
    assertEquals(0, page.locator(".fault").count());
    assertEquals("false", lens.getAttribute("aria-invalid"));
    assertEquals(44, value("camC", "focalLength"));
  }

  @Test
  void standardsSayEachFaultWhereItIsTypedAllAtOnce() {
    page.getByLabel("Standards").click();
    field("Pixels across").fill("8");
    field("Pixels across").press("Enter");
    field("Height").fill("0");
    field("Height").press("Enter");
    page.getByText("2 things to mend first").waitFor();
    assertEquals(2, page.locator(".fault").count());
    assertTrue(
        page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName("2 things to mend first"))
            .isDisabled());
    assertEquals(0, page.locator("rect[y=NaN]").count());
    field("Pixels across").fill("1920");
    field("Pixels across").press("Enter");
    field("Height").fill("15");
    field("Height").press("Enter");
    assertEquals(0, page.locator(".fault").count());
    button("See what will change").waitFor();
    button("Leave them as they were").click();
  }

  @Test
  void partsOfACameraAreToldApart() {
    choose("Crane down");
    Set<String> labels = new HashSet<>();
    List<String> all =
        page.locator("aside.right input[data-channel]").all().stream()
            .map(f -> f.getAttribute("aria-label"))
            .toList();
    assertTrue(all.size() > 8, "" + all);
    for (String label : all) assertTrue(labels.add(label), "twice: " + label);
  }

  private static final Locator.WaitForOptions GONE =
      new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN);

  @Test
  void aReviewerSeesWhatCannotBeDoneAsSuch() {
    BrowserContext other = context(small());
    Page p = other.newPage();
    p.setViewportSize(1280, 800);
    p.navigate(application.address());
    p.getByLabel("Name").fill("oda");
    p.getByLabel("Password").fill("keep-the-light");
    p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
    p.navigate(application.address() + "#" + sequence);
    ready(p);
    p.getByTestId("looking").waitFor();
    p.getByLabel("Desks").getByText("Frame").click();
    p.locator("aside.left .row .name[title='Lantern to Pim']").click();
    assertTrue(p.getByText("+ Add").isDisabled());
    assertTrue(
        p.getByLabel("Focal length of Lantern to Pim", exact()).getAttribute("readonly") != null);
    assertTrue(p.getByText("Match the set view").isDisabled());
    assertTrue(p.getByText("Rack focus …").isDisabled());
    // looking is not taken away
    p.getByText("More", new Page.GetByTextOptions().setExact(true)).first().click();
    p.getByLabel("Shutter of Lantern to Pim", exact()).waitFor();
    assertFalse(p.getByLabel("Contact sheet").isDisabled());
    assertFalse(p.getByLabel("Standards").isDisabled());
    p.getByLabel("Standards").click();
    assertTrue(p.getByLabel("Frame rate").isDisabled());
    // the command box offers what this account can do, and a drag of a key says why nothing moves
    p.keyboard().press("Escape");
    p.getByRole(AriaRole.DIALOG).waitFor(GONE);
    p.keyboard().press("Control+k");
    Locator box = p.getByRole(AriaRole.DIALOG);
    box.getByPlaceholder("What would you like to do?").fill("add a");
    assertEquals(0, box.getByText("Add a camera").count());
    box.getByPlaceholder("What would you like to do?").fill("look through camera a");
    box.getByText("Look through camera A").waitFor();
    p.keyboard().press("Escape");
    p.locator("aside.left .row .name[title='Along the stalls']").click();
    p.getByLabel("Desks").getByText("Move").click();
    var cue = p.locator("[data-testid=attention-lane] [data-cue]").first().boundingBox();
    p.mouse().move(cue.x + cue.width / 2, cue.y + cue.height / 2);
    p.mouse().down();
    p.mouse().move(cue.x + 60, cue.y + cue.height / 2);
    p.mouse().up();
    p.getByText("You may look here but not change").waitFor();
    other.close();
  }

  private static Page.GetByLabelOptions exact() {
    return new Page.GetByLabelOptions().setExact(true);
  }

  @Test
  void aFrameLargerThanTheFilmIsMarkedAndSaid() throws Exception {
    choose("Lantern to Pim");
    desk("Frame");
    page.getByLabel("Film back", exact()).selectOption("own");
    type("Width", "20");
    page.getByLabel("Fit", exact()).selectOption(new SelectOption().setValue("height"));
    page.locator("[data-guide='film back']").waitFor();
    page.getByText("The frame is larger than the film back").waitFor();
    page.getByLabel("Fit", exact()).selectOption(new SelectOption().setValue("width"));
    page.waitForFunction("() => !document.querySelector('[data-guide=\"film back\"]')");
    saved();
  }

  @Test
  void bothClipsAreNamedAndMovedByOneButton() throws Exception {
    Sequence s = document();
    s =
        Edit.apply(
            s,
            List.of(
                new SetValue("camC", "nearClip", 1001, 4, false),
                new SetValue("camC", "farClip", 1001, 12, false)));
    reopened(s);
    choose("Lantern to Pim");
    goTo(1175);
    String said = page.getByTestId("cut-note").textContent();
    assertTrue(said.contains("by the near clip") && said.contains("by the far clip"), said);
    page.getByTestId("cut-note").getByText("Nothing is cut off").click();
    page.waitForFunction("() => !document.querySelector('[data-testid=cut-note]')");
    // beyond the far clip there is nothing to be seen, and the same button is there
    type("Near clip of Lantern to Pim", "0.001");
    type("Far clip of Lantern to Pim", "0.05");
    page.getByTestId("why-empty").getByText("Nothing is cut off").click();
    page.waitForFunction("() => !document.querySelector('[data-testid=why-empty]')");
    assertEquals(0.001, value("camC", "nearClip"), 1e-9, "what cut nothing stays");
    saved();
  }

  @Test
  void aNearClipAtTheLensBlursNothingThatIsInFocus() throws Exception {
    Sequence s = document();
    s =
        Edit.apply(
            s,
            List.of(
                new RigCommand.SetDepthOfField("camC", true),
                new RigCommand.SetFocus("camC", null),
                new SetValue("camC", "fStop", 1001, 2, false),
                new SetValue("camC", "focusDistance", 1001, 6, false),
                new SetValue("camC", "nearClip", 1001, 0.5, false)));
    reopened(s);
    choose("Lantern to Pim");
    goTo(1200);
    BufferedImage usual = lens();
    type("Near clip of Lantern to Pim", "0.01");
    assertTrue(difference(usual, lens()) < 0.02, "the same picture");
  }

  @Test
  void aNameThatIsTakenIsMended() throws Exception {
    Sequence s = document();
    s =
        Edit.apply(
            s, List.of(new kite.core.command.EntityCommand.Rename("oda", s.get("pim").name())));
    reopened(s);
    page.getByTestId("naming").getByText("Mend").click();
    saved();
    Set<String> names = new HashSet<>();
    for (Entity e : application.stored().entities().values())
      assertTrue(names.add(e.getClass().getSimpleName().equals("Shot") + e.name()), e.name());
    assertEquals(0, page.getByTestId("naming").count());
  }

  @Test
  void aBackIsNotAFace() throws Exception {
    desk("Frame");
    choose("Lantern to Pim");
    goTo(1175);
    thing("Subject", "Pim");
    Locator says = page.getByTestId("composition");
    double pan = value("pim", "pan");
    double[] eye = numbers("() => jollyKite.camera('camC').world"), pim = place("pim");
    // a figure looks along −Z turned by its pan
    double towards = Math.toDegrees(Math.atan2(-(eye[12] - pim[0]), -(eye[14] - pim[2])));
    choose("Pim");
    type("Pan of Pim", "" + Math.round(towards));
    choose("Lantern to Pim");
    assertTrue(says.textContent().contains("faces us"), pan + ": " + says.textContent());
    choose("Pim");
    type("Pan of Pim", "" + Math.round(towards + 180));
    choose("Lantern to Pim");
    assertTrue(says.textContent().contains("its back to us"), says.textContent());
  }

  @Test
  void sharpWithoutEndIsSaidSo() {
    desk("Frame");
    choose("Lantern to Pim");
    type("Focus distance of Lantern to Pim", "100");
    type("f-stop of Lantern to Pim", "16");
    type("Focal length of Lantern to Pim", "18");
    Locator far = page.locator("[data-ruler='Far limit of what is sharp']");
    assertEquals("∞", far.getAttribute("aria-valuetext"));
    type("Focus distance of Lantern to Pim", "0.5");
    assertTrue(
        far.getAttribute("aria-valuetext").endsWith(" m"), far.getAttribute("aria-valuetext"));
  }
}
