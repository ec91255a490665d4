package kite.core.shape;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import kite.core.document.Shape;
import kite.core.document.StandInKind;
import org.junit.jupiter.api.Test;

class BoxPlacesTest {
  private static final Mesh BOX =
      StandIns.mesh(new Shape.StandIn(StandInKind.BOX, 2, 1, 4), "#808080");

  /** Where the corner of a side is that lies farthest to a direction. */
  private static float[] corner(int axis, int side, int farX, int farY, int farZ) {
    float[] p = BOX.positions(), n = BOX.normals(), places = BoxPlaces.of(BOX);
    double most = -1e9;
    int best = -1;
    for (int c = 0; c < p.length / 3; c++) {
      if (n[c * 3 + axis] * side < 0.9) continue;
      double far = farX * p[c * 3] + farY * p[c * 3 + 1] + farZ * p[c * 3 + 2];
      if (far <= most) continue;
      most = far;
      best = c;
    }
    return new float[] {places[best * 2], places[best * 2 + 1]};
  }

  private static void stands(double u, double v, float[] place) {
    assertEquals(u, place[0], 1e-6);
    assertEquals(v, place[1], 1e-6);
  }

  /** The top left of a picture is at the top left of each side, as one stands before it. */
  @Test
  void aPictureIsUprightAndReadsFromLeftToRightOnEverySide() {
    stands(0, 0, corner(2, 1, -1, 1, 0)); // before +Z, left is −X
    stands(1, 1, corner(2, 1, 1, -1, 0));
    stands(0, 0, corner(2, -1, 1, 1, 0)); // from behind, left is +X
    stands(0, 0, corner(0, 1, 0, 1, 1)); // from +X, left is +Z
    stands(0, 0, corner(0, -1, 0, 1, -1));
    stands(0, 0, corner(1, 1, -1, 0, -1)); // from above, with −Z away
  }

  @Test
  void everyPlaceLiesOnThePicture() {
    for (StandInKind k : StandInKind.values()) {
      float[] places = BoxPlaces.of(StandIns.mesh(new Shape.StandIn(k, 1, 1.7, 0.5), "#808080"));
      for (float f : places) assertTrue(f >= 0 && f <= 1, k + ": " + f);
    }
  }
}
