package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.MouseButton;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Finish;
import kite.core.document.Mark;
import kite.core.document.Measure;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.rig.attention.Attention;
import kite.demo.SaltWind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The Set desk: true scale, stand-ins and models, layers, marks and measures. */
class SetTest extends Desk {
  @BeforeEach
  void turnToTheDesk() {
    desk("Set");
  }

  private Piece named(String name) throws Exception {
    saved();
    return application.stored().all(Piece.class).stream()
        .filter(p -> p.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new AssertionError("no piece " + name));
  }

  private void menu(String row, String item) {
    page.locator("aside.left .row .name[title=\"" + row + "\"]")
        .click(new Locator.ClickOptions().setButton(MouseButton.RIGHT));
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item).setExact(true))
        .click();
    menuGone();
  }

  @Test
  void unitsAndGridChangeWhatIsShownAndNothingElse() throws Exception {
    choose("Pim");
    assertEquals(
        "0.42 m × 1.22 m × 0.26 m wide, high, deep", page.getByTestId("size").textContent());
    page.getByLabel("Display unit").selectOption("ft+in");
    // 1.22 m = 48.03 in
    assertTrue(page.getByTestId("size").textContent().contains("× 4 ft 0.03 in ×"));
    page.getByLabel("Grid", new Page.GetByLabelOptions().setExact(true)).selectOption("3 ft, 1 ft");
    type("X of Pim", "6ft 2in");
    assertEquals(6 * 0.3048 + 2 * 0.0254, value("pim", "x"), 1e-12);
    assertEquals("6 ft 2 in", field("X of Pim").inputValue());
    page.getByLabel("Display unit").selectOption("in");
    assertEquals(
        List.of("12 in, 1 in", "36 in, 12 in", "1 in, ⅛ in"),
        page.getByLabel("Grid", new Page.GetByLabelOptions().setExact(true))
            .locator("option")
            .allTextContents());
    saved();
    Sequence s = application.stored();
    assertEquals(0.9144, s.header().gridM());
    assertEquals(3, s.header().gridLines());
    assertEquals(new SaltWind().sw010().get("oda"), s.get("oda"));
  }

  @Test
  void standInsAreCopiedRepeatedAlignedAndSetDown() throws Exception {
    add("Arch stand-in");
    page.getByText("Arch", new Page.GetByTextOptions().setExact(true)).first().waitFor();
    type("Y of Arch", "3");
    type("X of Arch", "-1.3");
    button("To the ground").click();
    assertEquals(0, named("Arch").channel("y").at(1001), 1e-9);
    page.keyboard().press("Control+d");
    type("X of Arch 2", "5");
    type("Y of Arch 2", "1");
    menu("Arch", "Make an instance");
    assertEquals(new Shape.Instance(named("Arch").id()), named("Arch 3").shape());
    // the first chosen stays, the others come to it
    choose("Arch");
    page.keyboard().down("Control");
    choose("Arch 2");
    page.keyboard().up("Control");
    button("Y").click();
    button("Least").click();
    assertEquals(-1.3, named("Arch 2").channel("x").at(1001), 1e-6);
    assertEquals(0, named("Arch 2").channel("y").at(1001), 1e-6);
    page.keyboard().press("Control+z");
    assertEquals(5, named("Arch 2").channel("x").at(1001), 1e-9);
  }

  @Test
  void whatSomethingIsNestedInFoldsByMouseAndIsNotChosenByThat() throws Exception {
    Locator second = page.locator("aside.left .row .name[title='Bollard 2']");
    choose("Pim");
    second.dragTo(page.locator("aside.left .row .name[title='Bollard 1']"));
    saved();
    assertEquals("bollard1", ((Piece) application.stored().get("bollard2")).parent());
    page.getByTitle("Fold", new Page.GetByTitleOptions().setExact(true)).click();
    second.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    page.getByTitle("Unfold", new Page.GetByTitleOptions().setExact(true)).click();
    second.waitFor();
    assertEquals("pim", page.evaluate("() => jollyKite.state().selected[0]"));
    // a heading folds wherever it is clicked
    page.getByText("CAMERAS", new Page.GetByTextOptions().setExact(true)).click();
    page.locator("aside.left .row .name[title='Crane down']")
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
  }

  @Test
  void aLayerHidesAndLocksWhatLiesOnIt() throws Exception {
    choose("Lantern to Pim");
    goTo(1175);
    BufferedImage whole = lens();
    add("Layer");
    field("Find by name").fill("La"); // both rows in sight
    page.locator("aside.left .row .name[title=Lantern]")
        .dragTo(page.locator("aside.left .row .name[title=Layer]"));
    page.getByText("1 on it: Lantern").waitFor();
    page.getByLabel("Hide Layer", new Page.GetByLabelOptions().setExact(true)).click();
    choose("Lantern to Pim");
    assertTrue(difference(whole, lens()) > 0.02, "the lantern is gone from the lens view");
    page.getByLabel("Show Layer", new Page.GetByLabelOptions().setExact(true)).click();
    assertTrue(difference(whole, lens()) < 0.003, "and back");
    page.getByLabel("Lock Layer", new Page.GetByLabelOptions().setExact(true)).click();
    choose("Lantern");
    assertEquals(
        "“Lantern” lies on the locked layer “Layer”. Unlock the layer first.",
        field("X of Lantern").getAttribute("title"));
    assertTrue(field("X of Lantern").getAttribute("readonly") != null);
  }

  @Test
  void removingWhatIsUsedAsksOnceAndAMarkCanTakeItsPlace() throws Exception {
    goTo(1100);
    double[] oda = place("oda");
    choose("Oda");
    page.keyboard().press("Delete");
    page.getByText("“Along the stalls” attends to “Oda”").waitFor();
    button("Keep it").click();
    assertNotNull(application.stored().get("oda"));
    page.keyboard().press("Delete");
    button("Put a mark in its place").click();
    page.locator("aside.left .row .name[title='Where Oda was']").waitFor();
    saved();
    Sequence s = application.stored();
    Mark m = s.all(Mark.class).stream().filter(x -> x.name().startsWith("Where")).findFirst().get();
    assertEquals(oda[0], m.channel("x").at(1), 0.2);
    Camera b = (Camera) s.get("camB");
    assertTrue(
        b.first(Attention.class).subjects().stream().anyMatch(x -> x.entity().equals(m.id())));
    page.keyboard().press("Control+z");
    saved();
    assertEquals(document(), application.stored());
  }

  @Test
  void marksAndMeasuresAreClickedOnSurfaces() throws Exception {
    choose("Lantern to Pim");
    goTo(1175);
    double[] pim = place("pim");
    add("Mark on a surface…");
    clickAt(pim[0], 0.9, pim[2]);
    page.locator("aside.left .row .name[title=Mark]").waitFor();
    saved();
    Mark m =
        application.stored().all(Mark.class).stream()
            .filter(x -> x.name().equals("Mark"))
            .findFirst()
            .get();
    assertEquals(pim[2], m.channel("z").at(1), 0.3, "on the front of Pim");
    assertEquals(0.9, m.channel("y").at(1), 0.05);
    choose("Lantern to Pim");
    add("Measure from the camera…");
    clickAt(pim[0], 0.9, pim[2]);
    page.getByTestId("measured").waitFor();
    saved();
    Measure measure = application.stored().all(Measure.class).get(0);
    double[] seen = project(measure.to().x(), measure.to().y(), measure.to().z());
    String says = page.getByTestId("measured").textContent();
    String along = String.valueOf(Math.round(seen[2] * 1000) / 1000.0);
    assertTrue(says.contains(along + " m along the axis"), says + " / " + along);
    assertTrue(says.contains("straight"), says);
  }

  @Test
  void anObjWithItsMaterialsIsLookedAtThenTakenAndLetteringIsMade() throws Exception {
    String obj =
        "mtllib crate.mtl\nusemtl paint\nv -50 0 50\nv 50 0 50\nv 50 120 50\nv -50 120 50\n"
            + "vt 0 0\nvt 1 0\nvt 1 1\nvt 0 1\nf 1/1 2/2 3/3 4/4\n";
    BufferedImage red = new BufferedImage(4, 4, BufferedImage.TYPE_INT_RGB);
    for (int i = 0; i < 16; i++) red.setRGB(i % 4, i / 4, 0xd02010);
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(red, "png", png);
    var chooser = page.waitForFileChooser(() -> button("Bring in a model").click());
    chooser.setFiles(
        new FilePayload[] {
          new FilePayload("board.obj", "text/plain", obj.getBytes(StandardCharsets.UTF_8)),
          new FilePayload(
              "crate.mtl",
              "text/plain",
              "newmtl paint\nKd 1 1 1\nmap_Kd red.png\n".getBytes(StandardCharsets.UTF_8)),
          new FilePayload("red.png", "image/png", png.toByteArray())
        });
    page.getByText("120 m is unlikely").waitFor();
    page.getByLabel("File unit").last().selectOption("0.01");
    assertEquals("1 m × 1.2 m × 0 m", page.getByTestId("import-size").textContent());
    button("Bring it in").click();
    page.getByText("board is in").waitFor();
    choose("Lantern to Pim");
    goTo(1175);
    choose("board");
    type("X of board", "0.6");
    type("Z of board", "-4");
    settled();
    double[] at = project(0.6, 1.1, -4);
    BufferedImage seen = lens();
    int p = seen.getRGB((int) (at[0] * seen.getWidth()), (int) (at[1] * seen.getHeight()));
    assertTrue(
        (p >> 16 & 255) > 3 * (p & 255), "painted with its picture: " + Integer.toHexString(p));
    add("Lettering…");
    page.getByLabel("What it says").fill("Salt & Wind");
    button("Put it in the set").click();
    page.locator("aside.left .row .name[title='Salt & Wind']").waitFor();
    settled();
    String size = page.getByTestId("size").textContent();
    double wide = Double.parseDouble(size.substring(0, size.indexOf(' ')));
    assertTrue(wide > 2 && wide < 5, "eleven letters half a metre high: " + size);
    assertEquals("Salt & Wind", ((Shape.Model) named("Salt & Wind").shape()).text());
  }

  /** A surface of its own is seen in the lens view, stored, and taken back. */
  @Test
  void aPieceGetsASurfaceOfItsOwn() throws Exception {
    choose("Along the stalls");
    goTo(1100);
    desk("Set");
    choose("Oda");
    String oda = (String) page.evaluate("() => jollyKite.state().selected[0]");
    page.getByLabel("One of its own").check();
    type("Glow", "3");
    saved();
    assertEquals(new Finish(0.5, 0, 3, null), finish(oda));
    type("Roughness", "2");
    page.getByText("are 0 to 1.").first().waitFor();
    assertEquals(new Finish(0.5, 0, 3, null), finish(oda), "out of range it changes nothing");
    field("Roughness").press("Escape");
    BufferedImage red = new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB);
    for (int i = 0; i < 64; i++) red.setRGB(i % 8, i / 8, 0xff0000);
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(red, "png", png);
    page.waitForFileChooser(() -> page.locator("[data-card=finish]").getByText("Choose …").click())
        .setFiles(new FilePayload("red.png", "image/png", png.toByteArray()));
    page.locator("img.finish-thumb").waitFor();
    settled();
    saved();
    assertEquals(64, finish(oda).picture().length());
    // it glows red, whatever its own colours
    double[] p = place(oda), at = project(p[0], p[1] + 1.1, p[2]);
    BufferedImage seen = lens();
    int c = seen.getRGB((int) (at[0] * seen.getWidth()), (int) (at[1] * seen.getHeight()));
    assertTrue((c >> 16 & 255) > 70 && (c & 0xffff) == 0, Integer.toHexString(c));
    for (int i = 0; i < 3; i++) button("Undo").click();
    saved();
    assertEquals(null, finish(oda));
  }

  private Finish finish(String piece) throws Exception {
    return ((Piece) application.stored().get(piece)).finish();
  }

  @Test
  void fourViewsShowTheSameSetAndTheMouseMovesNoCamera() throws Exception {
    double[] before = numbers("() => jollyKite.camera().world");
    button("Four").click();
    for (String side : List.of("top", "front", "side")) page.getByTestId("set-" + side).waitFor();
    settled();
    page.mouse().move(300, 250);
    page.mouse().down(new Mouse.DownOptions().setButton(MouseButton.LEFT));
    page.mouse().move(360, 300);
    page.mouse().up();
    page.mouse().wheel(0, 300);
    org.junit.jupiter.api.Assertions.assertArrayEquals(
        before, numbers("() => jollyKite.camera().world"));
    assertEquals(0, number("() => jollyKite.state().revision"));
  }

  /** Thousands of rows would hold the page up: they come as they are gone through. */
  @Test
  void aLongListComesAsItIsGoneThrough() throws Exception {
    List<Command> crates = new ArrayList<>();
    for (int i = 1; i <= 450; i++) {
      Shape box = new Shape.StandIn(StandInKind.BOX, 0.2, 0.2, 0.2);
      Channels at = Channels.NONE.with("x", i % 30 * 0.3).with("z", -4 - i / 30 * 0.3);
      AxisOrder order = AxisOrder.PAN_TILT_ROLL;
      crates.add(
          new Add(new Piece("x" + i, "Xcrate " + i, null, box, "#c9b391", true, false, order, at)));
    }
    reopened(Edit.apply(document(), crates));
    Locator last = page.getByText("Xcrate 450", new Page.GetByTextOptions().setExact(true));
    assertEquals(0, last.count());
    page.getByLabel("Find by name").fill("Xcrate 45");
    last.waitFor();
    page.getByLabel("Find by name").fill("");
    last.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    page.waitForCondition(
        () -> {
          page.evaluate("() => document.querySelector('aside.left .scroll').scrollTo(0, 1e6)");
          return last.count() > 0;
        });
    last.click();
    page.waitForFunction("() => jollyKite.state().selected[0] === 'x450'");
  }
}
