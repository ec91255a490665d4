package kite.core.rig.framings;

import java.util.List;
import java.util.function.ToIntFunction;
import kite.core.cue.Cue;
import kite.core.cue.CueTimes;
import kite.core.curve.CompiledCurve;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Powers;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.rig.RigPart;

/**
 * Travels between other cameras' framings.
 *
 * <p>A cue goes from the framing of the moment it begins at, whatever that was between, to its own:
 * both go on moving with their sources. A cue of several sources takes them in one after the other
 * in order of their ids, each blended with what is there by its share of the sum so far. Everything
 * is written as a difference from the first, so that equal framings blend to themselves.
 */
final class FramingsStep implements Step {
  /**
   * Nearer to the point it would swing about than this, metres, a camera has no direction from it.
   */
  private static final double NO_RADIUS_M = 1e-9;

  /** Closer to half a turn than this, the way round is not told by the two directions. */
  private static final double ACROSS_RADIANS = 1e-4;

  /** Turned by less than this, both directions are one. */
  private static final double SAME_RADIANS = 1e-7;

  /** Draws the swing's centre to the focus points where the axes are parallel. */
  private static final double TO_FOCUS = 1e-3;

  /** Within this cosine of straight up or down a horizon means nothing … */
  private static final double STEEP_COS = Trig.cos(Trig.radians(4));

  /** … and beyond this one it is kept in full. */
  private static final double LEVEL_COS = Trig.cos(Trig.radians(14));

  /** A share that is left over by rounding alone. */
  private static final double NO_SHARE = 1e-9;

  private final CompiledCurve strength;
  private final int[] slots;
  private final boolean swung;
  private final boolean keepHorizon;
  private final CueTimes times;
  private final double[][] share;

  /** How far the cue before was when each began. */
  private final double[] interrupted;

  private final double[] own = Matrix.newIdentity();
  private final double[] ownLens = new double[LensRow.SIZE];

  /** What each cue's travel starts from, worked out anew for every frame. */
  private final double[][] poses;

  private final double[][] lenses;

  private final double[] mixed = Matrix.newIdentity();
  private final double[] mixedLens = new double[LensRow.SIZE];
  private final double[] next = Matrix.newIdentity();
  private final double[] upright = Matrix.newIdentity();
  private final double[] qa = new double[4];
  private final double[] qb = new double[4];
  private final double[] q = new double[4];
  private final double[] centre = new double[3];
  private final double[] normal = new double[9];
  private final double[] right = new double[3];

  /**
   * @param slotOf where a source's transform and lens are in the plan
   */
  FramingsStep(Framings f, ToIntFunction<String> slotOf) {
    strength = f.channels().compiled(RigPart.STRENGTH);
    List<String> sources = f.cameras().stream().sorted().toList();
    slots = sources.stream().mapToInt(slotOf).toArray();
    swung = f.route() == Framings.Route.SWUNG;
    keepHorizon = f.keepHorizon();
    int n = f.cues().size();
    times = new CueTimes(f.cues());
    share = new double[n][slots.length];
    interrupted = new double[n];
    poses = new double[n][Matrix.SIZE];
    lenses = new double[n][LensRow.SIZE];
    for (int i = 0; i < n; i++) {
      Cue cue = f.cues().get(i);
      for (int k = 0; k < slots.length; k++)
        share[i][k] = cue.mix().getOrDefault(sources.get(k), 0.0);
      interrupted[i] = times.interrupted(i);
    }
  }

  /** Blends the sources' lenses into a camera's own, which keeps what the shares leave. */
  @Override
  public void lens(double at, Plan plan, int o) {
    double[] all = plan.lens();
    int i = times.at(at);
    if (i < 0) return;
    double k = RigPart.STRENGTH.within(strength.value(at));
    System.arraycopy(all, o, ownLens, 0, LensRow.SIZE);
    double[] lens = lens(i, times.progress(i, at), all);
    blendLens(all, o, lens, 0, k);
  }

  @Override
  public boolean changesLens() {
    return true;
  }

  private double[] lens(int i, double progress, double[] all) {
    if (i > 0 && progress <= 0) return lens(i - 1, interrupted[i], all);
    if (i == 0 || progress >= 1) {
      mixLens(i, all);
      System.arraycopy(mixedLens, 0, lenses[i], 0, LensRow.SIZE);
      return lenses[i];
    }
    System.arraycopy(lens(i - 1, interrupted[i], all), 0, lenses[i], 0, LensRow.SIZE);
    mixLens(i, all);
    blendLens(lenses[i], 0, mixedLens, 0, progress);
    return lenses[i];
  }

  private void mixLens(int i, double[] all) {
    System.arraycopy(ownLens, 0, mixedLens, 0, LensRow.SIZE);
    double w = left(i);
    for (int k = 0; k < slots.length; k++) {
      if (share[i][k] <= 0) continue;
      w += share[i][k];
      blendLens(mixedLens, 0, all, slots[k] * LensRow.SIZE, share[i][k] / w);
    }
  }

  /** What a cue's shares leave to the part below. */
  private double left(int i) {
    double sum = 0;
    for (double x : share[i]) sum += x;
    return sum > 1 - NO_SHARE ? 0 : 1 - sum;
  }

  private static void blendLens(double[] lens, int o, double[] to, int b, double t) {
    if (t <= 0) return;
    lens[o + LensRow.FOCAL] = geometric(lens[o + LensRow.FOCAL], to[b + LensRow.FOCAL], t);
    lens[o + LensRow.F_STOP] =
        geometric(lens[o + LensRow.F_STOP], to[b + LensRow.F_STOP], t); // evenly in stops
    lens[o + LensRow.FOCUS] =
        harmonic(lens[o + LensRow.FOCUS], to[b + LensRow.FOCUS], t); // evenly in dioptres
    for (int c = LensRow.SHUTTER; c <= LensRow.SHIFT_Y; c++)
      lens[o + c] = linear(lens[o + c], to[b + c], t);
  }

  private static double linear(double a, double b, double t) {
    return t >= 1 || a == b ? b : a + t * (b - a);
  }

  private static double geometric(double a, double b, double t) {
    return t >= 1 || a == b ? b : a * Powers.exp(t * Powers.log(b / a));
  }

  private static double harmonic(double a, double b, double t) {
    return t >= 1 || a == b ? b : 1 / linear(1 / a, 1 / b, t);
  }

  @Override
  public void apply(double at, Plan plan, Sight sight, double[] m) {
    int i = times.at(at);
    if (i < 0) return;
    double k = RigPart.STRENGTH.within(strength.value(at));
    if (k == 0) return;
    System.arraycopy(m, 0, own, 0, Matrix.SIZE);
    double[] pose = pose(i, times.progress(i, at), plan);
    System.arraycopy(pose, 0, next, 0, Matrix.SIZE);
    // the part below has no lens of its own to focus with
    blend(m, focus, focus, k);
  }

  /** The focus distance of the framing that {@link #pose} last gave. */
  private double focus;

  private double[] pose(int i, double progress, Plan plan) {
    if (i > 0 && progress <= 0) return pose(i - 1, interrupted[i], plan);
    if (i == 0 || progress >= 1) {
      mix(i, plan);
      System.arraycopy(mixed, 0, poses[i], 0, Matrix.SIZE);
      return poses[i];
    }
    System.arraycopy(pose(i - 1, interrupted[i], plan), 0, poses[i], 0, Matrix.SIZE);
    double from = focus;
    mix(i, plan);
    System.arraycopy(mixed, 0, next, 0, Matrix.SIZE);
    double to = focus;
    if (from == 0) from = to;
    if (to == 0) to = from;
    blend(poses[i], from, to, progress);
    focus = from == 0 ? 0 : harmonic(from, to, progress);
    return poses[i];
  }

  private void mix(int i, Plan plan) {
    System.arraycopy(own, 0, mixed, 0, Matrix.SIZE);
    focus = 0;
    double w = left(i);
    for (int k = 0; k < slots.length; k++) {
      if (share[i][k] <= 0) continue;
      w += share[i][k];
      System.arraycopy(plan.world(), slots[k] * Matrix.SIZE, next, 0, Matrix.SIZE);
      double f = plan.lens()[slots[k] * LensRow.SIZE + LensRow.FOCUS];
      if (focus == 0) focus = f;
      blend(mixed, focus, f, share[i][k] / w);
      focus = harmonic(focus, f, share[i][k] / w);
    }
  }

  /** m becomes its blend with {@code next}; focus distances say where parallel axes meet. */
  private void blend(double[] m, double focusA, double focusB, double t) {
    if (t >= 1) {
      System.arraycopy(next, 0, m, 0, Matrix.SIZE);
      return;
    }
    boolean samePlace =
        m[Matrix.OX] == next[Matrix.OX]
            && m[Matrix.OY] == next[Matrix.OY]
            && m[Matrix.OZ] == next[Matrix.OZ];
    boolean sameWay = true;
    for (int i = 0; i < Matrix.OX; i++) sameWay &= m[i] == next[i];
    double x = m[Matrix.OX], y = m[Matrix.OY], z = m[Matrix.OZ];
    if (swung && !samePlace) {
      meeting(m, focusA, next, focusB);
      swing(m, t);
      x = centre[0];
      y = centre[1];
      z = centre[2];
    } else if (!samePlace) {
      x += t * (next[Matrix.OX] - x);
      y += t * (next[Matrix.OY] - y);
      z += t * (next[Matrix.OZ] - z);
    }
    if (!sameWay) turn(m, t);
    m[Matrix.OX] = x;
    m[Matrix.OY] = y;
    m[Matrix.OZ] = z;
  }

  /** Fills {@code centre}: the point nearest to both optical axes, drawn to the points in focus. */
  private void meeting(double[] a, double focusA, double[] b, double focusB) {
    for (int i = 0; i < 9; i++) normal[i] = 0;
    right[0] = right[1] = right[2] = 0;
    axis(a, focusA);
    axis(b, focusB);
    double det = det(0, 1, 2, normal);
    for (int c = 0; c < 3; c++) {
      double x = 0;
      for (int r = 0; r < 3; r++) {
        int r1 = (r + 1) % 3, r2 = (r + 2) % 3, c1 = (c + 1) % 3, c2 = (c + 2) % 3;
        x +=
            right[r]
                * (normal[r1 * 3 + c1] * normal[r2 * 3 + c2]
                    - normal[r1 * 3 + c2] * normal[r2 * 3 + c1]);
      }
      centre[c] = x / det;
    }
  }

  private static double det(int a, int b, int c, double[] n) {
    return n[a] * (n[3 + b] * n[6 + c] - n[3 + c] * n[6 + b])
        - n[b] * (n[3 + a] * n[6 + c] - n[3 + c] * n[6 + a])
        + n[c] * (n[3 + a] * n[6 + b] - n[3 + b] * n[6 + a]);
  }

  private void axis(double[] m, double focus) {
    for (int r = 0; r < 3; r++) {
      double dr = -m[Matrix.ZX + r];
      for (int c = 0; c < 3; c++) {
        double k = (r == c ? 1 + TO_FOCUS : 0) - dr * -m[Matrix.ZX + c];
        normal[r * 3 + c] += k;
        right[r] += k * m[Matrix.OX + c];
      }
      right[r] += TO_FOCUS * focus * dr;
    }
  }

  /** Turns {@code centre} into the place a share of the way round it. */
  private void swing(double[] m, double t) {
    double ax = m[Matrix.OX] - centre[0],
        ay = m[Matrix.OY] - centre[1],
        az = m[Matrix.OZ] - centre[2];
    double bx = next[Matrix.OX] - centre[0],
        by = next[Matrix.OY] - centre[1],
        bz = next[Matrix.OZ] - centre[2];
    double la = Math.sqrt(ax * ax + ay * ay + az * az), lb = Math.sqrt(bx * bx + by * by + bz * bz);
    if (la < NO_RADIUS_M || lb < NO_RADIUS_M) {
      centre[0] = m[Matrix.OX] + t * (next[Matrix.OX] - m[Matrix.OX]);
      centre[1] = m[Matrix.OY] + t * (next[Matrix.OY] - m[Matrix.OY]);
      centre[2] = m[Matrix.OZ] + t * (next[Matrix.OZ] - m[Matrix.OZ]);
      return;
    }
    double cos = Math.max(-1, Math.min(1, (ax * bx + ay * by + az * bz) / (la * lb)));
    double angle = ArcTrig.acos(cos), length = la + t * (lb - la);
    double ka = 1 - t, kb = t;
    if (angle > Math.PI - ACROSS_RADIANS) { // straight across: round the world's up
      double s = Trig.sin(t * angle), c = Trig.cos(t * angle);
      double nx = c * ax + s * az, nz = c * az - s * ax;
      centre[0] += nx / la * length;
      centre[1] += (ay / la + t * (by / lb - ay / la)) * length;
      centre[2] += nz / la * length;
      return;
    }
    if (angle > SAME_RADIANS) {
      double s = Trig.sin(angle);
      ka = Trig.sin((1 - t) * angle) / s;
      kb = Trig.sin(t * angle) / s;
    }
    centre[0] += (ka * ax / la + kb * bx / lb) * length;
    centre[1] += (ka * ay / la + kb * by / lb) * length;
    centre[2] += (ka * az / la + kb * bz / lb) * length;
  }

  private void turn(double[] m, double t) {
    Rotation.toQuaternion(m, 0, qa);
    Rotation.toQuaternion(next, 0, qb);
    Rotation.blend(qa, qb, t, q);
    if (keepHorizon) {
      double rollA = ArcTrig.atan2(m[Matrix.XY], m[Matrix.YY]);
      double rollB = ArcTrig.atan2(next[Matrix.XY], next[Matrix.YY]);
      double by = Rotation.shortestTurn(rollB - rollA);
      Rotation.toMatrix(q, upright, 0);
      double bx = upright[Matrix.ZX], byUp = upright[Matrix.ZY], bz = upright[Matrix.ZZ];
      double steep = (Math.abs(byUp) - LEVEL_COS) / (STEEP_COS - LEVEL_COS);
      if (steep < 1) {
        Rotation.panTiltRoll(
            ArcTrig.atan2(bx, bz),
            ArcTrig.atan2(-byUp, Trig.hypot(bx, bz)),
            rollA + t * by,
            upright,
            0);
        Rotation.toQuaternion(upright, 0, qb);
        double free = Math.max(0, steep);
        Rotation.blend(qb, q, free * free * (3 - 2 * free), q);
      }
    }
    Rotation.toMatrix(q, m, 0);
  }
}
