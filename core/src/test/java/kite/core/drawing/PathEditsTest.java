package kite.core.drawing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.math.Vec3;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.path.PathTable;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class PathEditsTest {
  private static Path shape(PathShapes.Form form, double size, double degrees, double rise) {
    return PathShapes.of(form, new Vec3(1, 2, 3), size, degrees, rise, "way", n -> n);
  }

  private static PathTable table(Path p) {
    return new PathTable(p.points(), p.style(), p.closed());
  }

  private static Sequence with(Path p) {
    return Edit.apply(RandomDocuments.of(1), List.of(new EntityCommand.Add(p)));
  }

  @Test
  void roundShapesAreRound() {
    assertEquals(2 * Math.PI * 3, table(shape(PathShapes.Form.CIRCLE, 3, 0, 0)).length(), 1e-4);
    assertEquals(Math.PI * 3 / 2, table(shape(PathShapes.Form.ARC, 3, 90, 0)).length(), 1e-4);
    double turn = 2 * Math.PI * 2;
    assertEquals(
        3 * Math.hypot(turn, 1), table(shape(PathShapes.Form.HELIX, 2, 1080, 3)).length(), 1e-3);
    assertEquals(7, table(shape(PathShapes.Form.LINE, 7, 0, 0)).length(), 1e-9);
    PathTable t = table(shape(PathShapes.Form.CIRCLE, 3, 0, 0));
    for (double u = 0; u < 8; u += 0.1) {
      Vec3 from = t.newPlace(u).minus(new Vec3(1, 2, 3));
      assertEquals(3, from.length(), 3 * 5e-6, "at " + u);
    }
    assertThrows(Refusal.class, () -> shape(PathShapes.Form.CIRCLE, 0, 0, 0));
    assertThrows(Refusal.class, () -> shape(PathShapes.Form.ARC, 2, Double.NaN, 0));
  }

  @Test
  void aPointPutInBetweenLeavesAPathWithHandlesAsItIs() {
    Path p = shape(PathShapes.Form.HELIX, 2, 300, 1.5);
    Sequence s = Edit.apply(with(p), List.of(PathEdits.insert(p, 2)));
    Path more = (Path) s.get("way");
    assertEquals(p.points().size() + 1, more.points().size());
    PathTable a = table(p), b = table(more);
    assertEquals(a.length(), b.length(), 1e-7);
    for (double m = 0; m < a.length(); m += 0.3)
      assertEquals(
          0, a.newPlace(a.parameter(m)).distance(b.newPlace(b.parameter(m))), 1e-6, "at " + m);
    assertThrows(Refusal.class, () -> PathEdits.insert(p, p.points().size() - 1));
  }

  @Test
  void theTwoPartsOfAPathAreTheWhole() {
    Path p = shape(PathShapes.Form.ARC, 4, 200, 0);
    Sequence s = Edit.apply(with(p), PathEdits.split(with(p), p, 2, "rest"));
    Path first = (Path) s.get("way"), rest = (Path) s.get("rest");
    assertEquals(table(p).length(), table(first).length() + table(rest).length(), 1e-7);
    assertEquals(first.points().get(2).at(), rest.points().get(0).at());
    assertThrows(Refusal.class, () -> PathEdits.split(s, first, 0, "x"));
    Path round = shape(PathShapes.Form.CIRCLE, 4, 0, 0);
    Path opened = (Path) Edit.apply(with(round), PathEdits.split(s, round, 3, "x")).get("way");
    assertEquals(table(round).length(), table(opened).length(), 1e-7);
    assertTrue(!opened.closed() && opened.points().get(0).equals(opened.points().get(8)));
  }

  @Test
  void evenPointsAreEquallyFarApart() {
    Path p =
        new Path(
            "way",
            "Way",
            PathStyle.THROUGH,
            false,
            List.of(
                PathPoint.of(0, 0, 0),
                PathPoint.of(0.2, 0, 0),
                PathPoint.of(6, 0, 0),
                PathPoint.of(6, 0, 5)));
    Path even = (Path) Edit.apply(with(p), List.of(PathEdits.even(p, 12))).get("way");
    PathTable t = table(p);
    for (int i = 0; i < 12; i++)
      assertEquals(
          0,
          even.points().get(i).at().distance(t.newPlace(t.parameter(t.length() * i / 11))),
          1e-6);
    assertEquals(t.length(), table(even).length(), t.length() * 0.01);
    assertThrows(Refusal.class, () -> PathEdits.even(p, 1));
  }
}
