package kite.core.rig.attention;

import java.util.Arrays;
import java.util.List;
import kite.core.cue.Cue;
import kite.core.cue.CueTimes;
import kite.core.cue.Ease;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.rig.Subject;

/**
 * In which direction the attention lies: on a mix of subjects, or on its way from one mix to the
 * next.
 *
 * <p>A turn goes along one great arc, chosen when it begins: the shorter way, and to the left about
 * the up axis between opposite directions. The arc's ends go with their subjects, each carried by
 * the least turning from frame to frame since the turn began, and what is between them by the blend
 * of both in proportion to how far the turn is. So its pace is that of the ease, plus at most what
 * the subjects themselves move.
 *
 * <p>A mix of several subjects is looked at where its mean is. Where they stand on opposite sides
 * and the mean has no direction, the aim goes from the direction in which the mean was last clear
 * to that in which it is clear again, as the subjects move.
 */
final class AimDirection {
  /** A subject nearer than this has no direction. */
  private static final double AT_THE_LENS_M = 1e-6;

  /** Sine under which two directions are opposite, or the same. */
  private static final double NO_ARC = 1e-7;

  /** A mean shorter than this share of its parts' lengths is not clear. */
  private static final double CLEAR = 0.3;

  /** Numbers of a turn at a frame: both ends' turning as quaternions, then their directions. */
  private static final int CARRIED = 14;

  private final AimMoments moments;
  private final int subjects;
  private final boolean directions;
  private final CueTimes times;
  private final double[][] mix;
  private final double[] total;

  /** How far the cue before was when each began. */
  private final double[] interrupted;

  /** The sum of the shares when each began. */
  private final double[] totalBefore;

  private final double[] axis = new double[3];
  private final double[] summed = new double[3];
  private final Turn[] turns;
  private final Stretches<Unclear>[] unclear;

  /** A turn's arc and how its ends were carried, by whole frames since it began. */
  private static final class Turn {
    double angle;
    final double[] axis = new double[3];
    final double[] start = new double[3];
    double[] carried;
    int known;

    // what a frame of it is worked out in
    final double[] next = new double[CARRIED];
    final double[] d = new double[3];
    final double[] turn = new double[4];
    final double[] q = new double[4];
  }

  /** A stretch over which a mix's mean is not clear. */
  private static final class Unclear extends Stretches.Stretch {
    final double[] before = new double[3];
    final double[] after = new double[3];
    double[] opening;
    double[] moved;
  }

  @SuppressWarnings({"unchecked", "rawtypes"})
  AimDirection(Attention a, AimMoments moments) {
    this.moments = moments;
    List<Subject> all = a.subjects();
    subjects = all.size();
    directions = a.blend() == Attention.Blend.DIRECTIONS;
    int n = a.cues().size();
    times = new CueTimes(a.cues());
    mix = new double[n][subjects];
    total = new double[n];
    interrupted = new double[n];
    totalBefore = new double[n];
    turns = new Turn[n];
    unclear = new Stretches[n];
    for (int i = 0; i < n; i++) {
      Cue cue = a.cues().get(i);
      for (int s = 0; s < subjects; s++)
        total[i] += mix[i][s] = cue.mix().getOrDefault(all.get(s).entity(), 0.0);
      interrupted[i] = times.interrupted(i);
      totalBefore[i] =
          i == 0
              ? total[0]
              : totalBefore[i - 1] + (total[i - 1] - totalBefore[i - 1]) * interrupted[i];
      int cueIndex = i;
      unclear[i] = new Stretches<>(f -> CLEAR - clearness(cueIndex, moments.at(f)), Unclear::new);
    }
  }

  void forget() {
    Arrays.fill(turns, null);
    for (Stretches<Unclear> s : unclear) s.forget();
  }

  /** Whether the direction at a frame follows from that frame alone. */
  boolean isPlain(double at, double[] row) {
    int i = times.at(at);
    if (i < 0) return true;
    if (onTheWay(i, times.progress(i, at))) return false;
    return clearness(from(i, at), row) >= CLEAR;
  }

  /** Whether a cue at a share of its travel is really between two directions. */
  private boolean onTheWay(int i, double progress) {
    if (i == 0 || totalBefore[i] == 0) return false;
    if (total[i] == 0 || progress == 0) return onTheWay(i - 1, interrupted[i]);
    return progress < 1;
  }

  /** The cue whose mix a cue that is not on the way looks at. */
  private int from(int i, double at) {
    double p = times.progress(i, at);
    while (i > 0 && totalBefore[i] != 0 && (total[i] == 0 || p == 0)) p = interrupted[i--];
    return i;
  }

  /** Writes the unit direction at a frame, or returns false where there is none. */
  boolean at(double at, double[] out) {
    int i = times.at(at);
    return i >= 0 && direction(i, at, times.progress(i, at), out);
  }

  /** The direction that needs no other frame: straight from the shares' mean. */
  boolean plain(double at, double[] row, double[] out) {
    int i = times.at(at);
    return i >= 0 && mean(from(i, at), row, out);
  }

  private boolean direction(int i, double at, double progress, double[] out) {
    if (i == 0 || totalBefore[i] == 0) return clear(i, at, out);
    if (total[i] == 0 || progress <= 0) return direction(i - 1, at, interrupted[i], out);
    if (progress >= 1) return clear(i, at, out);
    Turn t = turns[i];
    if (t == null) turns[i] = t = begin(i);
    if (t.carried == null) return clear(i, at, out);
    double[] c = carry(i, t, at);
    blend(c, progress, t.q);
    System.arraycopy(t.start, 0, t.d, 0, 3);
    turned(t.axis, t.angle * progress, t.d);
    turned(t.q, t.d, out);
    return true;
  }

  private Turn begin(int i) {
    Turn t = new Turn();
    double[] f = new double[3], a = new double[3];
    if (!direction(i - 1, times.frame(i), interrupted[i], f) || !clear(i, times.frame(i), a))
      return t;
    double x = f[1] * a[2] - f[2] * a[1],
        y = f[2] * a[0] - f[0] * a[2],
        z = f[0] * a[1] - f[1] * a[0],
        sin = Math.sqrt(x * x + y * y + z * z),
        cos = f[0] * a[0] + f[1] * a[1] + f[2] * a[2];
    t.angle = ArcTrig.atan2(sin, cos);
    if (sin > NO_ARC) set(t.axis, x / sin, y / sin, z / sin);
    else across(f, moments.at(times.frame(i)), t.axis);
    System.arraycopy(f, 0, t.start, 0, 3);
    t.carried = new double[CARRIED * 32];
    t.carried[3] = t.carried[7] = 1;
    System.arraycopy(f, 0, t.carried, 8, 3);
    System.arraycopy(a, 0, t.carried, 11, 3);
    t.known = 1;
    return t;
  }

  /** The axis of a turn to the left: up, made square to a direction; else the camera's own. */
  private static void across(double[] f, double[] row, double[] axis) {
    double[] up = {row[AimMoments.UP], row[AimMoments.UP + 1], row[AimMoments.UP + 2]};
    for (int pass = 0; pass < 2; pass++) {
      double d = up[0] * f[0] + up[1] * f[1] + up[2] * f[2];
      double x = up[0] - d * f[0], y = up[1] - d * f[1], z = up[2] - d * f[2];
      double l = Math.sqrt(x * x + y * y + z * z);
      if (l > NO_ARC) {
        set(axis, x / l, y / l, z / l);
        return;
      }
      double[] q = Arrays.copyOf(row, 4), m = new double[16];
      Rotation.toMatrix(q, m, 0);
      set(up, m[Matrix.XX], m[Matrix.XY], m[Matrix.XZ]);
      if (Math.abs(up[0] * f[0] + up[1] * f[1] + up[2] * f[2]) > 1 - NO_ARC)
        set(up, m[Matrix.YX], m[Matrix.YY], m[Matrix.YZ]);
    }
  }

  /** How both ends were carried from the turn's beginning to a frame; whole frames are kept. */
  private double[] carry(int i, Turn t, double at) {
    double begin = Math.floor(times.frame(i));
    int whole = (int) (Math.floor(at) - begin);
    while (t.known <= whole) {
      if ((t.known + 1) * CARRIED > t.carried.length)
        t.carried = Arrays.copyOf(t.carried, t.carried.length * 2);
      double[] next = step(i, t, t.known - 1, begin + t.known);
      System.arraycopy(next, 0, t.carried, t.known++ * CARRIED, CARRIED);
    }
    return step(i, t, whole, at);
  }

  private double[] step(int i, Turn t, int from, double at) {
    double[] next = t.next, d = t.d, turn = t.turn, q = t.q;
    System.arraycopy(t.carried, from * CARRIED, next, 0, CARRIED);
    for (int end = 0; end < 2; end++) {
      boolean there = end == 0 ? direction(i - 1, at, interrupted[i], d) : clear(i, at, d);
      if (!there) continue;
      int was = 8 + 3 * end;
      Rotation.between(next[was], next[was + 1], next[was + 2], d[0], d[1], d[2], turn);
      System.arraycopy(next, 4 * end, q, 0, 4);
      Rotation.multiply(turn, q, q);
      System.arraycopy(q, 0, next, 4 * end, 4);
      System.arraycopy(d, 0, next, was, 3);
    }
    return next;
  }

  /**
   * Blends the two ends' turning. They began together and were followed from there, so the way
   * between them may be longer than half a turn.
   */
  private static void blend(double[] c, double t, double[] out) {
    double dot = c[0] * c[4] + c[1] * c[5] + c[2] * c[6] + c[3] * c[7];
    double half = ArcTrig.acos(Math.max(-1, Math.min(1, dot))), sin = Trig.sin(half);
    double a = 1 - t, b = t;
    if (sin > NO_ARC) {
      a = Trig.sin((1 - t) * half) / sin;
      b = Trig.sin(t * half) / sin;
    }
    for (int k = 0; k < 4; k++) out[k] = a * c[k] + b * c[4 + k];
    Rotation.normalise(out);
  }

  /** The direction of a cue's own mix. */
  private boolean clear(int i, double at, double[] out) {
    double[] row = moments.at(at);
    if (clearness(i, row) >= CLEAR || at < moments.first || at > moments.last)
      return mean(i, row, out);
    Unclear u = unclear[i].of(at);
    if (u == null) {
      u = unclear[i].find(at, moments.first, moments.last);
      if (u != null) measure(i, u);
      if (u == null || at < u.from || at > u.to) return mean(i, row, out);
    }
    int k = Math.min((int) (Math.floor(at) - Math.floor(u.from)), u.moved.length - 2);
    double whole = u.moved[u.moved.length - 1];
    double[] last = k == 0 ? u.opening : moments.at(Math.floor(u.from) + k);
    double share = whole == 0 ? 0 : (u.moved[k] + motion(i, last, row)) / whole;
    slerp(u.before, u.after, Ease.SLOW_BOTH.at(share), u.opening, out);
    return true;
  }

  private void measure(int i, Unclear u) {
    u.opening = moments.at(u.from).clone();
    if (!mean(i, u.opening, u.before)) set(u.before, 0, 0, 0);
    if (!mean(i, moments.at(u.to), u.after)) set(u.after, 0, 0, 0);
    for (double[] d : new double[][] {u.before, u.after})
      if (d[0] == 0 && d[1] == 0 && d[2] == 0) ahead(u.opening, d);
    int begin = (int) Math.floor(u.from), rows = (int) Math.ceil(u.to) - begin;
    u.moved = new double[rows + 1];
    for (int k = 1; k <= rows; k++)
      u.moved[k] =
          u.moved[k - 1]
              + motion(
                  i,
                  k == 1 ? u.opening : moments.at(begin + k - 1),
                  moments.at(Math.min(u.to, begin + k)));
  }

  private static void ahead(double[] row, double[] out) {
    double[] q = Arrays.copyOf(row, 4);
    turned(
        q,
        new double[] {row[AimMoments.SEEN], row[AimMoments.SEEN + 1], row[AimMoments.SEEN + 2]},
        out);
  }

  /** How far the subjects of a mix move from one row to another, as angles, each by its share. */
  private double motion(int i, double[] a, double[] b) {
    double sum = 0;
    for (int s = 0; s < subjects; s++) {
      if (mix[i][s] == 0) continue;
      int o = AimMoments.SUBJECTS + 3 * s;
      sum += mix[i][s] * angle(a[o], a[o + 1], a[o + 2], b[o], b[o + 1], b[o + 2]);
    }
    return sum;
  }

  /** The mean's length over that of its parts; 1 for a single subject. */
  private double clearness(int i, double[] row) {
    double parts = sum(i, row);
    return parts == 0 ? 1 : length(summed, 0) / parts;
  }

  private boolean mean(int i, double[] row, double[] out) {
    sum(i, row);
    double l = length(summed, 0);
    if (l < AT_THE_LENS_M * Math.max(total[i], Double.MIN_NORMAL)) return false;
    set(out, summed[0] / l, summed[1] / l, summed[2] / l);
    return true;
  }

  /** Sums the subjects of a mix, or their directions, by their shares; gives their lengths' sum. */
  private double sum(int i, double[] row) {
    double x = 0, y = 0, z = 0, parts = 0;
    for (int s = 0; s < subjects; s++) {
      if (mix[i][s] == 0) continue;
      int o = AimMoments.SUBJECTS + 3 * s;
      double l = length(row, o);
      double k = mix[i][s] * (directions ? l < AT_THE_LENS_M ? 0 : 1 / l : 1);
      x += k * row[o];
      y += k * row[o + 1];
      z += k * row[o + 2];
      parts += k * l;
    }
    set(summed, x, y, z);
    return parts;
  }

  private void slerp(double[] f, double[] a, double t, double[] row, double[] out) {
    set(axis, f[1] * a[2] - f[2] * a[1], f[2] * a[0] - f[0] * a[2], f[0] * a[1] - f[1] * a[0]);
    double sin = length(axis, 0),
        angle = ArcTrig.atan2(sin, f[0] * a[0] + f[1] * a[1] + f[2] * a[2]);
    if (sin > NO_ARC) for (int k = 0; k < 3; k++) axis[k] /= sin;
    else across(f, row, axis);
    System.arraycopy(f, 0, out, 0, 3);
    turned(axis, angle * t, out);
  }

  /** The angle between two directions of any length, radians. */
  static double angle(double ax, double ay, double az, double bx, double by, double bz) {
    double x = ay * bz - az * by, y = az * bx - ax * bz, z = ax * by - ay * bx;
    return ArcTrig.atan2(Math.sqrt(x * x + y * y + z * z), ax * bx + ay * by + az * bz);
  }

  private static double length(double[] v, int o) {
    return Math.sqrt(v[o] * v[o] + v[o + 1] * v[o + 1] + v[o + 2] * v[o + 2]);
  }

  private static void set(double[] v, double x, double y, double z) {
    v[0] = x;
    v[1] = y;
    v[2] = z;
  }

  /** Turns a direction about a unit axis (Rodrigues' formula). */
  private static void turned(double[] axis, double angle, double[] d) {
    double c = Trig.cos(angle), s = Trig.sin(angle);
    double k = (1 - c) * (axis[0] * d[0] + axis[1] * d[1] + axis[2] * d[2]);
    set(
        d,
        c * d[0] + s * (axis[1] * d[2] - axis[2] * d[1]) + k * axis[0],
        c * d[1] + s * (axis[2] * d[0] - axis[0] * d[2]) + k * axis[1],
        c * d[2] + s * (axis[0] * d[1] - axis[1] * d[0]) + k * axis[2]);
  }

  /** Turns a direction by a unit quaternion. */
  private static void turned(double[] q, double[] d, double[] out) {
    double x = 2 * (q[1] * d[2] - q[2] * d[1]),
        y = 2 * (q[2] * d[0] - q[0] * d[2]),
        z = 2 * (q[0] * d[1] - q[1] * d[0]);
    set(
        out,
        d[0] + q[3] * x + q[1] * z - q[2] * y,
        d[1] + q[3] * y + q[2] * x - q[0] * z,
        d[2] + q[3] * z + q[0] * y - q[1] * x);
  }
}
