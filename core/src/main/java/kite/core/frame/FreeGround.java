package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;

/** Room on the ground for something new: beside what stands there, not inside it. */
public final class FreeGround {
  /** Left between two things. */
  private static final double GAP_M = 0.15;

  /** What is lower is ground or a mark on it, and what is wider is stood upon or under. */
  private static final double LOWEST_M = 0.1, WIDEST_M = 6;

  /** After so many steps to the right there is a crowd, and a place in it is as good. */
  private static final int MOST_STEPS = 200;

  private FreeGround() {}

  /**
   * The place nearest to the right of one wanted where a footprint touches none of the pieces.
   *
   * @param plan evaluated
   * @return x in metres; z stays as wanted
   */
  public static double x(Sequence s, Plan plan, double x, double z, double widthM, double depthM) {
    List<double[]> taken = new ArrayList<>();
    Arranging now = new Arranging(s, plan, 0, false);
    for (Piece p : s.all(Piece.class)) {
      double[] b = now.bounds(p.id());
      if (b == null || b[4] - b[1] < LOWEST_M) continue;
      if (Math.max(b[3] - b[0], b[5] - b[2]) > WIDEST_M) continue;
      taken.add(b);
    }
    double right = x;
    for (int step = 0; step < MOST_STEPS; step++) {
      double[] in = hit(taken, right, z, widthM / 2, depthM / 2);
      if (in == null) return right;
      right = in[3] + GAP_M + widthM / 2;
    }
    return right;
  }

  private static double[] hit(List<double[]> taken, double x, double z, double w, double d) {
    for (double[] b : taken)
      if (x + w > b[0] && x - w < b[3] && z + d > b[2] && z - d < b[5]) return b;
    return null;
  }
}
