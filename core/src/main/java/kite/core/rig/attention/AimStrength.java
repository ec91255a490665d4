package kite.core.rig.attention;

import kite.core.cue.Ease;
import kite.core.math.ArcTrig;
import kite.core.math.Rotation;
import kite.core.math.Trig;

/**
 * How much of an aim is taken: the incoming orientation turned towards the aimed one, the shorter
 * way round.
 *
 * <p>As an aim passes behind the incoming orientation, the shorter way changes sides. Over the
 * stretch in which it is {@link #BEHIND} or more away, the camera therefore goes from what the one
 * way gives to what the other gives, by the share of the turning that is done, on the nearer side:
 * back through the front for a strength up to a half, else on through the back. Where the strength
 * rises from nothing, or becomes all, in that stretch, there is but one way and it is kept.
 */
final class AimStrength {
  private static final double BEHIND = Trig.radians(140);

  /** A quaternion's vector shorter than this has no axis. */
  private static final double NO_AXIS = 1e-12;

  private final AimMoments moments;

  /** Writes the full aim at a frame, or returns false where there is none. */
  interface Aimed {
    boolean at(double frame, double[] out);
  }

  private final Aimed aimed;
  private final Stretches<Behind> stretches;
  private final double[] full = new double[4];
  private final double[] r = new double[4];

  /** A stretch with the aim behind: the turn to it by frames, its sign followed from the start. */
  private static final class Behind extends Stretches.Stretch {
    double[][] turn;
    double[] way;
    boolean swings;
    boolean back;

    /** Whether the side is that of the end. */
    boolean asAfter;
  }

  AimStrength(AimMoments moments, Aimed aimed) {
    this.moments = moments;
    this.aimed = aimed;
    stretches = new Stretches<>(this::depth, Behind::new);
  }

  void forget() {
    stretches.forget();
  }

  private double depth(double frame) {
    double s = moments.at(frame)[AimMoments.STRENGTH];
    if (s <= 0 || s >= 1 || !aimed.at(frame, full)) return -1;
    between(moments.at(frame), full, r);
    return angle(r) - BEHIND;
  }

  /** Whether an aim can be blended without looking at other frames. */
  boolean isPlain(double[] row, double[] full) {
    double s = row[AimMoments.STRENGTH];
    if (s >= 1) return true;
    between(row, full, r);
    return angle(r) < BEHIND;
  }

  /** The shorter way round, from one frame alone. */
  static void plain(double[] row, double[] full, double[] out) {
    double s = row[AimMoments.STRENGTH];
    System.arraycopy(s >= 1 ? full : row, AimMoments.INCOMING, out, 0, 4);
    if (s < 1) Rotation.blend(out, full, s, out);
  }

  void at(double frame, double[] nowFull, double[] out) {
    double[] row = moments.at(frame);
    if (isPlain(row, nowFull)) {
      plain(row, nowFull, out);
      return;
    }
    Behind b = stretches.of(frame);
    if (b == null) {
      b = stretches.find(frame, moments.first, moments.last);
      if (b != null) follow(b);
      if (b == null || frame < b.from || frame > b.to) {
        plain(row, nowFull, out);
        return;
      }
    }
    int k = Math.max(0, Math.min(b.way.length - 2, (int) (Math.floor(frame) - Math.floor(b.from))));
    between(row, nowFull, r);
    double[] was = b.turn[k];
    if (dot(was, r) < 0) negate(r);
    double done = b.way[k] + turned(was, r);
    double whole = b.way[b.way.length - 1];
    double share = !b.swings ? 0 : whole == 0 ? 0 : Ease.SLOW_BOTH.at(done / whole);
    if (b.asAfter) negate(r);
    double v = Math.sqrt(r[0] * r[0] + r[1] * r[1] + r[2] * r[2]);
    double turn = 2 * ArcTrig.atan2(v, r[3]), s = row[AimMoments.STRENGTH];
    double by = turn * s - (b.back ? s : s - 1) * 2 * Math.PI * share;
    double sin = v < NO_AXIS ? 0 : Trig.sin(by / 2) / v;
    for (int i = 0; i < 3; i++) r[i] *= sin;
    r[3] = Trig.cos(by / 2);
    System.arraycopy(row, AimMoments.INCOMING, out, 0, 4);
    Rotation.multiply(out, r, out);
    Rotation.normalise(out);
  }

  private void follow(Behind b) {
    int rows = (int) (Math.ceil(b.to) - Math.floor(b.from)) + 1;
    b.turn = new double[rows][4];
    b.way = new double[rows];
    for (int k = 0; k < rows; k++) {
      double f = k == 0 ? b.from : Math.min(b.to, Math.floor(b.from) + k);
      double[] t = b.turn[k];
      if (aimed.at(f, full)) between(moments.at(f), full, t);
      else t[3] = 1;
      if (k == 0) {
        if (t[3] < 0) negate(t);
        continue;
      }
      double d = dot(b.turn[k - 1], t);
      if (d < 0) negate(t);
      b.way[k] = b.way[k - 1] + turned(b.turn[k - 1], t);
    }
    boolean open = isWhole(b.opens, b.from), closed = isWhole(b.closes, b.to);
    boolean changes = b.turn[rows - 1][3] < 0;
    b.swings = changes && !open && !closed;
    b.asAfter = changes && open && !closed;
    b.back = moments.at(b.from)[AimMoments.STRENGTH] <= 0.5;
  }

  /** Whether at an end of a stretch the aim is taken wholly or not at all. */
  private boolean isWhole(boolean isEdge, double frame) {
    double s = moments.at(frame)[AimMoments.STRENGTH];
    return isEdge && (s <= 0 || s >= 1);
  }

  /** The turn from the incoming orientation to an aim, on the incoming axes. */
  private static void between(double[] row, double[] aim, double[] out) {
    for (int i = 0; i < 3; i++) out[i] = -row[AimMoments.INCOMING + i];
    out[3] = row[AimMoments.INCOMING + 3];
    Rotation.multiply(out, aim, out);
  }

  private static double angle(double[] q) {
    return 2 * ArcTrig.atan2(Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2]), Math.abs(q[3]));
  }

  /** The angle from one turn to another, exact for small ones, where an arc cosine is not. */
  private static double turned(double[] a, double[] b) {
    double x = a[3] * b[0] - b[3] * a[0] - (a[1] * b[2] - a[2] * b[1]);
    double y = a[3] * b[1] - b[3] * a[1] - (a[2] * b[0] - a[0] * b[2]);
    double z = a[3] * b[2] - b[3] * a[2] - (a[0] * b[1] - a[1] * b[0]);
    return 2 * ArcTrig.atan2(Math.sqrt(x * x + y * y + z * z), Math.abs(dot(a, b)));
  }

  private static double dot(double[] a, double[] b) {
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3];
  }

  private static void negate(double[] q) {
    for (int i = 0; i < 4; i++) q[i] = -q[i];
  }
}
