package kite.core.path;

import java.util.List;
import kite.core.math.ArcTrig;
import kite.core.math.Trig;
import kite.core.math.Vec3;

/**
 * A path ready for evaluation: cubic Bézier segments with a table of arc length.
 *
 * <p>Length is summed by five-point Gauss–Legendre, halving each span until two estimates agree to
 * 1e-9 of it; progress is turned into a parameter by bracketed Newton steps to the same tolerance.
 * Upright directions come from rotation-minimising transport by double reflection (Wang, Jüttler,
 * Zheng and Liu, 2008), started from world up. An empty path has no place; a path of one point, or
 * of zero length, stays at its point and faces −Z.
 */
public final class PathTable {
  /**
   * Points nearer to each other than this, metres, are one: a handle is a third of the way between
   * the others.
   */
  private static final double SAME_POINT = 1e-12;

  /** Metres per parameter below which a path has no speed: a cusp, or a handle nobody uses. */
  private static final double STILL = 1e-9;

  /**
   * A stretch counts as no shorter than this, metres, so that one of no length ends its division.
   */
  private static final double LEAST_M = 1e-9;

  /** How far beside a cusp its direction is read, in the parameter. */
  private static final double BESIDE = 1e-4;

  /** Keeps a division by the speed of a path of no length finite. */
  private static final double NO_DIVISOR = 1e-300;

  /** How far before the end the last segment is left, in the parameter. */
  private static final double BEFORE_END = 1e-12;

  /** An axis across the travel that is shorter than this has no direction. */
  private static final double NO_TURN = 1e-6;

  /** How far before the end travel is read, in the parameter. */
  private static final double TRAVEL_BEFORE_END = 1e-9;

  /** Square metres between places, and squared differences of directions: less turns nothing. */
  private static final double NO_MOVE = 1e-18;

  private static final double[] GAUSS_X = {
    0, 0.5384693101056831, -0.5384693101056831, 0.9061798459386640, -0.9061798459386640
  };
  private static final double[] GAUSS_W = {
    0.5688888888888889,
    0.4786286704993665,
    0.4786286704993665,
    0.2369268850561891,
    0.2369268850561891
  };
  private static final double RELATIVE = 1e-9;
  private static final int STEPS = 16; // table rows per segment

  /** Each leaves two thirds of a stretch: a row shrinks to 1e-9 of itself. */
  private static final int NEAREST_STEPS = 52;

  /** Looks at a segment's curvature before its peaks are closed in on. */
  private static final int COARSE = 64;

  private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

  private final int segments;

  /** A segment's control points, each of three numbers, … */
  private static final int P0 = 0;

  private static final int P1 = 3;
  private static final int P2 = 6;
  private static final int P3 = 9;

  /** … and how many numbers that makes. */
  private static final int SEGMENT = 12;

  private final double[] b;
  private final double[] lengthAt; // running length at each table row
  private final double[] upright; // 3 per table row
  private final boolean closed;
  private final double length;

  /** What transport lacks at the seam of a closed path, radians. */
  private double seam;

  private LevelPath levels;
  private final double[] fromPlace = new double[3];
  private final double[] fromTravel = new double[3];
  private final double[] toPlace = new double[3];
  private final double[] toTravel = new double[3];
  private final double[] carried = new double[3];

  public PathTable(List<PathPoint> points, PathStyle style, boolean closed) {
    int n = points.size();
    if (n == 0) throw new IllegalArgumentException("a path needs at least one point");
    this.closed = closed && n > 1;
    segments = n == 1 ? 0 : this.closed ? n : n - 1;
    b = new double[Math.max(1, segments) * SEGMENT];
    if (segments == 0) {
      for (int k = 0; k < 4; k++) put(k * 3, points.get(0).at());
    }
    for (int s = 0; s < segments; s++) control(points, style, s);
    lengthAt = new double[segments * STEPS + 1];
    for (int r = 0; r < segments * STEPS; r++) {
      double t0 = (r % STEPS) / (double) STEPS;
      lengthAt[r + 1] = lengthAt[r] + span(r / STEPS, t0, t0 + 1.0 / STEPS, 0);
    }
    length = lengthAt[segments * STEPS];
    upright = new double[lengthAt.length * 3];
    transportUpright();
  }

  private void control(List<PathPoint> p, PathStyle style, int s) {
    int n = p.size();
    Vec3 p1 = p.get(s).at(), p2 = p.get((s + 1) % n).at();
    Vec3 c1, c2;
    if (style == PathStyle.BEZIER) {
      c1 = p1.plus(p.get(s).out());
      c2 = p2.plus(p.get((s + 1) % n).in());
    } else {
      Vec3 p0 = s > 0 || closed ? p.get((s - 1 + n) % n).at() : p1.plus(p1.minus(p2));
      Vec3 p3 = s + 2 < n || closed ? p.get((s + 2) % n).at() : p2.plus(p2.minus(p1));
      double a = p0.distance(p1), m = p1.distance(p2), z = p2.distance(p3);
      c1 = tangentPoint(p0, p1, p2, a, m);
      c2 = tangentPoint(p3, p2, p1, z, m);
    }
    put(s * SEGMENT + P0, p1);
    put(s * SEGMENT + P1, c1);
    put(s * SEGMENT + P2, c2);
    put(s * SEGMENT + P3, p2);
  }

  /** The Bézier control beside {@code p1} for a centripetal curve (knots spaced by √distance). */
  private static Vec3 tangentPoint(Vec3 p0, Vec3 p1, Vec3 p2, double d01, double d12) {
    if (d01 < SAME_POINT || d12 < SAME_POINT) return p1.toward(p2, 1.0 / 3);
    double u = Math.sqrt(d01), v = Math.sqrt(d12);
    Vec3 sum = p2.times(d01).minus(p0.times(d12)).plus(p1.times(2 * d01 + 3 * u * v + d12));
    return sum.times(1 / (3 * u * (u + v)));
  }

  private void put(int at, Vec3 v) {
    b[at] = v.x();
    b[at + 1] = v.y();
    b[at + 2] = v.z();
  }

  /** Metres along the whole path. */
  public double length() {
    return length;
  }

  public boolean closed() {
    return closed;
  }

  private double speed(int s, double t) {
    double x = derivative(s, t, 0), y = derivative(s, t, 1), z = derivative(s, t, 2);
    return Math.sqrt(x * x + y * y + z * z);
  }

  private double derivative(int s, double t, int axis) {
    int o = s * SEGMENT + axis;
    double u = 1 - t;
    return 3
        * (u * u * (b[o + P1] - b[o + P0])
            + 2 * u * t * (b[o + P2] - b[o + P1])
            + t * t * (b[o + P3] - b[o + P2]));
  }

  private double second(int s, double t, int axis) {
    int o = s * SEGMENT + axis;
    return 6
        * ((1 - t) * (b[o + P2] - 2 * b[o + P1] + b[o + P0])
            + t * (b[o + P3] - 2 * b[o + P2] + b[o + P1]));
  }

  private double gauss(int s, double t0, double t1) {
    double half = (t1 - t0) / 2, mid = (t0 + t1) / 2, sum = 0;
    for (int i = 0; i < 5; i++) sum += GAUSS_W[i] * speed(s, mid + half * GAUSS_X[i]);
    return sum * half;
  }

  private double span(int s, double t0, double t1, int depth) {
    double mid = (t0 + t1) / 2, whole = gauss(s, t0, t1);
    double halves = gauss(s, t0, mid) + gauss(s, mid, t1);
    if (depth > 20 || Math.abs(halves - whole) <= RELATIVE * Math.max(halves, LEAST_M))
      return halves;
    return span(s, t0, mid, depth + 1) + span(s, mid, t1, depth + 1);
  }

  /**
   * The parameter (segment + share of it) at a distance along the path. A closed path goes round;
   * an open one stops at its ends.
   */
  public double parameter(double metres) {
    if (segments == 0 || length == 0) return 0;
    metres = onPath(metres);
    int low = row(metres);
    int s = low / STEPS;
    double t0 = (low % STEPS) / (double) STEPS, want = metres - lengthAt[low];
    double a = t0, z = t0 + 1.0 / STEPS, row = lengthAt[low + 1] - lengthAt[low];
    double t = row > 0 ? t0 + want / row / STEPS : t0;
    for (int i = 0; i < 40; i++) {
      double error = gauss(s, t0, t) - want;
      if (Math.abs(error) <= RELATIVE * length) break;
      if (error > 0) z = t;
      else a = t;
      double v = speed(s, t), next = v > 0 ? t - error / v : -1;
      t = next > a && next < z ? next : (a + z) / 2;
    }
    return s + t;
  }

  /**
   * Like {@link #parameter}, but straight between the rows of the table: off by a small part of a
   * row. For what is averaged anyway, at a tenth of the cost.
   */
  public double roughParameter(double metres) {
    if (segments == 0 || length == 0) return 0;
    metres = onPath(metres);
    int low = row(metres);
    double within = lengthAt[low + 1] - lengthAt[low];
    double share = within > 0 ? (metres - lengthAt[low]) / within : 0;
    return (low + share) / STEPS;
  }

  private double onPath(double metres) {
    if (closed) metres -= Math.floor(metres / length) * length;
    return Math.max(0, Math.min(length, metres));
  }

  /** The last row of the table that is not past a distance. */
  private int row(double metres) {
    int low = 0, high = lengthAt.length - 2;
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      if (lengthAt[mid] <= metres) low = mid;
      else high = mid - 1;
    }
    return low;
  }

  /** Distance along the path, in metres, at a parameter. */
  public double metres(double parameter) {
    if (segments == 0) return 0;
    int s = segmentOf(parameter);
    double t = parameter - s;
    int row = Math.min(STEPS - 1, (int) (t * STEPS));
    double t0 = row / (double) STEPS;
    return lengthAt[s * STEPS + row] + gauss(s, t0, t);
  }

  /** The parameter of the place nearest to a point: the best table row, then made finer. */
  public double nearest(Vec3 to) {
    if (segments == 0) return 0;
    int best = 0;
    double least = Double.POSITIVE_INFINITY;
    for (int row = 0; row <= segments * STEPS; row++) {
      double d = newPlace(row / (double) STEPS).distance(to);
      if (d < least) {
        least = d;
        best = row;
      }
    }
    double a = Math.max(0, best - 1.0) / STEPS, z = Math.min(segments, (best + 1.0) / STEPS);
    for (int i = 0; i < NEAREST_STEPS; i++) {
      double p = a + (z - a) / 3, q = z - (z - a) / 3;
      if (newPlace(p).distance(to) < newPlace(q).distance(to)) z = q;
      else a = p;
    }
    return (a + z) / 2;
  }

  private int segmentOf(double parameter) {
    return Math.max(0, Math.min(segments - 1, (int) Math.floor(parameter)));
  }

  /** Writes the place at a parameter. */
  public void place(double parameter, double[] out, int at) {
    int s = segments == 0 ? 0 : segmentOf(parameter);
    double t = segments == 0 ? 0 : parameter - s, u = 1 - t;
    for (int axis = 0; axis < 3; axis++) {
      int o = s * SEGMENT + axis;
      out[at + axis] =
          u * u * u * b[o + P0]
              + 3 * u * u * t * b[o + P1]
              + 3 * u * t * t * b[o + P2]
              + t * t * t * b[o + P3];
    }
  }

  public Vec3 newPlace(double parameter) {
    double[] p = new double[3];
    place(parameter, p, 0);
    return new Vec3(p[0], p[1], p[2]);
  }

  /** Writes the unit direction of travel at a parameter; −Z where the path has no length. */
  public void travel(double parameter, double[] out, int at) {
    if (segments == 0 || length == 0) {
      out[at] = out[at + 1] = 0;
      out[at + 2] = -1;
      return;
    }
    int s = segmentOf(parameter);
    double t = parameter - s;
    if (speed(s, t) < STILL) t = t < 0.5 ? t + BESIDE : t - BESIDE;
    double l = Math.max(NO_DIVISOR, speed(s, t));
    for (int axis = 0; axis < 3; axis++) out[at + axis] = derivative(s, t, axis) / l;
  }

  /** How tightly the path turns at a parameter, in 1/metres; 0 on a straight. */
  public double curvature(double parameter) {
    return signed(parameter, false);
  }

  /** The turn seen from above, in 1/metres: positive turns left, negative right. */
  public double planCurvature(double parameter) {
    return signed(parameter, true);
  }

  private double signed(double parameter, boolean plan) {
    if (segments == 0) return 0;
    int s = segmentOf(parameter);
    double t = parameter - s;
    double x = derivative(s, t, 0), y = plan ? 0 : derivative(s, t, 1), z = derivative(s, t, 2);
    double a = second(s, t, 0), c = plan ? 0 : second(s, t, 1), e = second(s, t, 2);
    double l = Math.sqrt(x * x + y * y + z * z);
    if (l < STILL) return 0;
    double cx = y * e - z * c, cy = z * a - x * e, cz = x * c - y * a;
    return plan ? cy / (l * l * l) : Math.sqrt(cx * cx + cy * cy + cz * cz) / (l * l * l);
  }

  /** The tightest radius along the path in metres; infinite when it is straight all along. */
  public double tightestRadius() {
    double most = 0;
    for (int s = 0; s < segments; s++) most = Math.max(most, tightest(s, s + 1.0, COARSE, true));
    return most == 0 ? Double.POSITIVE_INFINITY : 1 / most;
  }

  /**
   * The greatest curvature in a stretch: wherever a row of looks finds a peak, or the path goes
   * slowly and a peak may be narrow, the stretch beside it is looked at as closely again, and the
   * peak closed in on.
   */
  private double tightest(double from, double to, int looks, boolean again) {
    double most = 0, step = (to - from) / looks;
    for (int i = 0; i <= looks; i++) {
      double t = from + i * step, before = Math.max(from, t - step), after = Math.min(to, t + step);
      double here = curvature(inside(t)),
          a = curvature(inside(before)),
          z = curvature(inside(after));
      most = Math.max(most, here);
      boolean peak = here >= a && here >= z && here > 0;
      if (!again) {
        if (peak) most = Math.max(most, peak(before, after));
        continue;
      }
      double v = pace(t);
      if (peak || v <= pace(before) && v <= pace(after))
        most = Math.max(most, tightest(before, after, looks, false));
    }
    return most;
  }

  /** The curvature at its peak between two parameters (golden section). */
  private double peak(double a, double z) {
    double p = z - GOLDEN * (z - a), q = a + GOLDEN * (z - a);
    double cp = curvature(inside(p)), cq = curvature(inside(q));
    for (int i = 0; i < NEAREST_STEPS; i++) {
      if (cp > cq) {
        z = q;
        q = p;
        cq = cp;
        cp = curvature(inside(p = z - GOLDEN * (z - a)));
      } else {
        a = p;
        p = q;
        cp = cq;
        cq = curvature(inside(q = a + GOLDEN * (z - a)));
      }
    }
    return Math.max(cp, cq);
  }

  private double pace(double parameter) {
    int s = segmentOf(inside(parameter));
    return speed(s, parameter - s);
  }

  /** A parameter kept within the last segment, so that its end is not the next one's beginning. */
  private double inside(double parameter) {
    return Math.min(parameter, segments - BEFORE_END);
  }

  private void transportUpright() {
    double[] t0 = new double[3], t1 = new double[3], p0 = new double[3], p1 = new double[3];
    travel(0, t0, 0);
    double d = t0[1];
    double[] r = {-d * t0[0], 1 - d * t0[1], -d * t0[2]};
    if (length3(r) < NO_TURN) r = new double[] {0, 0, 1};
    unit3(r);
    place(0, p0, 0);
    System.arraycopy(r, 0, upright, 0, 3);
    for (int row = 1; row < lengthAt.length; row++) {
      double u = row / (double) STEPS;
      place(u, p1, 0);
      travel(
          closed && row == lengthAt.length - 1 ? 0 : Math.min(u, segments - TRAVEL_BEFORE_END),
          t1,
          0);
      reflect(p0, t0, p1, t1, r);
      System.arraycopy(r, 0, upright, row * 3, 3);
      System.arraycopy(p1, 0, p0, 0, 3);
      System.arraycopy(t1, 0, t0, 0, 3);
    }
    if (!closed || length == 0) return;
    double[] first = {upright[0], upright[1], upright[2]};
    seam = angleAbout(t0, r, first);
  }

  /** The angle about a unit direction from one vector at right angles to it to another. */
  static double angleAbout(double[] t, double[] a, double[] b) {
    double x = a[1] * b[2] - a[2] * b[1],
        y = a[2] * b[0] - a[0] * b[2],
        z = a[0] * b[1] - a[1] * b[0];
    return ArcTrig.atan2(x * t[0] + y * t[1] + z * t[2], a[0] * b[0] + a[1] * b[1] + a[2] * b[2]);
  }

  /** Carries the upright direction {@code r} from one place to the next by double reflection. */
  private static void reflect(double[] p0, double[] t0, double[] p1, double[] t1, double[] r) {
    double vx = p1[0] - p0[0], vy = p1[1] - p0[1], vz = p1[2] - p0[2];
    double c = vx * vx + vy * vy + vz * vz;
    if (c < NO_MOVE) return;
    double k = 2 / c * (vx * r[0] + vy * r[1] + vz * r[2]);
    double rx = r[0] - k * vx, ry = r[1] - k * vy, rz = r[2] - k * vz;
    k = 2 / c * (vx * t0[0] + vy * t0[1] + vz * t0[2]);
    double tx = t0[0] - k * vx, ty = t0[1] - k * vy, tz = t0[2] - k * vz;
    vx = t1[0] - tx;
    vy = t1[1] - ty;
    vz = t1[2] - tz;
    c = vx * vx + vy * vy + vz * vz;
    k = c < NO_MOVE ? 0 : 2 / c * (vx * rx + vy * ry + vz * rz);
    r[0] = rx - k * vx;
    r[1] = ry - k * vy;
    r[2] = rz - k * vz;
    unit3(r);
  }

  /**
   * Writes the transported upright direction at a parameter: at right angles to travel, unit. What
   * transport round a closed path leaves open at the seam is made up evenly along it.
   */
  public void upright(double parameter, double[] out, int at) {
    int row = Math.max(0, Math.min(lengthAt.length - 1, (int) Math.floor(parameter * STEPS)));
    if (row == lengthAt.length - 1) row = Math.max(0, row - 1);
    double u = row / (double) STEPS;
    place(u, fromPlace, 0);
    travel(u, fromTravel, 0);
    place(parameter, toPlace, 0);
    travel(parameter, toTravel, 0);
    System.arraycopy(upright, row * 3, carried, 0, 3);
    if (segments > 0) reflect(fromPlace, fromTravel, toPlace, toTravel, carried);
    double d = carried[0] * toTravel[0] + carried[1] * toTravel[1] + carried[2] * toTravel[2];
    for (int i = 0; i < 3; i++) carried[i] -= d * toTravel[i];
    unit3(carried);
    if (seam != 0) turn(carried, toTravel, seam * metres(parameter) / length);
    System.arraycopy(carried, 0, out, at, 3);
  }

  /**
   * Writes the direction that is up for a level carriage. Where the path goes near straight up or
   * down, a level carriage has to roll over: there the transported direction takes over, and what
   * it lacks at the other end is made up along the way, so that it never flips.
   */
  public void level(double parameter, double[] out, int at) {
    if (levels == null) levels = new LevelPath(this);
    levels.up(parameter, out, at);
  }

  /** Rows of the table: parameters a sixteenth of a segment apart. */
  int rows() {
    return lengthAt.length;
  }

  double parameterOfRow(int row) {
    return Math.min(row / (double) STEPS, segments);
  }

  /** Turns a vector at right angles to a unit direction about it. */
  static void turn(double[] v, double[] about, double angle) {
    double c = Trig.cos(angle), s = Trig.sin(angle), x = v[0], y = v[1], z = v[2];
    v[0] = c * x + s * (about[1] * z - about[2] * y);
    v[1] = c * y + s * (about[2] * x - about[0] * z);
    v[2] = c * z + s * (about[0] * y - about[1] * x);
  }

  private static double length3(double[] v) {
    return Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  }

  private static void unit3(double[] v) {
    double l = length3(v);
    if (l == 0) return;
    v[0] /= l;
    v[1] /= l;
    v[2] /= l;
  }
}
