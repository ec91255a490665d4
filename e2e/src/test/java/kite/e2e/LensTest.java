package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;

/** Point 2: walking the camera, its lens, clips and blur. */
class LensTest extends Desk {
  @Override
  double pixelRatio() {
    return 1;
  }

  @Override
  Sequence document() {
    return new SaltWind().sw010();
  }

  private void lookThroughC() {
    choose("Lantern to Pim");
    goTo(1175);
  }

  @Test
  void twiceTheFocalLengthPutsAPointTwiceAsFarFromTheCentre() throws Exception {
    lookThroughC();
    type("Focal length of Lantern to Pim", "30mm");
    double[] before = project(0.4, 1.1, -12.6);
    BufferedImage wide = lens();
    type("Focal length of Lantern to Pim", "*=2");
    double[] after = project(0.4, 1.1, -12.6);
    assertEquals(2 * (before[0] - 0.5), after[0] - 0.5, 1e-9);
    assertEquals(2 * (before[1] - 0.5), after[1] - 0.5, 1e-9);
    // 2·atan(24.89 / 120) = 23.44°
    assertEquals("23.44°", field("Sees across").inputValue());
    assertTrue(difference(wide, lens()) > 0.1);
    saved();
    assertEquals(60, application.stored().get("camC").channel("focalLength").at(1175));
  }

  @Test
  void theAngleOfViewSetsTheFocalLength() {
    lookThroughC();
    type("Sees across", "40");
    assertEquals(24.89 / 2 / Math.tan(Math.toRadians(20)), value("camC", "focalLength"), 1e-9);
  }

  @Test
  void anAngleNoLensSeesIsRefusedInWords() {
    lookThroughC();
    double was = value("camC", "focalLength");
    type("Sees across", "180");
    page.getByText("A lens sees more than 0° and less than 180°.").waitFor();
    assertEquals(was, value("camC", "focalLength"));
  }

  @Test
  void draggingInTheLensViewTurnsTheCameraByThatMuchOfItsView() {
    lookThroughC();
    double[] before = project(0.4, 1.1, -12.6);
    var box = page.getByTestId("lens").boundingBox();
    dragBy(page.getByTestId("lens"), box.width * 0.1, 0);
    double[] after = project(0.4, 1.1, -12.6);
    assertEquals(before[0] + 0.1, after[0], 0.006, "the picture follows the hand");
    assertTrue(Math.abs(value("camC", "head/pan") + 5) > 1, "the head carries the pan");
    page.keyboard().down("Shift");
    double x = value("camC", "base/x");
    dragBy(page.getByTestId("lens"), -60, 0);
    page.keyboard().up("Shift");
    assertTrue(value("camC", "base/x") > x, "shift-drag to the left trucks right");
    double z = value("camC", "base/z");
    page.mouse().wheel(0, -100);
    page.waitForFunction("() => jollyKite.value('camC', 'base/z') < " + (z - 0.05));
  }

  @Test
  void theClipsCutWhatTheySay() throws Exception {
    lookThroughC();
    BufferedImage whole = lens();
    double lantern =
        number(
            "() => { const c = jollyKite.camera().world, p = jollyKite.place('lantern'); return -(c[8]*(p[0]-c[12]) + c[9]*(p[1]-c[13]) + c[10]*(p[2]-c[14])); }");
    type("Near clip of Lantern to Pim", "" + (lantern - 0.4));
    assertTrue(difference(whole, lens()) < 0.01, "nothing of the lantern is nearer than that");
    type("Near clip of Lantern to Pim", "" + (lantern + 0.4));
    assertTrue(difference(whole, lens()) > 0.01, "now the lantern is cut away");
    type("Far clip of Lantern to Pim", "2");
    double sky = difference(whole, lens());
    assertTrue(sky > 0.2, "and with the far clip at 2 m nearly all of it: " + sky);
  }

  @Test
  void aNearClipBeyondTheFarClipIsRefusedInWords() {
    lookThroughC();
    type("Near clip of Lantern to Pim", "5000");
    page.getByText("Near clip of camera C must be nearer than its far clip.").waitFor();
    type("Near clip of Lantern to Pim", "-1");
    page.getByText("must be 0.001 to").waitFor();
    assertEquals(0.1, value("camC", "nearClip"));
  }

  @Test
  void blurSoftensThePictureMoreAtAWiderStop() throws Exception {
    lookThroughC();
    type("Focus distance of Lantern to Pim", "1.75");
    BufferedImage wideOpen = lens();
    type("f-stop of Lantern to Pim", "16");
    BufferedImage stoppedDown = lens();
    button("Blur").click();
    BufferedImage off = lens();
    double open = sharpness(wideOpen), stopped = sharpness(stoppedDown), sharp = sharpness(off);
    assertTrue(
        open < stopped * 0.9 && stopped <= sharp * 1.01, open + " < " + stopped + " < " + sharp);
  }
}
