package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.rig.attention.Attention;
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
    assertFalse(page.locator(".lens-view").isHidden(), "Escape closed the contact sheet");
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

  @Test
  void arrowsHeldInLanesAndOnRingsAreOneEditEach() throws Exception {
    keyed();
    key("focalLength", 1041).click();
    int before = undos();
    for (int i = 0; i < 3; i++) page.keyboard().down("ArrowRight");
    page.keyboard().up("ArrowRight");
    assertEquals(List.of(1001.0, 1044.0, 1081.0), keys("camC", "focalLength"));
    assertEquals(before + 1, undos());
    // the key keeps the keyboard, and Escape gives steps up
    for (int i = 0; i < 2; i++) page.keyboard().down("ArrowLeft");
    page.keyboard().press("Escape");
    page.keyboard().up("ArrowLeft");
    assertEquals(List.of(1001.0, 1044.0, 1081.0), keys("camC", "focalLength"));
    assertEquals(before + 1, undos());
    choose("Along the stalls");
    Locator cue = page.locator("[data-testid=attention-lane] [data-cue]").nth(1);
    double was = Double.parseDouble(cue.getAttribute("data-cue"));
    cue.focus();
    for (int i = 0; i < 4; i++) page.keyboard().down("ArrowRight");
    page.keyboard().up("ArrowRight");
    assertEquals(
        was + 4, ((Camera) stored().get("camB")).first(Attention.class).cues().get(1).frame());
    assertEquals(before + 2, undos());
  }

  @Test
  void cuesOfALaneTakeSoLongStretchAndRepeat() throws Exception {
    choose("Along the stalls");
    int count = ((Camera) stored().get("camB")).first(Attention.class).cues().size();
    button("All cues of Attention").click();
    field("Takes, frames").fill("10s");
    field("Takes, frames").press("Enter");
    page.keyboard().press("Escape");
    menuGone();
    var cues = ((Camera) stored().get("camB")).first(Attention.class).cues();
    var last = cues.get(count - 1);
    assertEquals(240, last.frame() + last.travel() - cues.get(0).frame(), 1e-6);
    button("All cues of Attention").click();
    page.getByText("Repeat once more").click();
    menuGone();
    assertTrue(
        ((Camera) stored().get("camB")).first(Attention.class).cues().size() >= 2 * count - 1);
  }

  @Test
  void framesAreTypedAsSecondsAndTimecode() {
    goTo(1001);
    page.getByLabel("Frame", new Page.GetByLabelOptions().setExact(true)).fill("2s");
    page.keyboard().press("Enter");
    assertEquals(1049, number("() => jollyKite.state().frame"));
    page.getByLabel("Frame", new Page.GetByLabelOptions().setExact(true)).fill("+1s");
    page.keyboard().press("Enter");
    assertEquals(1073, number("() => jollyKite.state().frame"));
    page.getByLabel("Frame", new Page.GetByLabelOptions().setExact(true)).fill("00:00:01:12");
    page.keyboard().press("Enter");
    assertEquals(1037, number("() => jollyKite.state().frame"));
    page.keyboard().press("."); // the keyboard is the desk's again
    assertEquals(1038, number("() => jollyKite.state().frame"));
  }

  @Test
  void copiesStandBesideWithNumberAndSpacing() throws Exception {
    desk("Set");
    choose("Lantern");
    double x = place("lantern")[0];
    page.keyboard().press("Control+d");
    double[] copy = place(page.evaluate("() => jollyKite.state().selected[0]").toString());
    assertTrue(copy[0] > x + 0.3, "beside, not on top: " + copy[0]);
    page.keyboard().press("Control+z");
    choose("Lantern");
    button("Several copies…").click();
    field("How many").fill("4");
    field("Each on to the right").fill("1.25");
    field("Each up").fill("0.5");
    field("Each up").press("Tab");
    button("Make 4 copies").click();
    List<?> made = (List<?>) page.evaluate("() => jollyKite.state().selected");
    assertEquals(4, made.size());
    for (int i = 0; i < 4; i++) {
      double[] p = place(made.get(i).toString());
      assertEquals(x + 1.25 * (i + 1), p[0], 1e-6);
      assertEquals(place("lantern")[1] + 0.5 * (i + 1), p[1], 1e-6);
    }
    button("+ Figure").click();
    String first = page.evaluate("() => jollyKite.state().selected[0]").toString();
    button("+ Figure").click();
    String second = page.evaluate("() => jollyKite.state().selected[0]").toString();
    assertTrue(place(second)[0] > place(first)[0] + 0.3, "the second stands beside the first");
  }

  /** Drags a handle of the set view, which stands so many pixels from the selected thing. */
  private void dragHandle(String id, int fromX, int fromY, int dx, int dy) {
    double[] p = place(id);
    double[] at = inSet(p[0], p[1], p[2]);
    page.mouse().move(at[0] + fromX, at[1] + fromY);
    settled(); // the handle under the pointer is found when a frame is drawn
    page.mouse().down();
    for (int i = 1; i <= 5; i++)
      page.mouse().move(at[0] + fromX + dx * i / 5.0, at[1] + fromY + dy * i / 5.0);
    page.mouse().up();
  }

  /**
   * From where it was looked from, a thing found fills a good part of the free view, in its middle.
   */
  @Test
  void whatIsLookedForIsFoundInTheFreeView() {
    desk("Set");
    Locator view = page.getByLabel("Set view").locator("canvas").first();
    for (String[] sought : new String[][] {{"Lantern", "lantern", "1.59"}, {"Pim", "pim", "1.2"}}) {
      choose(sought[0]);
      page.keyboard().press("Shift+V");
      settled();
      double[] p = place(sought[1]);
      double[] foot = inSet(p[0], p[1], p[2]);
      double[] top = inSet(p[0], p[1] + Double.parseDouble(sought[2]), p[2]);
      var box = view.boundingBox();
      double tall = foot[1] - top[1];
      assertTrue(tall > 0.15 * box.height && tall < box.height, sought[0] + " is " + tall);
      assertEquals(box.x + box.width / 2, (foot[0] + top[0]) / 2, box.width * 0.15);
      assertEquals(box.y + box.height / 2, (foot[1] + top[1]) / 2, box.height * 0.25);
    }
  }

  private double[] inSet(double x, double y, double z) {
    return numbers("() => jollyKite.inSetView(" + x + "," + y + "," + z + ")");
  }

  @Test
  void handlesInTheSetTurnAndScaleAndMoveStillCameras() throws Exception {
    desk("Set");
    button("Plan").click();
    choose("Lantern");
    page.keyboard().press("Shift+V");
    settled();
    double pan = value("lantern", "pan");
    button("Turn in the set").click();
    settled();
    int before = undos();
    ringDrag("lantern");
    assertEquals(before + 1, undos(), "one edit");
    assertTrue(Math.abs(value("lantern", "pan") - pan) > 3, "the lantern has turned");
    button("Scale in the set").click();
    settled();
    dragHandle("lantern", 0, 0, 40, 0);
    assertTrue(value("lantern", "scaleX") > 1.05, "it has grown: " + value("lantern", "scaleX"));
    button("Move in the set").click();
    choose("Lantern to Pim");
    page.keyboard().press("Shift+V");
    settled();
    double[] was = place("camC");
    dragHandle("camC", 0, 0, 30, 20);
    double[] now = place("camC");
    assertTrue(Math.hypot(now[0] - was[0], now[2] - was[2]) > 0.02, "the camera has moved");
    assertEquals(was[1], now[1], 1e-6, "in the plane of the plan");
    saved();
  }

  /** In plan, the ring about the upright axis lies round the thing: it is looked for outwards. */
  private void ringDrag(String id) {
    double pan = value(id, "pan");
    for (int r = 20; r < 110 && value(id, "pan") == pan; r += 4) dragHandle(id, r, 0, 0, -45);
  }

  @Test
  void aSpotTurnsFromSubjectToSubject() throws Exception {
    desk("Set");
    add("Spot light");
    String spot = page.evaluate("() => jollyKite.state().selected[0]").toString();
    thing("Aimed at", "Pim");
    thing("Add", "Oda");
    goTo(1050);
    button("Turn to Oda from this frame").click();
    page.locator("[data-testid=attention-lane] [data-cue]").nth(1).waitFor();
    double[] before = numbers("() => jollyKite.camera('" + spot + "').world");
    goTo(1080);
    double[] after = numbers("() => jollyKite.camera('" + spot + "').world");
    double cos = before[8] * after[8] + before[9] * after[9] + before[10] * after[10];
    assertTrue(cos < 0.9999, "it looks elsewhere");
    double[] oda = place("oda"), at = place(spot);
    assertTrue(
        (oda[0] - at[0]) * -after[8] + (oda[1] - at[1]) * -after[9] + (oda[2] - at[2]) * -after[10]
            > 0,
        "towards Oda");
    goTo(1050);
    page.keyboard().press("1"); // the keyboard cues the selected spot as it does a camera
    saved();
  }

  @Test
  void aMarkInItsPlaceKeepsTheAimWhereItWas() throws Exception {
    choose("Along the stalls");
    goTo(1040);
    double[] was = numbers("() => jollyKite.camera('camB').world");
    choose("Pim");
    page.keyboard().press("Delete");
    button("Put a mark in its place").click();
    goTo(1040);
    double[] now = numbers("() => jollyKite.camera('camB').world");
    for (int i = 0; i < 16; i++) assertEquals(was[i], now[i], 1e-9, "axis " + i);
    saved();
  }
}
