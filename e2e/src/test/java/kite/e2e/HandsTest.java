package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.rig.Attention;
import org.junit.jupiter.api.Test;

/** Keyboard and pointer act on what one works on, and on nothing else. */
class HandsTest extends Desk {
  private Sequence stored() throws Exception {
    saved();
    return application.stored();
  }

  private List<Double> keys(String id, String channel) throws Exception {
    return stored().get(id).channel(channel) instanceof Channel.Curve c
        ? c.keys().stream().map(kite.core.curve.Key::frame).toList()
        : List.of();
  }

  private Locator key(String channel, int frame) {
    return page.locator("[data-lane='" + channel + "'] [data-key='" + frame + "']");
  }

  private int undos() {
    return (int) number("() => jollyKite.state().undoSteps");
  }

  /** Keys of camera C's focal length on three frames. */
  private void keyed() {
    choose("Lantern to Pim");
    for (int f : new int[] {1001, 1041, 1081}) {
      goTo(f);
      page.getByLabel("Key Focal length of Lantern to Pim").click();
    }
  }

  @Test
  void deleteTakesTheChosenKeysAndNeverTheCamera() throws Exception {
    keyed();
    key("focalLength", 1041).click();
    page.keyboard().press("Escape"); // nothing is chosen now
    key("focalLength", 1041).click();
    key("focalLength", 1081)
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    page.getByText("2 keys", new com.microsoft.playwright.Page.GetByTextOptions().setExact(true))
        .waitFor();
    page.evaluate("() => document.activeElement.blur()");
    page.keyboard().press("Delete");
    assertEquals(List.of(1001.0), keys("camC", "focalLength"));
    assertNotNull(application.stored().get("camC"), "the camera is still there");
    page.keyboard().press("Control+z");
    assertEquals(3, keys("camC", "focalLength").size());
    page.keyboard().press("Control+y");
    assertEquals(List.of(1001.0), keys("camC", "focalLength"));
  }

  @Test
  void keysGoFromSeveralLanesToTheSameNumbersOfWhatIsSelected() throws Exception {
    keyed();
    goTo(1041);
    page.getByLabel("Key f-stop of Lantern to Pim").click();
    key("focalLength", 1001).click();
    for (String lane : List.of("focalLength", "fStop"))
      key(lane, 1041)
          .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.CONTROL)));
    page.keyboard().press("Control+c");
    choose("Along the stalls");
    goTo(1100);
    page.evaluate("() => document.activeElement.blur()");
    page.keyboard().press("Control+v");
    assertEquals(List.of(1100.0, 1140.0), keys("camB", "focalLength"));
    assertEquals(List.of(1140.0), keys("camB", "fStop"));
    assertEquals(3, keys("camC", "focalLength").size(), "the other camera's lanes are left alone");
  }

  @Test
  void enterGivesTheKeyboardBackToTheDesk() throws Exception {
    choose("Lantern to Pim");
    int before = undos();
    type("Focal length of Lantern to Pim", "60");
    assertEquals(before + 1, undos());
    page.keyboard().press("Control+z");
    assertEquals(before, undos(), "the desk's undo, not the field's");
    field("Focal length of Lantern to Pim").click();
    page.keyboard().press("Tab");
    assertEquals(before, undos(), "leaving a field is no edit");
    goTo(1010);
    type("Focal length of Lantern to Pim", "55");
    page.keyboard().press(".");
    assertEquals(1011, number("() => jollyKite.state().frame"));
    // a pressed button does not keep Space
    button("Contact sheet").click();
    page.keyboard().press("Escape");
    assertFalse(page.locator(".views").isHidden(), "Escape closed the contact sheet");
    page.keyboard().press("Space");
    page.waitForFunction("() => jollyKite.state().frame > 1012");
    page.keyboard().press("Space");
  }

  @Test
  void aHeldArrowIsOneEdit() throws Exception {
    choose("Lantern to Pim");
    int before = undos();
    double was = value("camC", "focalLength");
    field("Focal length of Lantern to Pim").click();
    for (int i = 0; i < 5; i++) page.keyboard().down("ArrowUp");
    page.keyboard().up("ArrowUp");
    assertEquals(was + 2.5, value("camC", "focalLength"), 1e-9);
    assertEquals(before + 1, undos());
    page.keyboard().press("Escape");
    page.getByTestId("lens").focus();
    for (int i = 0; i < 4; i++) page.keyboard().down("ArrowLeft");
    page.keyboard().up("ArrowLeft");
    assertEquals(before + 2, undos());
  }

  @Test
  void digitsAndCuesGoToTheSelectedCameraAlone() throws Exception {
    choose("Along the stalls");
    choose("Pim");
    Attention was = ((Camera) stored().get("camB")).first(Attention.class);
    page.keyboard().press("2");
    page.keyboard().press("c");
    assertEquals(was, ((Camera) stored().get("camB")).first(Attention.class));
    // on the first frame a turn comes from what the first cue held
    choose("Along the stalls");
    goTo(was.cues().get(0).frame());
    page.keyboard().press("3");
    Attention now = ((Camera) stored().get("camB")).first(Attention.class);
    assertEquals(was.cues().get(0).frame() - 1, now.cues().get(0).frame());
    assertEquals(was.cues().get(0).mix(), now.cues().get(0).mix());
    assertTrue(now.cues().get(1).travel() > 0);
  }

  @Test
  void aReloadComesBackToTheSamePlaceWithItsUndo() throws Exception {
    choose("Lantern to Pim");
    desk("Frame");
    type("Focal length of Lantern to Pim", "61");
    goTo(1077);
    saved();
    page.waitForFunction(
        "() => Object.keys(sessionStorage).length > 0 && Object.values(sessionStorage).join().includes('1077')");
    page.reload();
    ready(page);
    assertEquals(1077, number("() => jollyKite.state().frame"));
    assertEquals("camC", page.evaluate("() => jollyKite.state().camera"));
    assertTrue(
        page.getByLabel("Desks").getByText("Frame").getAttribute("aria-pressed").equals("true"));
    page.keyboard().press("Control+z");
    saved();
    assertTrue(value("camC", "focalLength") != 61);
  }

  @Test
  void whatCannotBeReadInTheBrowsersStorageBlocksNothing() throws Exception {
    page.evaluate("id => localStorage.setItem('jolly-kite.unsaved.' + id, '{broken')", sequence);
    page.reload();
    ready(page);
    page.getByText("could not be read and were put aside").waitFor();
    choose("Lantern to Pim");
    type("Focal length of Lantern to Pim", "62");
    saved();
    assertEquals(62, application.stored().get("camC").channel("focalLength").at(1001));
  }

  @Test
  void aLockedLaneIsLockedAgainstTypedNumbers() throws Exception {
    choose("Oda");
    goTo(1001);
    page.getByLabel("Key X of Oda").click();
    double was = value("oda", "x");
    button("Lock the lane of X").click();
    type("X of Oda", "9");
    page.getByText("is locked: unlock it").waitFor();
    assertEquals(was, value("oda", "x"));
    page.keyboard().press("Escape");
  }
}
