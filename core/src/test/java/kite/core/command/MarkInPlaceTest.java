package kite.core.command;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import org.junit.jupiter.api.Test;

/** What looked at a thing goes on looking there when marks take its place. */
class MarkInPlaceTest {
  private static final double AT = 9;

  private static Attention looks(String id, Subject at) {
    return new Attention(
        id,
        true,
        Attention.Up.WORLD,
        null,
        Attention.Blend.POINTS,
        List.of(at),
        List.of(new Cue(1, 0, Ease.EVEN, Map.of(at.entity(), 1.0))),
        Channels.NONE);
  }

  private static Camera camera(String id, RigPart... rig) {
    return new Camera(
        id, id, "A", "#f0785a", false, false, Channels.NONE.with("fStop", 2), List.of(rig));
  }

  private static Piece piece(String id, String parent, StandInKind kind, Channels c) {
    Shape shape = new Shape.StandIn(kind, 0.5, 1.7, 0.4);
    return new Piece(id, id, parent, shape, "#808080", true, false, AxisOrder.PAN_TILT_ROLL, c);
  }

  /** A figure on a boat that sails and turns, looked at in three ways. */
  private static Sequence harbour() {
    Channels sails =
        Channels.NONE
            .with("x", Channel.curve(Key.smooth(1, 0), Key.smooth(40, 6)))
            .with("pan", Channel.curve(Key.smooth(1, 10), Key.smooth(40, 80)))
            .with("z", -4);
    Channels stands = Channels.NONE.with("x", 1).with("pan", 35).with("scaleY", 1.2);
    Subject eyes = new Subject("pim", "eyes", new Vec3(0, 0.1, 0.02)), centre = Subject.of("pim");
    Camera looking =
        camera(
            "looking",
            new Base("base", true, null, Base.Takes.ALL, Channels.NONE.with("y", 2)),
            looks("look", eyes));
    looking =
        looking.withFocus(
            new Focus(List.of(eyes), List.of(new Cue(1, 0, Ease.EVEN, Map.of("pim", 1.0)))));
    Camera riding =
        camera(
            "riding",
            new Base(
                "base", true, "pim", Base.Takes.ALL, Channels.NONE.with("z", 2).with("tilt", -5)));
    Light spot =
        new Light(
            "spot",
            "Spot",
            Light.Form.SPOT,
            null,
            null,
            "#ffffff",
            0,
            true,
            "#000000",
            true,
            "#000000",
            "#000000",
            true,
            looks("aim", centre),
            Channels.NONE.with("y", 6).with("x", -2));
    Sequence s = new Sequence(RandomDocuments.header(), Map.of());
    List<Command> all = new ArrayList<>();
    for (var e :
        List.of(
            piece("boat", null, StandInKind.BOX, sails),
            piece("pim", "boat", StandInKind.CHILD, stands),
            new Mark("hat", "hat", "pim", "head", Channels.NONE.with("y", 0.3)),
            looking,
            riding,
            spot)) all.add(new EntityCommand.Add(e));
    return Edit.apply(s, all);
  }

  private static Sequence substituted(Sequence s) {
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(AT);
    List<EntityCommand.Stood> marks = new ArrayList<>();
    for (Subject where : MarkInPlace.points(s, "pim")) {
      double[] p = new double[3];
      plan.subject(where, p);
      String id = "m" + marks.size();
      Channels at = Channels.NONE.with("x", p[0]).with("y", p[1]).with("z", p[2]);
      marks.add(new EntityCommand.Stood(new Mark(id, id, null, at), where));
    }
    return Edit.apply(s, List.of(new EntityCommand.Substitute("pim", marks, AT)));
  }

  private static double[] world(Plan plan, String id) {
    double[] m = new double[Matrix.SIZE];
    System.arraycopy(plan.world(), plan.slot(id) * Matrix.SIZE, m, 0, Matrix.SIZE);
    return m;
  }

  private static double focusM(Plan plan) {
    return plan.lens()[plan.slot("looking") * LensRow.SIZE + LensRow.FOCUS];
  }

  @Test
  void aimFocusAndLightStayOnTheirPointsAsTheBoatSails() {
    Sequence before = harbour(), after = substituted(before);
    assertNull(after.get("pim"));
    Plan was = new Plan(before, Models.NONE), is = new Plan(after, Models.NONE);
    for (double f = 1; f <= 40; f += 1.5) {
      was.evaluate(f);
      is.evaluate(f);
      for (String id : List.of("looking", "spot"))
        assertArrayEquals(world(was, id), world(is, id), 1e-9, id + " at " + f);
      assertEquals(focusM(was), focusM(is), 1e-9, "focus at " + f);
    }
    assertNotEquals(
        ((Attention) ((Camera) after.get("looking")).part("look")).subjects().get(0).entity(),
        ((Light) after.get("spot")).attention().subjects().get(0).entity(),
        "two points, two marks");
  }

  @Test
  void whatRodeItStaysWhereItIs() {
    Sequence before = harbour(), after = substituted(before);
    Plan was = new Plan(before, Models.NONE), is = new Plan(after, Models.NONE);
    was.evaluate(AT);
    is.evaluate(AT);
    for (String id : List.of("riding", "hat"))
      for (int i = 12; i < 15; i++) assertEquals(world(was, id)[i], world(is, id)[i], 1e-9, id);
  }

  @Test
  void aMarkLaidOnAnAnchorStaysWhereItIs() {
    Sequence before = harbour();
    Sequence free = Edit.apply(before, List.of(new EntityCommand.Attach("hat", null, null, AT)));
    Sequence laid = Edit.apply(free, List.of(new EntityCommand.Attach("hat", "pim", "eyes", AT)));
    Plan was = new Plan(before, Models.NONE), is = new Plan(laid, Models.NONE);
    was.evaluate(AT);
    is.evaluate(AT);
    assertArrayEquals(world(was, "hat"), world(is, "hat"), 1e-9);
  }
}
