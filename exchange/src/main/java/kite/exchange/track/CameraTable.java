package kite.exchange.track;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import kite.core.bake.Bake;
import kite.core.evaluate.LensRow;
import kite.core.math.Matrix;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * A baked camera as a table: a line a frame, RFC 4180, what is measured in the columns' names.
 * Place in metres, +Y up; pan, tilt and roll in degrees, applied in that order, without jumps of
 * whole turns; the angles of view are those of the delivered picture. {@link CameraTracks} reads
 * it.
 */
public final class CameraTable {
  private static final List<String> HEAD =
      List.of(
          "frame",
          "x",
          "y",
          "z",
          "pan",
          "tilt",
          "roll",
          "focal_mm",
          "f_stop",
          "focus_m",
          "near_m",
          "far_m",
          "shutter_degrees",
          "shift_x_mm",
          "shift_y_mm",
          "angle_across_degrees",
          "angle_up_degrees");

  private static final int[] LENS = {
    LensRow.FOCAL,
    LensRow.F_STOP,
    LensRow.FOCUS,
    LensRow.NEAR,
    LensRow.FAR,
    LensRow.SHUTTER,
    LensRow.SHIFT_X,
    LensRow.SHIFT_Y
  };

  private CameraTable() {}

  /** The text of the file. */
  public static String write(Bake bake) {
    StringBuilder out = new StringBuilder();
    try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
      csv.printRecord(HEAD);
      for (int i = 0; i < bake.frames().length; i++) csv.printRecord(line(bake, i));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }

  private static List<Double> line(Bake b, int i) {
    List<Double> all = new ArrayList<>();
    all.add(b.frames()[i]);
    for (int a = 0; a < 3; a++) all.add(b.world()[i * Matrix.SIZE + Matrix.OX + a]);
    for (int a = 0; a < 3; a++) all.add(b.angles()[i * 3 + a]);
    int o = i * LensRow.SIZE;
    for (int k : LENS) all.add(b.lens()[o + k]);
    all.add(between(b.lens()[o + LensRow.LEFT], b.lens()[o + LensRow.RIGHT]));
    all.add(between(b.lens()[o + LensRow.BOTTOM], b.lens()[o + LensRow.TOP]));
    return all;
  }

  /** Degrees between two slopes. */
  private static double between(double a, double b) {
    return Math.toDegrees(Math.atan(b) - Math.atan(a));
  }
}
