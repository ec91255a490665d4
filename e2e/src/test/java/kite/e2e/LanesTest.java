package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.cut.Programme;
import org.junit.jupiter.api.Test;

/** Keys and curves in lanes, and the cut. */
class LanesTest extends Desk {
  private Channel.Curve stored(String id, String channel) throws Exception {
    saved();
    return (Channel.Curve) application.stored().get(id).channel(channel);
  }

  @Test
  void aNumberIsKeyedItsKeysAndHandlesDraggedAndShaped() throws Exception {
    choose("Oda");
    goTo(1001);
    page.getByLabel("Key X of Oda").click();
    goTo(1101);
    type("X of Oda", "3.7");
    goTo(1051);
    assertEquals(2.7, value("oda", "x"), 1e-9, "smooth is half way at half time");
    var lane = page.locator("[data-lane='x']");
    page.locator("[title='Open the lane']")
        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("X"))
        .first()
        .click();
    double perFrame = lane.boundingBox().width / 240;
    dragBy(lane.locator("[data-key='1101']"), -40 * perFrame, 0);
    assertEquals(1061, stored("oda", "x").keys().get(1).frame());
    // one that is taken back stands where it stood, and is still the one that is chosen
    var key = lane.locator("[data-key='1061']").boundingBox();
    double keyX = key.x + key.width / 2, keyY = key.y + key.height / 2;
    page.mouse().move(keyX, keyY);
    page.mouse().down();
    page.mouse().move(keyX + 10 * perFrame, keyY);
    page.mouse().move(keyX + 20 * perFrame, keyY);
    lane.locator("[data-key='1081']").waitFor();
    page.keyboard().press("Escape");
    page.mouse().up();
    lane.locator("[data-key='1061']").waitFor();
    assertEquals(
        "{\"oda:x\":[1061]}", page.evaluate("() => JSON.stringify(jollyKite.state().chosenKeys)"));
    // shapes change what is between
    lane.locator("[data-key='1001']").focus();
    shape("Hold").click();
    goTo(1050);
    assertEquals(1.7, value("oda", "x"), 1e-9);
    lane.locator("[data-key='1001']").focus();
    shape("Straight").click();
    lane.locator("[data-key='1061']").focus();
    shape("Straight").click();
    goTo(1016);
    assertEquals(1.7 + 2 * 0.25, value("oda", "x"), 1e-9);
    lane.locator("[data-key='1001']").focus();
    shape("Free").click();
    goTo(1021);
    double before = value("oda", "x");
    dragBy(lane.locator("[data-handle='1001-out']"), 0, -60);
    assertTrue(value("oda", "x") > before + 0.1, "the handle lifts the curve");
    Key k = stored("oda", "x").keys().get(0);
    assertEquals(KeyShape.FREE, k.shape());
    assertTrue(k.outValue() > 0.5);
    // a double click puts a key on the curve without changing it
    goTo(1031);
    double on = value("oda", "x");
    // its upper edge may have gone under the ruler when a key was focused
    lane.evaluate("e => e.closest('.lanes').scrollTop = e.closest('.lane').offsetTop - 30");
    var box = lane.boundingBox();
    page.mouse().dblclick(box.x + 30.2 * perFrame, box.y + 20);
    lane.locator("[data-key='1031']").waitFor();
    assertEquals(on, value("oda", "x"), 1e-6);
    assertEquals(3, stored("oda", "x").keys().size());
    lane.locator("[data-key='1031']").focus();
    page.keyboard().press("Delete");
    assertEquals(2, stored("oda", "x").keys().size());
  }

  @Test
  void aBoundaryIsDraggedACameraCutToAndTheCutPlayed() throws Exception {
    var lane = page.getByTestId("cut-lane");
    dragBy(lane.locator("[data-boundary='cut2']"), lane.boundingBox().width * 19 / 240, 0);
    saved();
    List<Programme.Placed> spans = Programme.of(application.stored()).placed();
    assertEquals(1079, spans.get(0).last(), 1);
    assertEquals(spans.get(0).last() + 1, spans.get(1).first());
    goTo(1160);
    button("Cut to camera A here").click();
    saved();
    assertEquals(
        List.of("camA", "camB", "camC", "camA", "camD"),
        Programme.of(application.stored()).placed().stream()
            .map(Programme.Placed::camera)
            .toList());
    button("Follow the cut").click();
    String[] live = {"camA", "camB", "camC", "camA", "camD"};
    double[] at = {1010, 1100, 1145, 1165, 1230};
    for (int i = 0; i < at.length; i++) {
      goTo(at[i]);
      assertEquals(live[i], page.evaluate("() => jollyKite.state().camera"));
    }
    goTo(1158);
    var before = lens();
    goTo(1160);
    assertTrue(difference(before, lens()) > 0.2, "another camera is another picture");
    page.evaluate("() => jollyKite.goTo(1156)");
    page.keyboard().press("Space");
    page.waitForFunction("() => jollyKite.state().camera === 'camA'");
    page.keyboard().press("Space");
    // swap the camera of a shot from its menu
    lane.getByRole(
            AriaRole.BUTTON,
            new com.microsoft.playwright.Locator.GetByRoleOptions()
                .setName(java.util.regex.Pattern.compile("SW010_0020.*")))
        .click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Dolly zoom on Oda"))
        .click();
    saved();
    assertEquals("camD", Programme.of(application.stored()).placed().get(1).camera());
  }
}
