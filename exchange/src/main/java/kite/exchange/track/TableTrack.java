package kite.exchange.track;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kite.core.bake.CameraTrack;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.exchange.BadFile;

/**
 * A camera track in a table: a head line with the columns' names, then a line per frame, parted by
 * commas, semicolons or tabs. Columns: frame; x y z; pan tilt roll in degrees, or qx qy qz qw;
 * optionally focal, in millimetres.
 */
final class TableTrack {
  private static final int MOST_ROWS = 200_000;

  private TableTrack() {}

  static CameraTrack read(String text, String name) throws BadFile {
    String[] lines = text.split("\\R");
    int head = 0;
    while (head < lines.length && (lines[head].isBlank() || lines[head].startsWith("#"))) head++;
    if (head == lines.length) throw new BadFile("The table is empty.");
    String parting = lines[head].contains("\t") ? "\t" : lines[head].contains(";") ? ";" : ",";
    List<String> columns = new ArrayList<>();
    for (String c : lines[head].split(parting, -1)) columns.add(known(c));
    int[] place = find(columns, "x", "y", "z");
    int[] turn = find(columns, "pan", "tilt", "roll"), q = find(columns, "qx", "qy", "qz", "qw");
    int frame = columns.indexOf("frame"), focal = columns.indexOf("focal");
    if (place == null || turn == null && q == null)
      throw new BadFile(
          "The table's first line must name the columns x, y, z and pan, tilt, roll (or qx, qy, qz,"
              + " qw); frame and focal may be there too.");
    List<double[]> rows = new ArrayList<>();
    for (int i = head + 1; i < lines.length; i++) {
      if (lines[i].isBlank() || lines[i].startsWith("#")) continue;
      if (rows.size() == MOST_ROWS)
        throw new BadFile("The table has more than " + MOST_ROWS + " lines.");
      rows.add(row(lines[i].split(parting, -1), columns.size(), i + 1));
    }
    if (rows.isEmpty()) throw new BadFile("The table has no frames below its first line.");
    return track(rows, frame, place, turn, q, focal, name);
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

  private static double[] row(String[] cells, int columns, int line) throws BadFile {
    if (cells.length < columns)
      throw new BadFile(
          "Line "
              + line
              + " of the table has "
              + cells.length
              + " columns instead of "
              + columns
              + ".");
    double[] v = new double[columns];
    for (int i = 0; i < columns; i++) {
      try {
        v[i] = Double.parseDouble(cells[i].trim());
      } catch (NumberFormatException e) {
        throw new BadFile(
            "“" + cut(cells[i]) + "” in line " + line + " of the table is not a number.");
      }
      if (!Double.isFinite(v[i]))
        throw new BadFile("A number in line " + line + " of the table is not finite.");
    }
    return v;
  }

  private static String cut(String s) {
    return s.length() > 30 ? s.substring(0, 30) + "…" : s;
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
