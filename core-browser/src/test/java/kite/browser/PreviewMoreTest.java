package kite.browser;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Channels;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class PreviewMoreTest {
  private static final double FRAME = 17.5;

  private static Command box(int i, String parent) {
    return new Add(
        new Piece(
            "box" + i,
            "Box " + i,
            parent,
            new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
            "#a0b0c0",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            Channels.NONE.with("x", i).with("pan", 10 * i)));
  }

  private static double[] place(Plan plan, String id) {
    int o = plan.slot(id) * Matrix.SIZE;
    return Arrays.copyOfRange(plan.world(), o, o + Matrix.SIZE);
  }

  @Test
  void piecesLaidOneAfterTheOtherAreWhatTheyAreTogether() {
    Sequence base = RandomDocuments.of(5);
    Opened.open(base);
    Opened.plan().evaluate(FRAME);
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < 12; i++) all.add(box(i, i == 0 ? null : "box" + (i - 1)));
    for (int i = 0; i < 12; i += 4)
      assertEquals(4, SessionAnswers.previewMore(all.subList(i, i + 4)).after().size());
    Sequence whole = Edit.apply(base, all);
    assertEquals(whole, Opened.shown());
    Plan plan = new Plan(whole, Opened::rig);
    plan.evaluate(FRAME);
    for (int i = 0; i < 12; i++)
      assertArrayEquals(place(plan, "box" + i), place(Opened.plan(), "box" + i), 1e-12);
    assertThrows(
        Refusal.class, () -> SessionAnswers.previewMore(List.of(box(20, "nobody"))), "refused");
    assertEquals(whole, Opened.shown(), "and what was laid before stays");
    SessionAnswers.endPreview();
    assertEquals(base, Opened.shown());
  }
}
