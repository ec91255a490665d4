package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;
import kite.core.optics.DeliveryWindow;

/**
 * How much of the frame and of the depth a piece fills, from the boxes that hold it.
 *
 * @param inFrame whether any of it is inside the frame's four sides, ahead of the lens
 * @param nearM least depth along the axis of what is inside the frame, metres; 0 when the lens is
 *     in its box
 * @param farM most depth of what is inside the frame
 * @param left of its whole outline ahead of the lens, as shares of the frame; 0–1 is inside
 * @param wholeNearM least depth of all of it, also outside the frame; negative is behind the lens
 */
public record Extent(
    boolean inFrame,
    double nearM,
    double farM,
    double left,
    double right,
    double top,
    double bottom,
    double wholeNearM,
    double wholeFarM) {
  /** Axes that span no more than this, cubic metres, have no inside. */
  private static final double FLAT = 1e-12;

  /** Depth below which a point has no place in the frame. */
  private static final double AT_THE_LENS_M = 1e-6;

  /** Corner numbers of a box's six faces; bit 0 is x, bit 1 y, bit 2 z. */
  private static final int[][] FACES = {
    {0, 1, 3, 2}, {4, 6, 7, 5}, {0, 4, 5, 1}, {2, 3, 7, 6}, {0, 2, 6, 4}, {1, 5, 7, 3}
  };

  public double width() {
    return right - left;
  }

  public double height() {
    return bottom - top;
  }

  /** A piece as a plan last evaluated it; null for what draws nothing. */
  public static Extent of(Plan plan, Eye eye, String piece) {
    List<Vec3> corners = new ArrayList<>();
    plan.corners(piece, (x, y, z) -> corners.add(eye.seen(new Vec3(x, y, z))));
    return corners.isEmpty() ? null : new Gathering(eye).boxes(corners);
  }

  /** Gathers boxes given as eight corners each, on the camera's axes. */
  private static final class Gathering {
    private final Eye eye;
    private double near = Double.POSITIVE_INFINITY;
    private double far = Double.NEGATIVE_INFINITY;
    private double left = Double.POSITIVE_INFINITY;
    private double right = Double.NEGATIVE_INFINITY;
    private double top = Double.POSITIVE_INFINITY;
    private double bottom = Double.NEGATIVE_INFINITY;
    private double wholeNear = Double.POSITIVE_INFINITY;
    private double wholeFar = Double.NEGATIVE_INFINITY;

    /**
     * Planes through the lens as a, b, c: a·x + b·y + c·z is 0 or more on the side that is kept.
     */
    private static final double[] AHEAD = {0, 0, -1};

    /** Those of the frame's left, right, bottom and top. */
    private final double[][] sides;

    Gathering(Eye eye) {
      this.eye = eye;
      DeliveryWindow w = eye.window();
      sides =
          new double[][] {
            {1, 0, w.left()}, {-1, 0, -w.right()}, {0, 1, w.bottom()}, {0, -1, -w.top()}
          };
    }

    Extent boxes(List<Vec3> corners) {
      for (int i = 0; i + 7 < corners.size(); i += 8) box(corners.subList(i, i + 8));
      return new Extent(
          far >= 0, Math.max(0, near), far, left, right, top, bottom, wholeNear, wholeFar);
    }

    private void box(List<Vec3> c) {
      double nearest = Double.POSITIVE_INFINITY, furthest = Double.NEGATIVE_INFINITY;
      for (Vec3 p : c) {
        nearest = Math.min(nearest, -p.z());
        furthest = Math.max(furthest, -p.z());
      }
      wholeNear = Math.min(wholeNear, nearest);
      wholeFar = Math.max(wholeFar, furthest);
      // most boxes lie on one side of each plane: nothing is cut, and the lens is in none of them
      boolean ahead = nearest > AT_THE_LENS_M;
      if (ahead && isInside(c)) {
        for (Vec3 p : c) outline(p);
        near = Math.min(near, nearest);
        far = Math.max(far, furthest);
      } else if (ahead && isBeside(c)) {
        for (Vec3 p : c) outline(p);
      } else {
        cutBox(c);
      }
    }

    /** Whether all corners are inside the frame's four sides. */
    private boolean isInside(List<Vec3> c) {
      for (double[] side : sides) for (Vec3 p : c) if (!(beyond(side, p) >= 0)) return false;
      return true;
    }

    /** Whether all corners are outside of one of them. */
    private boolean isBeside(List<Vec3> c) {
      for (double[] side : sides) {
        boolean all = true;
        for (int i = 0; all && i < c.size(); i++) all = beyond(side, c.get(i)) < 0;
        if (all) return true;
      }
      return false;
    }

    private void cutBox(List<Vec3> c) {
      for (int[] face : FACES) {
        List<Vec3> polygon = new ArrayList<>();
        for (int k : face) polygon.add(c.get(k));
        for (Vec3 p : cut(polygon, AHEAD)) outline(p);
        for (Vec3 p : insideFrame(polygon)) {
          near = Math.min(near, -p.z());
          far = Math.max(far, -p.z());
        }
      }
      if (holdsLens(c)) {
        near = 0;
        far = Math.max(far, 0);
      }
    }

    private List<Vec3> insideFrame(List<Vec3> polygon) {
      List<Vec3> p = cut(polygon, AHEAD);
      for (double[] side : sides) p = cut(p, side);
      return p;
    }

    private void outline(Vec3 p) {
      if (-p.z() < AT_THE_LENS_M) return;
      double across = eye.window().across(p.x(), p.z()), down = eye.window().down(p.y(), p.z());
      left = Math.min(left, across);
      right = Math.max(right, across);
      top = Math.min(top, down);
      bottom = Math.max(bottom, down);
    }

    private static double beyond(double[] plane, Vec3 p) {
      return plane[0] * p.x() + plane[1] * p.y() + plane[2] * p.z();
    }

    /** The part of a polygon beyond a plane (Sutherland and Hodgman, 1974). */
    private static List<Vec3> cut(List<Vec3> polygon, double[] plane) {
      List<Vec3> kept = new ArrayList<>();
      for (int i = 0; i < polygon.size(); i++) {
        Vec3 p = polygon.get(i), q = polygon.get((i + 1) % polygon.size());
        double dp = beyond(plane, p), dq = beyond(plane, q);
        if (dp >= 0) kept.add(p);
        if (dp >= 0 != dq >= 0) kept.add(p.toward(q, dp / (dp - dq)));
      }
      return kept;
    }

    /** Whether the lens is inside a box, told by its edges from corner 0. */
    private static boolean holdsLens(List<Vec3> c) {
      Vec3 o = c.get(0), x = c.get(1).minus(o), y = c.get(2).minus(o), z = c.get(4).minus(o);
      double volume = x.cross(y).dot(z);
      if (Math.abs(volume) < FLAT) return false;
      Vec3 p = Vec3.ZERO.minus(o);
      double u = p.cross(y).dot(z) / volume,
          v = x.cross(p).dot(z) / volume,
          w = x.cross(y).dot(p) / volume;
      return u >= 0 && u <= 1 && v >= 0 && v <= 1 && w >= 0 && w <= 1;
    }
  }
}
