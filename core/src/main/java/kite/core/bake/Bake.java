package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.curve.ReduceKeys;
import kite.core.document.Camera;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Placement;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/**
 * A camera's plain motion. All arrays have one row per frame, {@code frames.length} rows.
 *
 * @param world world transforms, 16 numbers a row, column by column
 * @param angles pan, tilt, roll in degrees, 3 a row, without jumps of whole turns
 * @param lens {@link LensRow#SIZE} numbers a row: the lens channels, then the window's edges
 */
public record Bake(Camera camera, double[] frames, double[] world, double[] angles, double[] lens) {
  /** Share of a step by which the last frame may be missed by rounding. */
  private static final double ROUNDING_STEPS = 1e-9;

  /**
   * Bakes a camera from {@code first} to {@code last}, both included, every {@code step} frames.
   */
  public static Bake of(Plan plan, Camera camera, double first, double last, double step) {
    int rows = (int) Math.floor((last - first) / step + ROUNDING_STEPS) + 1;
    double[] frames = new double[rows];
    double[] world = new double[rows * Matrix.SIZE], angles = new double[rows * 3];
    double[] lens = new double[rows * LensRow.SIZE];
    int slot = plan.slot(camera.id());
    for (int r = 0; r < rows; r++) {
      frames[r] = first + r * step;
      plan.evaluateOnly(camera.id(), frames[r]);
      System.arraycopy(plan.world(), slot * Matrix.SIZE, world, r * Matrix.SIZE, Matrix.SIZE);
      System.arraycopy(plan.lens(), slot * LensRow.SIZE, lens, r * LensRow.SIZE, LensRow.SIZE);
      continuousAngles(world, angles, r);
    }
    return new Bake(camera, frames, world, angles, lens);
  }

  /** One number of a row. */
  interface Row {
    double at(int row);
  }

  /**
   * A curve over the frames; a fixed value where it never changes.
   *
   * @param tolerance how far it may be off for fewer keys; 0 keeps one on every frame
   */
  Channel curve(double tolerance, Row value) {
    List<Key> keys = new ArrayList<>();
    boolean same = true;
    for (int r = 0; r < frames.length; r++) {
      same &= value.at(r) == value.at(0);
      keys.add(Key.of(frames[r], value.at(r), KeyShape.STRAIGHT));
    }
    if (same) return Channel.fixed(value.at(0));
    Channel all = new Channel.Curve(keys);
    return tolerance > 0 ? ReduceKeys.within(all, tolerance).channel() : all;
  }

  /**
   * Of the two ways to say one rotation (pan, tilt, roll and pan+180°, 180°−tilt, roll+180°), and
   * of all whole turns, the one nearest the row before.
   */
  static void continuousAngles(double[] world, double[] angles, int r) {
    double[] a = Rotation.newPanTiltRoll(world, r * Matrix.SIZE);
    for (int i = 0; i < 3; i++) a[i] = Trig.degrees(a[i]);
    if (r > 0) {
      int last = (r - 1) * 3;
      double[] other = {a[0] + 180, 180 - a[1], a[2] + 180};
      double near = 0, far = 0;
      for (int i = 0; i < 3; i++) {
        a[i] = Placement.nearest(a[i], angles[last + i]);
        other[i] = Placement.nearest(other[i], angles[last + i]);
        near += Math.abs(a[i] - angles[last + i]);
        far += Math.abs(other[i] - angles[last + i]);
      }
      if (far < near) a = other;
    }
    System.arraycopy(a, 0, angles, r * 3, 3);
  }
}
