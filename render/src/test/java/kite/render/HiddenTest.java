package kite.render;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.math.Matrix;
import kite.render.trace.MeshTree;
import org.junit.jupiter.api.Test;

class HiddenTest {
  /** A wall of 2 m by 2 m, 5 m before a lens that stands in the middle. */
  private static Scene wall() {
    float[] p = {-1, -1, -5, 1, -1, -5, 1, 1, -5, -1, 1, -5};
    float[] n = {0, 0, 1, 0, 0, 1, 0, 0, 1, 0, 0, 1};
    int[] corners = {0, 1, 2, 0, 2, 3};
    Surface s = new Surface(p, n, null, null, corners, Material.STAND_IN, MeshTree.of(p, corners));
    return Scene.of(List.of(new Placed("wall", s, Matrix.newIdentity(), "wall")));
  }

  private static boolean hidden(double x, double y, double z, double nearM) {
    Scene wall = wall();
    double[] place = {x, y, z};
    return new Hidden().behind(() -> wall, Matrix.newIdentity(), 0, place, 0, nearM);
  }

  @Test
  void whatStandsBehindAWallIsHidden() {
    assertTrue(hidden(0, 0, -10, 0.1));
    assertTrue(hidden(1.9, 1.9, -10, 0.1), "just inside its edge, which is twice as wide there");
    assertFalse(hidden(2.1, 0, -10, 0.1));
    assertFalse(hidden(0, 0, -4, 0.1), "before it");
    assertFalse(hidden(0, 0, 10, 0.1), "behind the lens");
  }

  @Test
  void whatItLiesOnHidesNothingAndNeitherDoesWhatIsCutAway() {
    assertFalse(hidden(0.3, 0.2, -5, 0.1), "a mark on the wall");
    assertFalse(hidden(0, 0, -5.04, 0.1));
    assertTrue(hidden(0, 0, -5.2, 0.1));
    assertFalse(hidden(0, 0, -10, 6), "the near clip lies behind the wall");
    assertFalse(hidden(0, 0, -0.01, 0.1), "at the lens");
  }
}
