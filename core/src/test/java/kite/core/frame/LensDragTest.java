package kite.core.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Place;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import org.junit.jupiter.api.Test;

class LensDragTest {
  private static final Vec3 ABOUT = new Vec3(0.4, 1.2, -6);

  private static Sequence document() {
    Camera c =
        new Camera(
            "c",
            "C",
            "C",
            "#f0785a",
            false,
            false,
            Channels.NONE.with("focalLength", 40).with("focusDistance", 20),
            List.of(
                new Base("base", true, null, Base.Takes.POSITION, Channels.NONE),
                new Head("head", true, Channels.NONE)));
    return new Sequence(RandomDocuments.header(), Map.of()).with(c);
  }

  private static Eye eye(Sequence s) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(1001);
    return Eye.of(p, "c");
  }

  private static LensDrag held(Sequence s) {
    return new LensDrag("c", 1001, 40, eye(s).window(), ABOUT, 6, false);
  }

  private static Sequence after(Command c) {
    return Edit.apply(document(), List.of(c));
  }

  /**
   * Where a point lies in the frame, as shares of its width from the left and height from the top.
   */
  private static double[] place(Eye e, Vec3 p) {
    Vec3 v = e.seen(p);
    double x = v.x() / -v.z(), y = v.y() / -v.z();
    return new double[] {
      (x - e.window().left()) / (e.window().right() - e.window().left()),
      (e.window().top() - y) / (e.window().top() - e.window().bottom())
    };
  }

  @Test
  void whatATruckIsAboutStaysUnderTheHand() {
    double[] before = place(eye(document()), ABOUT);
    double[] now = place(eye(after(held(document()).drag(LensDrag.Tool.TRUCK, 0.2, 0.1))), ABOUT);
    assertEquals(before[0] + 0.2, now[0], 1e-9);
    assertEquals(before[1] + 0.1, now[1], 1e-9);
  }

  @Test
  void aTurnOverTheWholeFrameTurnsByTheAngleOfView() {
    Sequence s = after(held(document()).drag(LensDrag.Tool.TURN, 1, 0));
    double pan = ((Head) ((Camera) s.get("c")).part("head")).channels().get(Place.PAN).at(1001);
    var w = eye(document()).window();
    assertEquals(Math.toDegrees(Math.atan(w.right()) - Math.atan(w.left())), pan, 1e-9);
  }

  @Test
  void anOrbitKeepsItsDistance() {
    Eye e = eye(after(held(document()).drag(LensDrag.Tool.ORBIT, 0.3, 0.2)));
    assertEquals(ABOUT.length(), e.place().minus(ABOUT).length(), 1e-9);
  }

  @Test
  void theWheelGoesNearerInSmallerStepsAndNeverStandsStill() {
    assertEquals(0.4, LensDrag.notchM(10), 1e-12);
    assertEquals(0.02, LensDrag.notchM(0.01), 1e-12);
    assertEquals(5, LensDrag.notchM(1e5), 1e-12);
    Eye e = eye(after(held(document()).dolly(2)));
    assertEquals(-2, e.place().z(), 1e-12);
  }

  @Test
  void aLensThatIsPulledTooFarStopsAtItsLimit() {
    assertEquals(5000, focal(held(document()).drag(LensDrag.Tool.ZOOM, 0, -9)));
    assertEquals(1, focal(held(document()).drag(LensDrag.Tool.ZOOM, 0, 9)));
    assertEquals(41.63, focal(held(document()).zoom(1)), "40·e^0.04, in hundredths");
  }

  private static double focal(Command c) {
    return ((Camera) after(c).get("c")).channel("focalLength").at(1001);
  }

  @Test
  void anArrowTurnsByADegreeAndTrucksWhereItPoints() {
    Sequence turned = after(held(document()).steps(LensDrag.Tool.TURN, 3, 0));
    assertEquals(
        -3, ((Head) ((Camera) turned.get("c")).part("head")).channels().get(Place.PAN).at(1001));
    Eye right = eye(after(held(document()).steps(LensDrag.Tool.TRUCK, 1, 0)));
    assertEquals(true, right.place().x() > 0, "to the right");
    Eye down = eye(after(held(document()).steps(LensDrag.Tool.TRUCK, 0, 1)));
    assertEquals(true, down.place().y() < 0, "down");
    Eye in = eye(after(held(document()).steps(LensDrag.Tool.DOLLY, 0, -1)));
    assertEquals(true, in.place().z() < 0, "up is towards what it looks at");
  }
}
