package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.RigCommand;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;

/** The reel of SW030, which has overlapping action and a shot at half speed. */
class CutDeskTest extends Desk {
  @Override
  Sequence document() {
    Sequence s =
        Edit.apply(
            new SaltWind().sw030(),
            List.of(new Remove(List.of("cut6", "marker1", "marker2"), true)));
    for (Camera c : s.all(Camera.class))
      s = Edit.apply(s, List.of(new RigCommand.SetDepthOfField(c.id(), false)));
    return s;
  }

  private void cutDesk() {
    desk("Cut");
    page.getByTestId("reel").waitFor();
  }

  private void reel(double frame) {
    page.evaluate("f => jollyKite.goToReel(f)", frame);
    drawn();
  }

  private Programme stored() throws Exception {
    saved();
    return Programme.of(application.stored());
  }

  /** Each shot's camera, first frame of the scene and length. */
  private static List<String> cut(Programme p) {
    List<String> all = new ArrayList<>();
    for (Programme.Placed x : p.placed())
      all.add(x.camera() + " " + Math.round(x.sceneFirst() * 100) / 100.0 + " " + x.frames());
    return all;
  }

  private Locator shot(String id) {
    return page.locator("[data-shot=" + id + "] > g").first();
  }

  /** Opens the panel on the right where it is folded. */
  private void card() {
    if (page.locator("aside.right").count() == 0) page.keyboard().press("Alt+p");
  }

  private static double x(Locator l) {
    var b = l.boundingBox();
    return b.x + b.width / 2;
  }

  @Test
  void onEveryFrameOfTheProgrammeItsShotsActionIsSeen() {
    cutDesk();
    Programme p = Programme.of(document());
    int[] frames = {1001, 1080, 1081, 1132, 1203, 1204, 1227, 1250, 1300};
    List<double[]> seen = new ArrayList<>();
    for (int frame : frames) {
      reel(frame);
      assertEquals(p.scene(frame), number("() => jollyKite.state().frame"), 1e-9, "" + frame);
      assertEquals(p.at(frame).camera(), page.evaluate("() => jollyKite.state().camera"));
      seen.add(numbers("() => jollyKite.camera().world"));
    }
    // on the other desks the same camera on that frame of the scene
    desk("Move");
    for (int i = 0; i < frames.length; i++) {
      goTo(p.scene(frames[i]));
      String camera = p.at(frames[i]).camera();
      double[] there = numbers("() => jollyKite.camera('" + camera + "').world");
      assertArrayEquals(there, seen.get(i), 1e-9, camera + " on " + frames[i]);
    }
    desk("Cut");
    // in time of the scene the same moment, in the shot that was looked at
    reel(1085);
    assertEquals("scene 1073", page.getByTestId("other-time").innerText());
    desk("Move");
    assertEquals(1073, number("() => jollyKite.state().frame"));
    assertEquals("SW030_0020 1085", page.getByTestId("other-time").innerText());
    goTo(1160);
    desk("Cut");
    assertEquals(1172, number("() => jollyKite.state().reel"), "in the first shot that shows it");
  }

  @Test
  void lettersCutWhileItPlaysAndOneUndoTakesAllBack() throws Exception {
    cutDesk();
    Programme before = stored();
    page.keyboard().press("Shift+X");
    page.keyboard().press("Home");
    page.keyboard().press("Space");
    page.waitForFunction("() => jollyKite.state().reel >= 1012");
    page.keyboard().press("a");
    page.waitForFunction("() => jollyKite.state().reel >= 1040");
    page.keyboard().press("c");
    page.waitForFunction("() => jollyKite.state().reel >= 1048");
    assertEquals(
        cut(before), cut(Programme.of(application.stored())), "nothing is stored as it plays");
    page.keyboard().press("Space");
    Programme now = stored();
    Programme.Placed a = brought(before, now, "camA"), c = brought(before, now, "camC");
    assertTrue(a.first() >= 1012 && c.first() >= 1040, a + ", " + c);
    assertEquals(before.lastFrame(), now.lastFrame(), "nothing comes earlier or later");
    // each stays to the end of the shot that it was cut into; how far it had played is the
    // machine's
    for (int f = before.firstFrame(); f <= before.lastFrame(); f++) {
      String camera = before.at(f).camera();
      if (f >= a.first() && f <= before.at(a.first()).last()) camera = "camA";
      if (f >= c.first() && f <= before.at(c.first()).last()) camera = "camC";
      assertEquals(camera, now.at(f).camera(), "on " + f);
    }
    assertEquals(1, number("() => jollyKite.state().undoSteps"));
    page.keyboard().press("Control+z");
    assertEquals(cut(before), cut(stored()));
  }

  /** The only shot of a camera that was not there before. */
  private static Programme.Placed brought(Programme before, Programme now, String camera) {
    List<String> there = before.placed().stream().map(Programme.Placed::id).toList();
    List<Programme.Placed> all =
        now.placed().stream()
            .filter(p -> camera.equals(p.camera()) && !there.contains(p.id()))
            .toList();
    assertEquals(1, all.size(), now.placed().toString());
    return all.get(0);
  }

  @Test
  void practiceLeavesTheReelAloneUntilItIsKept() throws Exception {
    cutDesk();
    List<String> before = cut(stored());
    button("Practice").click();
    reel(1010);
    page.keyboard().press("b");
    page.keyboard().press("Shift+S");
    page.locator("[data-tile=camD]").waitFor();
    reel(1030);
    page.locator("[data-tile=camD]").click();
    button("Keep 2 cuts").waitFor();
    assertEquals(before, cut(stored()));
    button("Drop them").click();
    page.waitForFunction("() => document.querySelectorAll('[data-shot]').length === 5");
    page.locator("[data-tile=camD]").click();
    button("Keep this cut").click();
    assertEquals(List.of("camF 1001.0 29", "camD 1030.0 51"), cut(stored()).subList(0, 2));
  }

  @Test
  void gripsAreDraggedAndWhatMovesIsSaid() throws Exception {
    cutDesk();
    double perFrame = page.getByTestId("reel").boundingBox().width / 300;
    Locator tail = page.locator("[data-grip='tail cut2']");
    var box = tail.boundingBox();
    page.mouse().move(box.x + box.width / 2, box.y + 20);
    page.mouse().down();
    page.mouse()
        .move(
            box.x + box.width / 2 + 10 * perFrame, box.y + 20, new Mouse.MoveOptions().setSteps(4));
    page.getByText("SW030_0020 62 f; all after +10").waitFor();
    page.keyboard().press("Escape");
    page.mouse().up();
    assertEquals("camE 1069.0 52", cut(stored()).get(1), "Escape takes it back");
    dragBy(tail, 10 * perFrame, 0);
    Programme now = stored();
    assertEquals("camE 1069.0 62", cut(now).get(1));
    assertEquals(1143, now.of("cut3").first(), "what follows comes later");
    dragBy(page.locator("[data-grip='roll cut3']"), -10 * perFrame, 0);
    assertEquals(List.of("camE 1069.0 52", "camG 1111.0 80"), cut(stored()).subList(1, 3));
    page.locator("[data-grip='head cut3']").focus();
    for (int i = 0; i < 10; i++) page.keyboard().press("ArrowRight");
    assertEquals("camG 1121.0 70", cut(stored()).get(2));
    // the second goes behind the third
    dragBy(shot("cut2"), x(shot("cut3")) + 40 - x(shot("cut2")), 0);
    assertEquals(List.of("cut1", "cut3", "cut2"), order().subList(0, 3));
    // with Alt the action slips under it
    page.keyboard().down("Alt");
    dragBy(shot("cut2"), -10 * perFrame, 0);
    page.keyboard().up("Alt");
    assertEquals("camE 1079.0 52", cut(stored()).get(2));
  }

  private List<String> order() throws Exception {
    return stored().placed().stream().map(Programme.Placed::id).toList();
  }

  @Test
  void everythingIsDoneByKeys() throws Exception {
    cutDesk();
    List<String> before = cut(stored());
    page.keyboard().press("Home");
    page.keyboard().press("PageDown");
    assertEquals(1081, number("() => jollyKite.state().reel"));
    for (int i = 0; i < 10; i++) page.keyboard().press(".");
    page.keyboard().press("x");
    assertEquals(List.of("camE 1069.0 10", "camE 1079.0 42"), cut(stored()).subList(1, 3), "split");
    page.keyboard().press("PageUp");
    page.keyboard().press("PageUp");
    page.keyboard().press("PageDown");
    page.keyboard().press("Shift+J");
    assertEquals(before, cut(stored()), "joined");
    page.keyboard().press("Shift+ArrowRight");
    page.keyboard().press("Alt+ArrowRight");
    page.keyboard().press("Alt+]");
    assertEquals(
        List.of("camF 1001.0 81", "camE 1071.0 52"),
        cut(stored()).subList(0, 2),
        "longer, slip, roll");
    page.keyboard().press("Control+ArrowRight");
    assertEquals(List.of("cut1", "cut3", "cut2"), order().subList(0, 3));
    page.keyboard().press("Shift+Delete");
    assertEquals("null 1071.0 52", cut(stored()).get(2), "lifted");
    for (int i = 0; i < 7; i++) page.keyboard().press("Control+z");
    assertEquals(before, cut(stored()));
    // the shot begins on the playhead, and ends there
    reel(1091);
    page.keyboard().press("[");
    assertEquals("camE 1079.0 42", cut(stored()).get(1));
    reel(1100);
    page.keyboard().press("]");
    assertEquals("camE 1079.0 20", cut(stored()).get(1));
    reel(1011);
    page.keyboard().press("Insert");
    assertEquals(
        List.of("camF 1001.0 10", "camA 1011.0 48", "camF 1011.0 70"), cut(stored()).subList(0, 3));
    page.keyboard().press("Control+z");
    page.keyboard().press("Shift+Insert");
    saved();
    reel(1011);
    page.keyboard().press("Shift+Insert");
    assertEquals(List.of("camF 1001.0 10", "camA 1011.0 48"), cut(stored()).subList(0, 2));
  }

  @Test
  void takesAndSpeedsAreOnItsCard() throws Exception {
    cutDesk();
    shot("cut3").click();
    card();
    Locator takes = page.locator("[data-card=takes]");
    takes.getByText("Another").click();
    takes.getByLabel("Camera of take 2").selectOption("camB");
    Shot shot = (Shot) afterSaving().get("cut3");
    assertEquals(2, shot.takes().size());
    assertEquals("camB", shot.take().camera());
    page.keyboard().press("Escape");
    page.getByTestId("lens").click();
    shot("cut3").click();
    page.keyboard().press("t");
    assertEquals("camG", ((Shot) afterSaving().get("cut3")).take().camera());
    // half as fast it shows half as much, or lasts twice as long
    page.locator("[data-card=speed]").getByText("Half").click();
    assertEquals(new Speed.Steady(1, 2), ((Shot) afterSaving().get("cut3")).take().speed());
    assertEquals(70, stored().of("cut3").frames());
    type("Last frame, %", "150");
    Programme.Placed ramp = stored().of("cut3");
    assertEquals(1121 + 70 * (0.5 + 1.5) / 2 - 1.5, ramp.sceneLast(), 0.6, "it speeds up evenly");
    page.getByLabel("Status of the shot").selectOption("forReview");
    page.getByLabel("Notes on the shot").fill("hold on Oda");
    page.getByLabel("Notes on the shot").blur();
    Shot said = (Shot) afterSaving().get("cut3");
    assertEquals(Shot.Status.FOR_REVIEW, said.status());
    assertEquals("hold on Oda", said.notes());
  }

  private Sequence afterSaving() throws Exception {
    saved();
    return application.stored();
  }

  @Test
  void whatAnEditorWouldPointOutIsShownAndLeft() throws Exception {
    cutDesk();
    reel(1100);
    page.keyboard().press("x"); // the same camera goes on
    Locator chip =
        page.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions()
                .setName(java.util.regex.Pattern.compile("\\d+ to look at$")));
    chip.waitFor();
    chip.click();
    Locator note =
        page.locator(".cut-note")
            .filter(new Locator.FilterOptions().setHasText("goes on from the shot before"));
    note.getByText("goes on from the shot before").click();
    assertEquals(1100, number("() => jollyKite.state().reel"));
    chip.click();
    note.getByText("Leave it").click();
    page.getByLabel("Why it stays").fill("a beat");
    page.keyboard().press("Enter");
    note.waitFor(
        new Locator.WaitForOptions()
            .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
    boolean kept = false;
    for (Shot x : afterSaving().all(Shot.class))
      for (var a : x.accepted())
        kept |= a.about().equals("sameCamera") && a.word().equals("a beat");
    assertTrue(kept);
  }

  @Test
  void codesFollowTheOrderWhenAsked() throws Exception {
    cutDesk();
    shot("cut2").click();
    page.keyboard().press("Control+ArrowRight");
    saved();
    button("Codes…").click();
    button("Change these 2").click();
    assertEquals(
        List.of("SW030_0010", "SW030_0020", "SW030_0030", "SW030_0040", "SW030_0050"),
        stored().placed().stream().map(Programme.Placed::shot).toList());
    assertEquals("SW030_0030", stored().of("cut2").shot());
  }

  @Test
  void markersArePutWrittenOnAndMoved() throws Exception {
    cutDesk();
    reel(1040);
    page.keyboard().press("m");
    Locator marker = page.getByTestId("markers").getByRole(AriaRole.BUTTON);
    marker.click();
    field("What the marker says").fill("the kite goes");
    page.keyboard().press("Enter");
    marker.focus();
    page.keyboard().press("ArrowRight");
    page.keyboard().press("ArrowRight");
    Marker m = afterSaving().all(Marker.class).get(0);
    assertEquals("the kite goes", m.name());
    assertEquals(1042, m.frame());
    reel(1040);
    page.keyboard().press("Shift+PageDown");
    assertEquals(1042, number("() => jollyKite.state().reel"));
    page.keyboard().press("m");
    page.getByText("“the kite goes” stands on frame 1042").waitFor();
    marker.focus();
    page.keyboard().press("Delete");
    assertTrue(afterSaving().all(Marker.class).isEmpty());
  }

  @Test
  void aBoardStandsForAShotUntilACameraDoes() throws Exception {
    cutDesk();
    BufferedImage board = new BufferedImage(64, 36, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < 36; y++) for (int x = 0; x < 64; x++) board.setRGB(x, y, 0x40a0e0);
    Path file = Files.createTempFile("board", ".png");
    ImageIO.write(board, "png", file.toFile());
    page.locator("[data-shot=cut5] > g").first().click();
    card();
    var chosen =
        page.waitForFileChooser(
            () -> page.locator("[data-card=board]").getByText("Choose").click());
    chosen.setFiles(file);
    page.getByAltText("The board of SW030_0050").waitFor();
    reel(1260);
    assertEquals(0, page.getByTestId("board").count(), "its camera is there");
    page.getByLabel("Seen in place of the camera’s picture").check();
    page.getByTestId("board").waitFor();
    // what is rendered is what is seen
    saved();
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    var job =
        Person.json(
            pim.post(
                "api/sequences/" + sequence + "/renders",
                Map.of(
                    "what",
                    "shots",
                    "spans",
                    List.of("cut5"),
                    "frame",
                    0,
                    "percent",
                    5,
                    "samples",
                    1)));
    String id = job.get("id").asString();
    String state = "WAITING";
    while (state.equals("WAITING") || state.equals("WORKING")) {
      page.waitForTimeout(500);
      state = Person.json(pim.get("api/renders/" + id)).get("state").asString();
    }
    assertEquals("DONE", state);
    byte[] bytes = pim.getBytes("api/renders/" + id + "/frames/1.png").body();
    BufferedImage made = ImageIO.read(new ByteArrayInputStream(bytes));
    assertTrue(apart(0x40a0e0, made.getRGB(made.getWidth() / 2, made.getHeight() / 2)) < 6);
  }

  @Test
  void theCutOfAnEarlierBuildBecomesShotsThatLookAlike() throws Exception {
    Sequence s = document();
    List<String> all = s.all(Shot.class).stream().map(Shot::id).toList();
    Sequence earlier =
        Edit.apply(
            Edit.apply(s, List.of(new Remove(all, true))),
            List.of(
                new Add(new CutEntry("one", "SW030_0010", "camF", 1001)),
                new Add(new CutEntry("two", "SW030_0020", null, 1081)),
                new Add(new CutEntry("three", "SW030_0030", "camE", 1101))));
    reopened(earlier);
    Sequence now = afterSaving();
    assertTrue(now.all(CutEntry.class).isEmpty());
    assertEquals(Programme.of(earlier).placed(), Programme.of(now).placed());
    assertEquals(1, number("() => jollyKite.state().revision"), "it is an edit like any other");
    cutDesk();
    reel(1150);
    assertEquals(1150, number("() => jollyKite.state().frame"));
    assertEquals("camE", page.evaluate("() => jollyKite.state().camera"));
    assertFalse(page.getByTestId("reel").getByText("Gap").count() == 0);
  }
}
