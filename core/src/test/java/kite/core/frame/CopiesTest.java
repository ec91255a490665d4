package kite.core.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Measure;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class CopiesTest {
  private static Plan at(Sequence s, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return p;
  }

  private static Vec3 place(Plan p, String id) {
    return Matrix.newOrigin(p.world(), p.slot(id) * Matrix.SIZE);
  }

  private static Piece figure(String id, double x) {
    return new Piece(
        id,
        id,
        null,
        new Shape.StandIn(StandInKind.ADULT, 0.5, 1.83, 0.3),
        "#808080",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", x));
  }

  /** Whatever is copied, however it is carried and keyed: copies stand so many steps on. */
  @Test
  void everyCopyStandsItsStepOnAtTheFrameItIsMadeOn() {
    Vec3 step = new Vec3(1.5, 0.25, -2);
    for (int seed = 0; seed < 25; seed++) {
      Sequence s = RandomDocuments.of(seed);
      Plan was = at(s, 7);
      List<String> ids = new ArrayList<>();
      for (Entity e : s.entities().values())
        if (e.id().equals("piece4") || e.id().equals("mark") || e.id().equals("path"))
          ids.add(e.id());
      List<String> newIds = new ArrayList<>();
      for (int n = 1; n <= 3; n++) for (String id : ids) newIds.add(id + "-" + n);
      List<Command> all = Copies.of(s, was, ids, newIds, step, false);
      Sequence made = Edit.apply(s, all);
      Plan is = at(made, 7);
      boolean along = ids.contains(((kite.core.document.Mark) s.get("mark")).rides());
      for (String id : ids)
        for (int n = 1; n <= 3 && was.slot(id) >= 0; n++) {
          if (id.equals("mark") && along) continue; // it rides its carrier's copy
          Vec3 d = place(is, id + "-" + n).minus(place(was, id));
          assertEquals(
              0,
              d.minus(new Vec3(step.x() * n, step.y() * n, step.z() * n)).length(),
              1e-9,
              id + " of seed " + seed);
        }
      if (along)
        assertEquals(
            0,
            place(is, "mark-2")
                .minus(place(was, "mark"))
                .minus(new Vec3(step.x() * 2, step.y() * 2, step.z() * 2))
                .length(),
            1e-6);
    }
  }

  @Test
  void aCopyStandsFreeBesideAndTooManyAreRefused() {
    Sequence s =
        Edit.apply(
            new Sequence(RandomDocuments.header(), Map.of()),
            List.of(new EntityCommand.Add(figure("pim", 0))));
    Plan p = at(s, 1);
    double step = Copies.stepM(new Arranging(s, p, 1, false), List.of("pim"));
    assertTrue(step > 0.5 && step < 1, "" + step);
    Vec3 right = new Vec3(step, 0, 0);
    List<String> ids = new ArrayList<>();
    for (int i = 0; i <= Copies.MOST; i++) ids.add("copy" + i);
    assertThrows(Refusal.class, () -> Copies.of(s, p, List.of("pim"), ids, right, false));
    assertThrows(Refusal.class, () -> Copies.of(s, p, List.of("pim"), List.of(), right, false));
  }

  @Test
  void newThingsStandBesideWhatIsThereAndOnTheGroundAllTheSame() {
    Piece ground =
        new Piece(
            "ground",
            "Ground",
            null,
            new Shape.StandIn(StandInKind.BOX, 40, 0.2, 40),
            "#808080",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            Channels.NONE);
    Sequence s =
        Edit.apply(
            new Sequence(RandomDocuments.header(), Map.of()),
            List.of(
                new EntityCommand.Add(ground),
                new EntityCommand.Add(figure("a", 0)),
                new EntityCommand.Add(figure("b", 0.7))));
    double x = FreeGround.x(s, at(s, 1), 0, 0, 0.5, 0.3);
    assertTrue(x > 1.1 && x < 1.6, "beside both: " + x);
    assertEquals(0, FreeGround.x(s, at(s, 1), 0, 3, 0.5, 0.3), "free as wanted");
  }

  /** Turned by handles, whatever carries it and in whatever order its angles go. */
  @Test
  void aThingTakesTheTurnOfATransformWhereItStands() {
    java.util.Random r = new java.util.Random(5);
    for (int seed = 0; seed < 25; seed++) {
      Sequence s = RandomDocuments.of(seed);
      double[] world = Matrix.newIdentity();
      kite.core.math.Rotation.panTiltRoll(
          r.nextGaussian(), r.nextGaussian(), r.nextGaussian(), world, 0);
      Piece free =
          new Piece(
              "free",
              "Free",
              "carrier",
              new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
              "#808080",
              true,
              false,
              AxisOrder.values()[seed % 6],
              Channels.NONE.with("x", 2));
      Piece carrier =
          (Piece) figure("carrier", 1).withChannel("pan", kite.core.curve.Channel.fixed(40));
      Sequence u =
          Edit.apply(s, List.of(new EntityCommand.Add(carrier), new EntityCommand.Add(free)));
      Vec3 stood = place(at(u, 7), "free");
      u = Edit.apply(u, new Arranging(u, at(u, 7), 7, false).turnTo("free", world));
      Plan turned = at(u, 7);
      for (int i = 0; i < 11; i++)
        assertEquals(
            world[i], turned.world()[turned.slot("free") * Matrix.SIZE + i], 1e-6, "seed " + seed);
      assertEquals(0, place(turned, "free").minus(stood).length(), 1e-12, "its place stays");
    }
  }

  @Test
  void aCopiedMeasureKeepsItsOwnName() {
    Measure m = new Measure("m", "Measure", null, Vec3.ZERO, new Vec3(1, 0, 0));
    Sequence s = Edit.apply(RandomDocuments.of(3), List.of(new EntityCommand.Add(m)));
    List<Command> all =
        Copies.of(s, at(s, 1), List.of("m"), List.of("n", "o"), new Vec3(0, 2, 0), false);
    Sequence made = Edit.apply(s, all);
    assertEquals(2, Set.of(made.get("n").name(), made.get("o").name()).size());
    assertTrue(!made.get("n").name().equals(s.get("m").name()));
    assertEquals(new Vec3(0, 4, 0), ((Measure) made.get("o")).from());
  }
}
