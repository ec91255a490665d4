package kite.core.path;

import java.util.ArrayList;
import java.util.List;
import kite.core.math.ArcTrig;
import kite.core.math.PassageRoll;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/**
 * Which way is up for a carriage that is to stay level along a path.
 *
 * <p>Up is the world's, made square to the travel; where the path is nearly straight up or down it
 * rolls as {@link PassageRoll} says, by the metres gone.
 */
final class LevelPath {
  /** Nearer than this to straight up, an end of the path has no level at all. */
  private static final double NO_LEVEL = Trig.radians(1);

  /** How far inside a passage's ends the roll is measured, as a share of it. */
  private static final double SLOPE_SHARE = 1e-4;

  private static final int HALVINGS = 50;

  /**
   * A passage.
   *
   * @param from metres; of a closed path the end may lie past its length
   * @param angles roll against the transported direction at both ends, radians
   * @param slopes how that changes there, radians a metre
   */
  private record Passage(double from, double to, double[] angles, double[] slopes) {}

  private final PathTable path;
  private final List<Passage> passages = new ArrayList<>();
  private boolean neverLevel;
  private final double[] t = new double[3];
  private final double[] up = new double[3];
  private final double[] carried = new double[3];

  LevelPath(PathTable path) {
    this.path = path;
    int rows = path.rows(), first = 0;
    if (path.length() == 0) {
      neverLevel = true;
      return;
    }
    while (first < rows && depth(path.parameterOfRow(first)) > 0) first++;
    neverLevel = first == rows;
    if (neverLevel) return;
    int begin = path.closed() ? first : 0, count = path.closed() ? rows - 1 : rows;
    for (int i = 0; i < count; i++) {
      int row = begin + i;
      if (depth(row(row)) <= 0) continue;
      int end = row;
      while (end + 1 < begin + count && depth(row(end + 1)) > 0) end++;
      boolean opens = row > begin || path.closed(),
          closes = end + 1 < begin + count || path.closed();
      double from = opens ? edge(row(row - 1), row(row)) : 0;
      double to = closes ? edge(row(end + 1), row(end)) : path.length();
      if (to < from) to += path.length();
      if (to > from) passages.add(passage(from, to, opens, closes, row, end));
      i = end - begin;
    }
  }

  private double row(int row) {
    int rows = path.rows() - 1;
    return path.parameterOfRow(path.closed() ? Math.floorMod(row, rows) : row);
  }

  private double depth(double parameter) {
    path.travel(parameter, t, 0);
    return PassageRoll.STEEP - ArcTrig.acos(Math.min(1, Math.abs(t[1])));
  }

  /** Metres along the path where it becomes steep, between two parameters. */
  private double edge(double out, double in) {
    double span = Math.abs(in - out) > 0.5 * path.rows() / 16 ? wrapped(out, in) : in - out;
    double a = 0, z = 1;
    for (int i = 0; i < HALVINGS; i++) {
      double m = (a + z) / 2;
      if (depth(out + m * span) > 0) z = m;
      else a = m;
    }
    return path.metres(out + a * span);
  }

  /** The short way between two parameters over the seam. */
  private double wrapped(double out, double in) {
    double round = path.parameterOfRow(path.rows() - 1);
    return in > out ? in - out - round : in - out + round;
  }

  private Passage passage(double from, double to, boolean opens, boolean closes, int row, int end) {
    double a = opens || !noLevel(from) ? roll(from) : Double.NaN;
    double turned = 0, last = a, way = 0;
    double[] before = new double[3];
    path.travel(path.parameter(from), before, 0);
    for (int r = row; r <= end + 1; r++) {
      double metres = r <= end ? path.metres(row(r)) : to;
      double now = noLevel(metres) ? last : roll(metres);
      if (!Double.isNaN(last)) turned += Rotation.shortestTurn(now - last);
      last = now;
      path.travel(path.parameter(metres), t, 0);
      way += ArcTrig.acos(Math.max(-1, Math.min(1, dot(before, t))));
      System.arraycopy(t, 0, before, 0, 3);
    }
    double z = closes || !noLevel(to) ? roll(to) : Double.NaN;
    if (Double.isNaN(a)) a = z;
    else if (Double.isNaN(z)) z = a;
    else z = a + PassageRoll.missing(turned, way);
    double by = (to - from) * SLOPE_SHARE;
    double in = opens ? Rotation.shortestTurn(roll(from + by) - a) / by : 0;
    double out = closes ? Rotation.shortestTurn(z - roll(to - by)) / by : 0;
    return new Passage(from, to, new double[] {a, z}, new double[] {in, out});
  }

  private boolean noLevel(double metres) {
    path.travel(path.parameter(metres), t, 0);
    return ArcTrig.acos(Math.min(1, Math.abs(t[1]))) < NO_LEVEL;
  }

  /** The angle about the travel from the transported direction to the level one. */
  private double roll(double metres) {
    double u = path.parameter(metres);
    path.travel(u, t, 0);
    path.upright(u, carried, 0);
    return PathTable.angleAbout(t, carried, levelled());
  }

  private double[] levelled() {
    up[0] = -t[1] * t[0];
    up[1] = 1 - t[1] * t[1];
    up[2] = -t[1] * t[2];
    double l = Math.sqrt(dot(up, up));
    for (int i = 0; i < 3; i++) up[i] /= l;
    return up;
  }

  private static double dot(double[] a, double[] b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  }

  void up(double parameter, double[] out, int at) {
    path.travel(parameter, t, 0);
    if (!neverLevel && Math.abs(t[1]) <= PassageRoll.STEEP_COS) {
      System.arraycopy(levelled(), 0, out, at, 3);
      return;
    }
    path.upright(parameter, carried, 0);
    path.travel(parameter, t, 0);
    double metres = path.metres(parameter);
    for (int i = 0; i < passages.size(); i++) {
      Passage p = passages.get(i);
      double m = metres < p.from() && path.closed() ? metres + path.length() : metres;
      if (m < p.from() || m > p.to()) continue;
      double l = p.to() - p.from(), all = p.angles()[1] - p.angles()[0];
      double made = PassageRoll.at((m - p.from()) / l, all, p.slopes()[0] * l, p.slopes()[1] * l);
      PathTable.turn(carried, t, p.angles()[0] + made);
    }
    System.arraycopy(carried, 0, out, at, 3);
  }
}
