package kite.exchange.track;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Lines;
import kite.exchange.Names;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;

/**
 * A camera track in a table: a head line with the columns' names, then a line per frame, parted by
 * commas, semicolons or tabs, cells in quotes or not. Columns: frame; x y z; pan tilt roll in
 * degrees, or qx qy qz qw; optionally focal, in millimetres.
 */
final class TableTrack {
  private static final int MOST_COLUMNS = 100;
  private static final int LONGEST_LINE = 10_000;

  /** No camera is farther away, no lens longer, no frame later. */
  private static final double MOST = 1e12;

  private TableTrack() {}

  static CameraTrack read(byte[] bytes, String name, Budget budget) throws BadFile {
    Lines lines = new Lines(bytes, LONGEST_LINE, budget);
    String head = next(lines);
    if (head == null) throw new BadFile("The table is empty.");
    CSVFormat table = parted(head.contains("\t") ? '\t' : head.contains(";") ? ';' : ',');
    List<String> columns = new ArrayList<>();
    for (String c : cells(table, head, lines.number())) columns.add(known(c));
    if (columns.size() > MOST_COLUMNS)
      throw new BadFile("The table has more than " + MOST_COLUMNS + " columns.");
    int[] place = find(columns, "x", "y", "z");
    int[] turn = find(columns, "pan", "tilt", "roll"), q = find(columns, "qx", "qy", "qz", "qw");
    int frame = columns.indexOf("frame"), focal = columns.indexOf("focal");
    if (place == null || turn == null && q == null)
      throw new BadFile(
          "The table's first line must name the columns x, y, z and pan, tilt, roll (or qx, qy, qz,"
              + " qw); frame and focal may be there too.");
    List<double[]> rows = new ArrayList<>();
    for (String l = next(lines); l != null; l = next(lines)) {
      if (rows.size() == CameraTracks.MOST_FRAMES)
        throw new BadFile("The table has more than " + CameraTracks.MOST_FRAMES + " lines.");
      budget.take(16L + 8 * columns.size(), "The table");
      rows.add(row(cells(table, l, lines.number()), columns.size(), lines.number()));
    }
    if (rows.isEmpty()) throw new BadFile("The table has no frames below its first line.");
    return track(rows, frame, place, turn, q, focal, name);
  }

  private static CSVFormat parted(char by) {
    return CSVFormat.RFC4180
        .builder()
        .setDelimiter(by)
        .setIgnoreSurroundingSpaces(true)
        .setTrim(true)
        .get();
  }

  /** A line's cells, in quotes or not. Lines are of bounded length, and so is what they hold. */
  private static List<String> cells(CSVFormat table, String line, int number) throws BadFile {
    try (CSVParser p = table.parse(new StringReader(line))) {
      return p.getRecords().get(0).toList();
    } catch (IOException | UncheckedIOException e) {
      throw new BadFile("Line " + number + " of the table opens a quotation mark and ends in it.");
    }
  }

  /** The next line that is not a remark. */
  private static String next(Lines lines) throws BadFile {
    String l = lines.next();
    while (l != null && l.startsWith("#")) l = lines.next();
    return l;
  }

  private static CameraTrack track(
      List<double[]> rows, int frame, int[] place, int[] turn, int[] q, int focal, String name)
      throws BadFile {
    int n = rows.size();
    double[] frames = new double[n], world = new double[n * Matrix.SIZE];
    double[] mm = new double[focal < 0 ? 0 : n];
    for (int r = 0; r < n; r++) {
      double[] v = rows.get(r);
      frames[r] = frame < 0 ? r : v[frame];
      if (r > 0 && frames[r] <= frames[r - 1])
        throw new BadFile("The frames of the table do not rise at line " + (r + 2) + ".");
      int o = r * Matrix.SIZE;
      Matrix.identity(world, o);
      if (turn != null) {
        Rotation.panTiltRoll(
            Math.toRadians(v[turn[0]]),
            Math.toRadians(v[turn[1]]),
            Math.toRadians(v[turn[2]]),
            world,
            o);
      } else {
        double[] quaternion = {v[q[0]], v[q[1]], v[q[2]], v[q[3]]}, m = Matrix.newIdentity();
        Rotation.normalise(quaternion);
        Rotation.toMatrix(quaternion, m, 0);
        System.arraycopy(m, 0, world, o, Matrix.SIZE);
      }
      for (int i = 0; i < 3; i++) world[o + 12 + i] = v[place[i]];
      if (focal >= 0) mm[r] = v[focal];
    }
    return new CameraTrack(name, frames, world, mm, 0, false, 1, new double[0]);
  }

  private static double[] row(List<String> cells, int columns, int line) throws BadFile {
    if (cells.size() < columns)
      throw new BadFile(
          "Line "
              + line
              + " of the table has "
              + cells.size()
              + " columns instead of "
              + columns
              + ".");
    double[] v = new double[columns];
    for (int i = 0; i < columns; i++) {
      try {
        v[i] = Double.parseDouble(cells.get(i));
      } catch (NumberFormatException e) {
        throw new BadFile(
            "“"
                + Names.shown(cells.get(i))
                + "” in line "
                + line
                + " of the table is not a number.");
      }
      if (!(Math.abs(v[i]) < MOST))
        throw new BadFile("A number in line " + line + " of the table is not finite or too large.");
    }
    return v;
  }

  private static String known(String column) {
    String c = column.trim().toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
    return switch (c) {
      case "tx", "posx", "positionx" -> "x";
      case "ty", "posy", "positiony" -> "y";
      case "tz", "posz", "positionz" -> "z";
      case "ry", "roty", "yaw" -> "pan";
      case "rx", "rotx", "pitch" -> "tilt";
      case "rz", "rotz" -> "roll";
      case "focallength", "focallengthmm", "focalmm", "lens" -> "focal";
      case "frames", "time", "f" -> "frame";
      default -> c;
    };
  }

  private static int[] find(List<String> columns, String... names) {
    int[] at = new int[names.length];
    for (int i = 0; i < names.length; i++) {
      at[i] = columns.indexOf(names[i]);
      if (at[i] < 0) return null;
    }
    return at;
  }
}
