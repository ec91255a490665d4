package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.rig.RigPart;
import kite.core.rig.arm.Arm;
import kite.core.rig.attention.Attention;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rig.framings.Framings;
import kite.core.rig.operator.Operator;
import kite.core.rig.trim.Trim;
import org.junit.jupiter.api.Test;

/** The Move desk as a layout artist uses it: rigs, cues, notes, versions. */
class MoveTest extends Desk {
  private Camera stored(String id) throws java.sql.SQLException {
    saved();
    return (Camera) application.stored().get(id);
  }

  private double[] world(String camera) {
    return numbers("() => [...jollyKite.camera('" + camera + "').world]");
  }

  private void fromMenu(String button, String entry) {
    button(button).click();
    page.getByRole(
            AriaRole.MENUITEM,
            new Page.GetByRoleOptions().setName(Pattern.compile("^" + entry + ".*")))
        .click();
    menuGone();
  }

  @Test
  void aReadyMadeRigKeepsTheCameraWhereItIs() throws Exception {
    choose("Lantern to Pim");
    goTo(1150);
    double[] before = world("camC");
    for (String kind : List.of("Crane", "Slider", "Handheld")) {
      fromMenu("Ready-made", kind);
      drawn();
      // someone who holds a camera sways: within a hand's breadth and a few degrees
      assertArrayEquals(before, world("camC"), kind.equals("Handheld") ? 0.12 : 1e-6, kind);
    }
    assertTrue(stored("camC").first(Operator.class) != null);
    for (int i = 0; i < 3; i++) page.keyboard().press("Control+z");
    drawn();
    assertArrayEquals(before, world("camC"), 1e-9);
    saved();
    assertEquals(null, stored("camC").first(Operator.class));
  }

  @Test
  void aNoteBecomesATrimInTwoClicksAndCanBeSwitchedOffToCompare() throws Exception {
    choose("Crane down");
    goTo(1040);
    double[] before = world("camA");
    page.getByLabel("Answer a note with a trim").selectOption("push in a little");
    drawn();
    double[] pushed = world("camA");
    double ahead = 0;
    for (int i = 0; i < 3; i++) ahead -= (pushed[12 + i] - before[12 + i]) * before[8 + i];
    assertEquals(0.3, ahead, 1e-9);
    page.getByText("1 trim: 0.3 m and 0°.").waitFor();
    button("All off").click();
    drawn();
    assertArrayEquals(before, world("camA"), 1e-12);
    button("All on").click();
    page.getByText("Only for a stretch of frames").click();
    type("To", "1030");
    drawn();
    assertArrayEquals(before, world("camA"), 1e-12, "past its end");
    assertEquals(1030, stored("camA").first(Trim.class).span().last());
  }

  @Test
  void aTravellingCameraGoesToAFramingAndFollowsItsReframing() throws Exception {
    choose("Lantern to Pim");
    goTo(1001);
    fromMenu("Ready-made", "Travelling");
    goTo(1020);
    button("Travel to camera A from this frame").click();
    goTo(1070);
    assertArrayEquals(world("camA"), world("camC"), 1e-9);
    page.getByText(Pattern.compile("100 % camera A; the lens here: .*")).waitFor();
    // another frame for camera A: the travel goes there without being touched
    choose("Crane down");
    page.getByLabel("Answer a note with a trim").selectOption("a little higher");
    choose("Lantern to Pim");
    drawn();
    assertArrayEquals(world("camA"), world("camC"), 1e-9);
    assertEquals(2, stored("camC").first(Framings.class).cues().size());
    // its lane shows the turn and moves it
    var lane = page.getByTestId("framings-lane").boundingBox();
    dragBy(page.locator("[data-cue='1020']"), lane.width * 30 / 240, 0);
    assertEquals(1050, stored("camC").first(Framings.class).cues().get(1).frame(), 1);
  }

  @Test
  void sharesAreDraggedInTheirLaneAndHeldWithOneKey() throws Exception {
    choose("Along the stalls");
    goTo(1075);
    var lane = page.getByTestId("attention-lane").boundingBox();
    // the lower edge of the first hold, where only Pim is looked at: what is taken goes to Oda
    double x = lane.x + lane.width * 75.5 / 240;
    page.mouse().move(x, lane.y + lane.height - 2);
    page.mouse().down();
    page.mouse().move(x, lane.y + lane.height - 2 - lane.height * 0.2);
    page.mouse().move(x, lane.y + lane.height - 2 - lane.height * 0.4);
    page.mouse().up();
    page.getByText(Pattern.compile("60 % Pim, 40 % Oda; .*")).waitFor();
    assertEquals(0.6, stored("camB").first(Attention.class).cues().get(0).mix().get("pim"), 1e-9);
    goTo(1100); // between two cues: hold this mix, easing out of the turn
    page.getByTestId("lens").focus();
    page.keyboard().press("c");
    Attention a = stored("camB").first(Attention.class);
    assertTrue(a.cues().stream().anyMatch(c -> c.frame() == 1100 && c.travel() == 8));
    page.keyboard().press("Shift+C"); // at once
    a = stored("camB").first(Attention.class);
    assertTrue(a.cues().stream().anyMatch(c -> c.frame() == 1100 && c.travel() == 0));
    page.keyboard().press("3"); // and on to the third subject
    a = stored("camB").first(Attention.class);
    assertEquals(
        1.0,
        a.cues().stream()
            .filter(c -> c.frame() == 1100)
            .findFirst()
            .orElseThrow()
            .mix()
            .get("kite"));
  }

  @Test
  void aDollyZoomHoldsTheSizeThroughTheMove() throws Exception {
    choose("Boom over the stalls");
    goTo(1001);
    double focal = number("() => jollyKite.camera('camE').lens[0]");
    fromMenu("+ Part", "Dolly zoom");
    thing("Holds", "Oda");
    drawn();
    assertEquals(focal, number("() => jollyKite.camera('camE').lens[0]"), 1e-6);
    DollyZoom z = stored("camE").first(DollyZoom.class);
    for (int f = 1010; f <= 1120; f += 22) {
      goTo(f);
      double ahead = project(eyes("oda", 1.66, 7.5))[2];
      double now = number("() => jollyKite.camera('camE').lens[0]");
      assertEquals(z.mmPerM(), now / ahead, z.mmPerM() * 1e-3, "frame " + f);
    }
    page.locator("[data-part=dollyZoom]").getByText("Focus follows it").click();
    assertEquals("oda", stored("camE").focus().subjects().get(0).entity());
  }

  @Test
  void anArmIsSwungByItsHandleInTheSet() throws Exception {
    choose("Boom over the stalls");
    goTo(1050);
    button("Plan").click();
    button("Find").click();
    settled();
    double before = value("camE", "arm/swing");
    double[] tip = numbers("() => jollyKite.handleOnScreen('arm')");
    page.mouse().move(tip[0], tip[1]);
    page.mouse().down();
    for (int i = 1; i <= 5; i++) page.mouse().move(tip[0] + 8 * i, tip[1] + 5 * i);
    page.mouse().up();
    saved();
    double after = value("camE", "arm/swing");
    assertTrue(Math.abs(after - before) > 2, before + " → " + after);
    Channel swing = stored("camE").first(Arm.class).channels().get(Arm.SWING);
    assertTrue(
        swing instanceof Channel.Curve c && c.keys().stream().anyMatch(k -> k.frame() == 1050));
    page.keyboard().press("Control+z");
    assertEquals(before, value("camE", "arm/swing"), 1e-9);
    button("Free").click();
  }

  @Test
  void keyingByHandRefusesWhatWouldKeyByItself() throws Exception {
    choose("Crane down");
    button("Key by hand").click();
    goTo(1033);
    RigPart keyed =
        stored("camA").rig().stream()
            .filter(
                p -> p.channels().set().values().stream().anyMatch(c -> c instanceof Channel.Curve))
            .findFirst()
            .orElseThrow();
    String channel =
        keyed.channels().set().entrySet().stream()
            .filter(e -> e.getValue() instanceof Channel.Curve)
            .findFirst()
            .orElseThrow()
            .getKey();
    var field = page.locator("input[data-channel='" + keyed.id() + "/" + channel + "']").first();
    double before = value("camA", keyed.id() + "/" + channel);
    field.click();
    field.fill("+=0.5");
    field.press("Enter");
    page.getByText(Pattern.compile("Automatic keying is off, and .* has keys.*")).waitFor();
    assertEquals(before, value("camA", keyed.id() + "/" + channel), 1e-12);
    button("Key where keyed").click();
  }

  @Test
  void aVersionIsKeptComparedAndGoneBackTo() throws Exception {
    choose("Crane down");
    goTo(1040);
    button("Versions").click();
    page.getByText("No version is kept yet").waitFor();
    field("Name of the version").fill("first pass");
    field("Note of the version").fill("before the director’s note");
    button("Keep as v001").click();
    page.locator("[data-version='1']").waitFor();
    button("Close").click();
    double[] before = world("camA");
    var was = lens();
    for (int i = 0; i < 4; i++)
      page.getByLabel("Answer a note with a trim").selectOption("push in a little");
    drawn();
    var pushed = lens();
    assertTrue(difference(was, pushed) > 0.05);
    saved();
    button("Versions").click();
    button("Compare").click();
    page.getByTestId("compare").getByText("v001 first pass").waitFor();
    drawn();
    var both = lens();
    int w = both.getWidth(), h = both.getHeight();
    assertTrue(
        difference(was.getSubimage(0, 0, w / 2 - 4, h), both.getSubimage(0, 0, w / 2 - 4, h))
            < 0.01,
        "the left half is the version");
    assertTrue(
        difference(
                pushed.getSubimage(w / 2 + 4, 0, w / 2 - 4, h),
                both.getSubimage(w / 2 + 4, 0, w / 2 - 4, h))
            < 0.01,
        "the right half is as it is now");
    dragBy(field("Wipe between the two"), both.getWidth() / 4.0, 0);
    button("Side by side").click();
    drawn();
    assertTrue(difference(both, lens()) > 0.2);
    button("Done comparing").click();
    button("Versions").click();
    button("Go back to it …").click();
    page.getByText("Different: camera A Crane down.").waitFor();
    button("Go back, as one edit").click();
    drawn();
    assertArrayEquals(before, world("camA"), 1e-12);
    assertEquals(null, stored("camA").first(Trim.class));
    page.keyboard().press("Control+z");
    assertFalse(stored("camA").first(Trim.class) == null, "undo brings back what was");
  }

  @Test
  void aRigIsSavedForTheProductionAndPutOnAnotherCamera() throws Exception {
    choose("Along the stalls");
    fromMenu("Ready-made", "Save this camera’s rig");
    String name = "Stall rail " + System.nanoTime();
    field("Name of the rig").fill(name);
    button("Save").click();
    page.getByText("every sequence of the production finds it").waitFor();
    choose("Lantern to Pim");
    goTo(1100);
    double[] before = world("camC");
    fromMenu("Ready-made", name);
    drawn();
    double[] now = world("camC");
    for (int i = 12; i < 15; i++) assertEquals(before[i], now[i], 1e-6, "the place stays");
    Camera c = stored("camC");
    assertEquals(stored("camB").rig().size(), c.rig().size());
    assertEquals(3, c.first(Attention.class).subjects().size());
    button("Ready-made").click();
    page.getByLabel("Forget " + name).click();
    page.getByText("The production has no rig “" + name + "” any more").waitFor();
    page.keyboard().press("Escape");
    menuGone();
  }

  @Test
  void aRigIsBakedBesideItself() throws Exception {
    choose("Along the stalls");
    button("Bake").click();
    page.getByText("Only as many keys as a tolerance needs").click();
    page.getByTestId("bake-report")
        .getByText(Pattern.compile(".*off by at most 0\\.00.* m.*"))
        .waitFor();
    page.getByRole(AriaRole.DIALOG)
        .getByRole(
            AriaRole.BUTTON,
            new com.microsoft.playwright.Locator.GetByRoleOptions().setName("Bake").setExact(true))
        .click();
    page.getByRole(AriaRole.DIALOG)
        .waitFor(
            new com.microsoft.playwright.Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    saved();
    List<Camera> plain =
        application.stored().all(Camera.class).stream()
            .filter(c -> c.name().endsWith(" baked"))
            .toList();
    assertEquals(1, plain.size());
    for (double f : new double[] {1061, 1090, 1111.5, 1140}) {
      goTo(f);
      double[] rig = world("camB"), baked = world(plain.get(0).id());
      for (int i = 12; i < 15; i++) assertEquals(rig[i], baked[i], 0.005, "frame " + f);
      for (int i = 0; i < 11; i++) assertEquals(rig[i], baked[i], Math.toRadians(0.06));
    }
  }

  private long baked() throws Exception {
    saved();
    return application.stored().all(Camera.class).stream()
        .filter(c -> c.name().endsWith(" baked"))
        .count();
  }

  @Test
  void allRigsAreBakedInOneEditAndWhatEachLostIsSaid() throws Exception {
    choose("Along the stalls");
    button("Bake").click();
    page.getByText("All cameras that are more than plain ones").click();
    button("Bake 7 cameras").click();
    page.getByTestId("bake-reports").waitFor();
    assertEquals(7, page.getByTestId("bake-reports").locator("tbody tr").count());
    button("Close").click();
    assertEquals(7, baked());
    button("Bake").click(); // the plain ones are not offered again
    page.getByText("All cameras that are more than plain ones").click();
    button("Bake 7 cameras").waitFor();
    page.keyboard().press("Escape");
    page.getByRole(AriaRole.DIALOG)
        .waitFor(
            new com.microsoft.playwright.Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN));
    page.keyboard().press("Control+z");
    assertEquals(0, baked(), "one step back takes all of them back");
  }

  @Test
  void aHandheldMoveIsPartedIntoACalmBaseAndATrim() throws Exception {
    choose("Handheld chase");
    double[] frames = {1010, 1100, 1200};
    double[][] was = new double[3][];
    for (int i = 0; i < 3; i++) {
      goTo(frames[i]);
      was[i] = world("camF");
    }
    button("Bake").click();
    page.getByText("The other way").click();
    page.getByTestId("calm-report")
        .getByText(Pattern.compile("The base would have \\d+ keys.*"))
        .waitFor();
    button("A calm base, the rest a trim").click();
    Camera now = stored("camF");
    assertEquals(List.of("Base", "Trim"), now.rig().stream().map(this::kind).toList());
    for (int i = 0; i < 3; i++) {
      goTo(frames[i]);
      assertArrayEquals(was[i], world("camF"), 1e-9, "frame " + frames[i]);
    }
  }

  private String kind(RigPart p) {
    return p.getClass().getSimpleName();
  }

  @Test
  void aSubjectIsCarriedAlongItsWayInTheLensView() throws Exception {
    desk("Move");
    choose("Boom over the stalls");
    choose("Runaway kite");
    goTo(1120);
    double[] was = place("kite"), eye = world("camE");
    var grip = page.getByLabel("Carry Runaway kite on frame 1120");
    var before = grip.boundingBox();
    dragBy(grip, 30, 40);
    var after = grip.boundingBox();
    assertEquals(before.x + 30, after.x, 1);
    assertEquals(before.y + 40, after.y, 1);
    double[] now = place("kite");
    double along = 0, moved = 0;
    for (int i = 0; i < 3; i++) {
      along += (now[i] - was[i]) * eye[8 + i];
      moved = Math.max(moved, Math.abs(now[i] - was[i]));
    }
    assertEquals(0, along, 1e-9, "at the distance it had");
    assertTrue(moved > 0.1);
    grip.focus();
    page.keyboard().press("ArrowLeft");
    assertTrue(grip.boundingBox().x < after.x - 2);
    page.keyboard().press("Control+z");
    page.keyboard().press("Control+z");
    drawn();
    assertArrayEquals(was, place("kite"), 1e-9);
  }

  @Test
  void aPathIsMadeOfPlainShapesAndWorkedOnInNumbers() throws Exception {
    add("Circle path");
    String id = (String) page.evaluate("() => jollyKite.state().selected[0]");
    page.getByText(Pattern.compile("8 points, 18\\.85 m long.*")).waitFor();
    page.getByTestId("path-card")
        .getByRole(AriaRole.GROUP, named("Point 2"))
        .getByText("Open")
        .click();
    page.getByText("9 points").waitFor();
    type("Points", "5");
    button("Make even").click();
    page.getByText("5 points").waitFor();
    page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Point 3"))
        .getByLabel("Height")
        .fill("2.5");
    page.keyboard().press("Enter");
    saved();
    kite.core.document.Path p = (kite.core.document.Path) application.stored().get(id);
    assertEquals(2.5, p.points().get(2).at().y(), 1e-9);
    assertFalse(p.closed());
  }

  private static com.microsoft.playwright.Locator.GetByRoleOptions named(String name) {
    return new com.microsoft.playwright.Locator.GetByRoleOptions().setName(name);
  }
}
