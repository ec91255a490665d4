package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import kite.core.document.Camera;
import kite.core.rig.attention.Attention;
import kite.core.rig.rail.Rail;
import org.junit.jupiter.api.Test;

/** Attention that turns, and a rail on a drawn path. */
class RigTest extends Desk {
  private void addPart(String name) {
    page.getByText("+ Part", new Page.GetByTextOptions().setExact(true)).click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(name)).click();
  }

  @Test
  void attentionHandsOverAndFollowsASubjectThatMoves() throws Exception {
    choose("Lantern to Pim");
    goTo(1001);
    addPart("Attention");
    thing("Add", "Pim");
    thing("Add", "Oda");
    double[] pim = project(eyes("pim", 1.22, 6));
    assertEquals(0.5, pim[0], 1e-6);
    assertEquals(0.5, pim[1], 1e-6);
    goTo(1060);
    button("Turn to Oda from this frame").click();
    assertEquals(
        0.5, project(eyes("pim", 1.22, 6))[0], 1e-6, "at the cue the aim has not left yet");
    goTo(1072);
    double[] oda = project(eyes("oda", 1.66, 7.5));
    assertEquals(0.5, oda[0], 1e-6);
    assertEquals(0.5, oda[1], 1e-6);
    goTo(1066);
    page.getByText("50 % Pim, 50 % Oda").waitFor();
    // move Oda without a key: the aim goes along
    goTo(1100);
    choose("Oda");
    type("X of Oda", "-1.2");
    choose("Lantern to Pim");
    double[] moved = project(eyes("oda", 1.66, 7.5));
    assertEquals(0.5, moved[0], 1e-6);
    // drag the cue in its lane: the turn moves with it
    var cue = page.locator("[data-cue='1060']");
    var lane = page.getByTestId("attention-lane").boundingBox();
    dragBy(cue, lane.width * 20 / 240, 0);
    saved();
    Attention look = ((Camera) application.stored().get("camC")).first(Attention.class);
    assertEquals(2, look.cues().size());
    assertEquals(1080, look.cues().get(1).frame(), 1);
  }

  @Test
  void aRailOnADrawnPathTravelsAtConstantSpeed() throws Exception {
    choose("Dolly zoom on Oda");
    addPart("Rail");
    page.getByText("draw one in plan").click();
    var box = page.getByTestId("set").boundingBox();
    double[][] places = {{0.3, 0.8}, {0.62, 0.72}, {0.35, 0.6}, {0.4, 0.35}, {0.7, 0.3}};
    for (double[] p : places)
      page.mouse().click(box.x + box.width * p[0], box.y + box.height * p[1]);
    page.getByText("5 points").waitFor();
    button("Finish the path").click();
    page.getByText("the rail runs on it").waitFor();
    goTo(1001);
    var rail = page.locator("[data-part=rail]");
    rail.getByLabel("Key Progress of the rail of Dolly zoom on Oda").click();
    goTo(1101);
    type("Progress of the rail of Dolly zoom on Oda", "100%");
    // both keys straight, so that progress is even
    page.locator("[data-lane$='/progress'] [data-key='1001']").focus();
    shape("Straight").click();
    page.locator("[data-lane$='/progress'] [data-key='1101']").focus();
    shape("Straight").click();
    // without the slide's own dolly, what moves is the rail
    page.getByLabel("Switch off: Slide").click();
    saved();
    Rail r = ((Camera) application.stored().get("camD")).first(Rail.class);
    assertTrue(r.path() != null);
    // close steps along an uneven path: chords differ from arcs by far less than a thousandth
    double[] steps =
        numbers(
            """
            () => {
              const at = f => { jollyKite.goTo(f); return jollyKite.camera('camD').world.slice(12, 15); };
              const out = [];
              for (let f = 1003; f < 1099; f += 4) { const a = at(f), b = at(f + 0.05); out.push(Math.hypot(a[0]-b[0], a[1]-b[1], a[2]-b[2])); }
              return out;
            }""");
    double mean = java.util.Arrays.stream(steps).average().orElseThrow();
    assertTrue(mean > 0.001, "it travels: " + mean);
    for (double s : steps) assertEquals(mean, s, mean * 0.001);
  }
}
