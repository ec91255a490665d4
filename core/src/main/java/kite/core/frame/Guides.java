package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Guide;
import kite.core.math.Matrix;
import kite.core.math.Trig;

/** The lines of a guide over the frame: shares across and down, 0–1, aspect given. */
public final class Guides {
  /**
   * The horizon of a camera that looks straight up or down is nowhere: its line has no direction.
   */
  private static final double NO_LINE = 1e-9;

  private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;
  private static final int SPIRAL_STEPS = 24;
  private static final int SPIRAL_TURNS = 7;

  private Guides() {}

  /**
   * Polylines, each across, down, across, down …
   *
   * @param aspect delivery width / height
   * @param eye where the horizon is seen from
   */
  public static List<double[]> lines(Guide g, double aspect, Eye eye) {
    List<double[]> all = new ArrayList<>();
    switch (g.form()) {
      case THIRDS -> grid(all, 3, 3);
      case GRID -> grid(all, (int) g.across(), (int) g.down());
      case GOLDEN_SECTION -> {
        for (double x : new double[] {1 - GOLDEN, GOLDEN}) {
          all.add(new double[] {x, 0, x, 1});
          all.add(new double[] {0, x, 1, x});
        }
      }
      case DIAGONALS -> {
        all.add(new double[] {0, 0, 1, 1});
        all.add(new double[] {1, 0, 0, 1});
      }
      case TRIANGLES -> triangles(all, aspect, g.turn());
      case CENTRE -> {
        all.add(new double[] {0.5 - 0.03 / aspect, 0.5, 0.5 + 0.03 / aspect, 0.5});
        all.add(new double[] {0.5, 0.47, 0.5, 0.53});
      }
      case GOLDEN_SPIRAL -> all.add(spiral(g.turn()));
      case ACTION_SAFE, TITLE_SAFE -> all.add(frame(g.across(), g.across()));
      case ASPECT -> {
        double other = g.across() / g.down();
        all.add(frame(Math.min(1, other / aspect), Math.min(1, aspect / other)));
      }
      case HORIZON -> {
        double[] h = horizon(eye);
        if (h != null) all.add(h);
      }
    }
    return all;
  }

  private static void grid(List<double[]> all, int columns, int rows) {
    for (int i = 1; i < columns; i++)
      all.add(new double[] {(double) i / columns, 0, (double) i / columns, 1});
    for (int i = 1; i < rows; i++)
      all.add(new double[] {0, (double) i / rows, 1, (double) i / rows});
  }

  private static double[] frame(double w, double h) {
    double l = (1 - w) / 2, t = (1 - h) / 2;
    return new double[] {l, t, 1 - l, t, 1 - l, 1 - t, l, 1 - t, l, t};
  }

  /** One diagonal, and from the other corners the lines that meet it at right angles. */
  private static void triangles(List<double[]> all, double aspect, int turn) {
    boolean mirrored = turn % 2 == 1;
    double k = aspect * aspect / (aspect * aspect + 1); // foot of the perpendicular, along it
    double[][] lines = {{0, 1, 1, 0}, {0, 0, 1 - k, k}, {1, 1, k, 1 - k}};
    for (double[] l : lines) all.add(mirrored ? new double[] {1 - l[0], l[1], 1 - l[2], l[3]} : l);
  }

  /** Quarter arcs in squares of falling size, stretched to the frame; four ways round. */
  private static double[] spiral(int turn) {
    double[] out = new double[(SPIRAL_TURNS * SPIRAL_STEPS + 1) * 2];
    double x = 0, y = 0, w = 1 / GOLDEN, h = 1; // what is left of a golden rectangle
    int n = 0;
    for (int i = 0; i < SPIRAL_TURNS; i++) {
      double side = Math.min(w, h), cx, cy, from;
      switch (i % 4) { // the square taken off: left, top, right, bottom
        case 0 -> {
          cx = x + side;
          cy = y + side;
          from = Math.PI;
          x += side;
          w -= side;
        }
        case 1 -> {
          cx = x;
          cy = y + side;
          from = 1.5 * Math.PI;
          y += side;
          h -= side;
        }
        case 2 -> {
          cx = x + w - side;
          cy = y;
          from = 0;
          w -= side;
        }
        default -> {
          cx = x + side;
          cy = y + h - side;
          from = Math.PI / 2;
          h -= side;
        }
      }
      for (int k = i == 0 ? 0 : 1; k <= SPIRAL_STEPS; k++) {
        double a = from + Math.PI / 2 * k / SPIRAL_STEPS;
        out[n++] = (cx + side * Trig.cos(a)) * GOLDEN;
        out[n++] = cy + side * Trig.sin(a);
      }
    }
    for (int i = 0; i < out.length; i += 2) {
      if (turn % 2 == 1) out[i] = 1 - out[i];
      if (turn >= 2) out[i + 1] = 1 - out[i + 1];
    }
    return out;
  }

  /** Where level directions fall in the frame; null when the camera looks straight up or down. */
  private static double[] horizon(Eye eye) {
    double a = eye.world()[Matrix.XY],
        b = eye.world()[Matrix.YY],
        c = -eye.world()[Matrix.ZY]; // a·x + b·y + c = 0
    double l = eye.window().left(), r = eye.window().right();
    double bottom = eye.window().bottom(), top = eye.window().top();
    if (Trig.hypot(a, b) < NO_LINE) return null;
    if (Math.abs(b) >= Math.abs(a)) {
      double yl = -(c + a * l) / b, yr = -(c + a * r) / b;
      return new double[] {0, (top - yl) / (top - bottom), 1, (top - yr) / (top - bottom)};
    }
    double xt = -(c + b * top) / a, xb = -(c + b * bottom) / a;
    return new double[] {(xt - l) / (r - l), 0, (xb - l) / (r - l), 1};
  }
}
