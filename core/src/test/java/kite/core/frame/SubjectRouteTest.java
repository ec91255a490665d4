package kite.core.frame;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.model.Models;
import kite.core.rig.base.Base;
import org.junit.jupiter.api.Test;

class SubjectRouteTest {
  /** A mark ten metres ahead that goes from left to right, on a boat that is turned and scaled. */
  private static Sequence sequence() {
    Channels turned = Channels.NONE.with("pan", 70).with("scaleX", 2).with("z", -10);
    Piece boat =
        new Piece(
            "boat",
            "Boat",
            null,
            new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
            "#ffffff",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            turned);
    Channels way = Channels.NONE.with("x", Channel.curve(Key.smooth(1, -1), Key.smooth(31, 1)));
    Camera c =
        new Camera(
            "a",
            "A",
            "A",
            "#f0785a",
            false,
            true,
            Channels.NONE.with("focalLength", 24.89),
            List.of(new Base("base", true, null, Base.Takes.POSITION, Channels.NONE)));
    return Edit.apply(
        new Sequence(RandomDocuments.header(), Map.of()),
        List.of(
            new Add(boat),
            new Add(new Mark("free", "Free", null, way.with("z", -10))),
            new Add(new Mark("rides", "Rides", "boat", way)),
            new Add(c)));
  }

  private static double[] at(Sequence s, String subject, double frame) {
    return new SubjectRoute(new Plan(s, Models.NONE), "a", subject).at(frame);
  }

  @Test
  void aPlaceInFrameIsItsSlopeOverTheWindows() {
    // 24.89 mm of film back behind 24.89 mm: the window's slopes are ±0.5 across, ±0.28125 down
    assertArrayEquals(new double[] {0.4, 0.5}, at(sequence(), "free", 1), 1e-12);
    assertArrayEquals(new double[] {0.6, 0.5}, at(sequence(), "free", 31), 1e-12);
    SubjectRoute r = new SubjectRoute(new Plan(sequence(), Models.NONE), "a", "free");
    assertEquals(List.of(1.0, 31.0), r.keys());
  }

  @Test
  void carryingMovesJustTheKeyThatIsHeldByTheSharesAsked() {
    for (String subject : List.of("free", "rides")) {
      Sequence s = sequence();
      SubjectRoute r = new SubjectRoute(new Plan(s, Models.NONE), "a", subject);
      double[] first = at(s, subject, 1), last = at(s, subject, 31);
      List<Command> by = r.carry(31, 0.1, -0.2, true);
      Sequence now = Edit.apply(s, by);
      double[] moved = at(now, subject, 31);
      assertArrayEquals(new double[] {last[0] + 0.1, last[1] - 0.2}, moved, 1e-9, subject);
      assertEquals(first[0], at(now, subject, 1)[0], 1e-9, subject);
    }
  }

  @Test
  void whatIsBehindTheLensStaysWhereItIs() {
    Sequence s = sequence();
    s = s.with(s.get("free").withChannel("z", Channel.fixed(3)));
    assertTrue(Double.isNaN(at(s, "free", 5)[0]));
    SubjectRoute r = new SubjectRoute(new Plan(s, Models.NONE), "a", "free");
    assertEquals(List.of(), r.carry(5, 0.1, 0.1, true));
  }
}
