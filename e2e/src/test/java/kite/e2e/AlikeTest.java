package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Light;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.rig.base.Base;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pieces that are alike are drawn at once: nobody sees a difference. */
class AlikeTest extends Desk {
  private static final int ROWS = 5;

  /** Ramps, as {@link #rows} has them. */
  private static Sequence ramps(double heightSteps) {
    return rows(StandInKind.RAMP, heightSteps, ROWS);
  }

  /** Each turned and every third stretched, one hidden; each higher than the one before. */
  private static Sequence rows(StandInKind kind, double heightSteps, int rows) {
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < rows * rows; i++) {
      double x = (i % rows - rows / 2) * 1.6, z = -4 - i / rows * 1.8;
      Channels c = Channels.NONE.with("x", x).with("z", z).with("pan", 20.0 * i);
      if (i % 3 == 0) c = c.with("scaleY", 1.5);
      double height = 0.6 + heightSteps * i;
      all.add(
          new Add(
              new Piece(
                  "ramp" + i,
                  "Ramp " + i,
                  null,
                  new Shape.StandIn(kind, 0.8, height, 1.2),
                  "#b9a58a",
                  i != 12,
                  false,
                  AxisOrder.PAN_TILT_ROLL,
                  c)));
    }
    Channels eye = Channels.NONE.with("y", 2.4).with("tilt", -18);
    Base base = new Base("base", true, null, Base.Takes.POSITION, eye);
    Channels lens = Channels.NONE.with("focalLength", 28);
    all.add(
        new Add(new Camera("cam", "Camera", "A", "#f0785a", false, false, lens, List.of(base))));
    Sequence demo = new SaltWind().sw010();
    Sequence s = Edit.apply(new Sequence(demo.header(), Map.of()), all);
    for (Light l : demo.all(Light.class))
      if (l.parent() == null) s = Edit.apply(s, List.of(new Add(l)));
    return s;
  }

  private int atOnce() {
    return ((Number) page.evaluate("() => jollyKite.state().drawnAtOnce")).intValue();
  }

  /**
   * Meshes of few vertices become one; of those with many, copies are drawn, which the graphics
   * side places with fewer digits: pixels along their many edges may fall otherwise.
   */
  @ParameterizedTest
  @CsvSource({"RAMP, 0.001", "ADULT, 0.01"})
  void theyLookAsEachByItself(StandInKind kind, double atEdges) throws Exception {
    look(kind, atEdges, ROWS);
  }

  /** More than are drawn in one go, some of them out of sight. */
  @Test
  void theyLookAsEachByItselfWhereTheyArePartedByWhereTheyStand() throws Exception {
    look(StandInKind.BOX, 0.001, 21);
  }

  private void look(StandInKind kind, double atEdges, int rows) throws Exception {
    reopened(rows(kind, 0, rows));
    BufferedImage together = lens();
    assertEquals(rows * rows - 1, atOnce(), "but the one that is hidden");
    reopened(rows(kind, 1e-6, rows));
    BufferedImage alone = lens();
    assertEquals(0, atOnce(), "no two have one mesh");
    assertEquals(0, difference(together, alone), atEdges);
    assertTrue(sharpness(together) > 1, "there is something to see");
  }

  @Test
  void oneOfThemIsClickedMovedAndTakenOut() throws Exception {
    reopened(ramps(0));
    BufferedImage before = lens();
    double[] at =
        numbers(
            "() => { const [x, y, z] = jollyKite.place('ramp2'); return jollyKite.inSetView(x, y + 0.2, z); }");
    page.mouse().click(at[0], at[1]);
    page.waitForFunction("() => jollyKite.state().selected[0] === 'ramp2'");
    assertEquals(24, atOnce());
    page.keyboard().press("Delete");
    page.waitForFunction("() => jollyKite.state().drawnAtOnce === 23");
    assertTrue(difference(before, lens()) > 0.005, "it is not seen any more");
    button("Undo").click();
    page.waitForFunction("() => jollyKite.state().drawnAtOnce === 24");
    assertEquals(0, difference(before, lens()), 0.001);
  }
}
