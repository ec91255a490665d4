package kite.core.rig.spring;

import java.util.Arrays;
import java.util.Objects;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.document.ChannelSpec;
import kite.core.evaluate.Elsewhere;
import kite.core.evaluate.Node;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.rig.RigPart;

/**
 * Follows the part below as if by a spring.
 *
 * <p>The motion is integrated from the sequence's first frame, where the spring is at rest, so what
 * a frame shows never depends on how one came to it. Since a spring forgets, frames far in start
 * later instead: at the last of the starts, a stride apart, from which it has forgotten all but a
 * share e⁻¹⁶. There the spring is taken to follow evenly. What is forgotten is only how the motion
 * there differs from an even one: hundredths of a millimetre even where the camera jumps by fifty
 * metres. That start depends on the frame alone. The state is kept at every step from the start on.
 *
 * <p>What it follows is known between its samples ({@link Followed}); place is then solved in
 * closed form, turning in steps so short that its angles add up (place to 0.1 mm, turning to 0.01°
 * of a fine integration). To know the part below at another moment, all that the camera leans on is
 * evaluated there and brought back afterwards.
 */
final class SpringStep implements Step {
  /** Samples are no farther apart than this, however slow the rate. */
  private static final double STEP_SECONDS = 1 / 23.0;

  private static final double FORGOTTEN = 16;

  /** Starts in one memory: more of them make a single frame quicker and frames in turn slower. */
  private static final int STRIDES = 6;

  /** Steps looked at before and after those that are gone through. */
  private static final int AROUND = 6;

  /** Below this, radians, turning is by series: its first term left out is under 1e-9 of it. */
  private static final double SMALL = 0.1;

  /** Lag times turning in a stretch, radians squared, below which it is one step. */
  private static final double LITTLE_TURNING = 1e-4;

  /** Short steps in a smooth stretch, and in one with much turning. */
  private static final int SHORT = 4;

  private static final int SHORTER = 16;

  /**
   * Lag times turning in a stretch, radians squared, above which its steps are the shorter ones.
   */
  private static final double MUCH_TURNING = 4e-3;

  /** A step shorter than this share of a gap is none: its slopes would be rounding alone. */
  private static final double NO_SHARE = 1e-9;

  /** Place, speed, quaternion, turning speed. */
  private static final int STATE = 13;

  private static final int SPEED = 3;
  private static final int WAY = 6;
  private static final int TURNING = 10;

  private final CompiledCurve placeHz;
  private final CompiledCurve placeDamping;
  private final CompiledCurve wayHz;
  private final CompiledCurve wayDamping;
  private final CompiledCurve strength;
  private final double firstFrame;
  private final double perSecond;
  private final int stepsPerFrame;
  private final double stride;
  private final double memory;
  private Elsewhere owner;
  private Plan plan;

  /** What the table was made with: it holds while all of these are the same. */
  private Node[] madeWith;

  private String madeInTake;

  private long start = Long.MIN_VALUE;
  private int known;

  /** Whether what the camera leans on was evaluated at another frame meanwhile. */
  private boolean elsewhere;

  private double[] table = new double[STATE * 64];

  private final Followed followed;
  private final double[] now = new double[STATE];
  private final double[] below = Matrix.newIdentity();
  private final double[] cubic = new double[4 * Followed.SIZE];
  private final double[] mark = new double[Followed.SIZE];
  private final double[] inverse = new double[4];
  private final double[] turn = new double[4];
  private final double[] angle0 = new double[3];
  private final double[] angle1 = new double[3];
  private final double[] angle2 = new double[3];
  private final DampedSpring place = new DampedSpring();
  private final DampedSpring way = new DampedSpring();

  SpringStep(Spring s, double firstFrame, double perSecond) {
    placeHz = s.channels().compiled(Spring.POSITION_HZ);
    placeDamping = s.channels().compiled(Spring.POSITION_DAMPING);
    wayHz = s.channels().compiled(Spring.ROTATION_HZ);
    wayDamping = s.channels().compiled(Spring.ROTATION_DAMPING);
    strength = s.channels().compiled(RigPart.STRENGTH);
    this.firstFrame = firstFrame;
    this.perSecond = perSecond;
    stepsPerFrame = (int) Math.ceil(1 / (STEP_SECONDS * perSecond));
    double slowest =
        Math.min(
            forgetting(s, Spring.POSITION_HZ, Spring.POSITION_DAMPING),
            forgetting(s, Spring.ROTATION_HZ, Spring.ROTATION_DAMPING));
    memory = FORGOTTEN / slowest * perSecond * stepsPerFrame;
    stride = Math.ceil(memory / STRIDES);
    followed = new Followed(this::find, firstFrame, 1.0 / stepsPerFrame, memory + stride + AROUND);
  }

  /** The least rate, per second, at which such a spring forgets. */
  private static double forgetting(Spring s, ChannelSpec hz, ChannelSpec damping) {
    double omega = 2 * Math.PI * extreme(s, hz, false);
    double least = extreme(s, damping, false), most = extreme(s, damping, true);
    return omega * Math.min(rate(least), rate(most));
  }

  private static double rate(double damping) {
    return damping <= 1 ? damping : damping - Math.sqrt(damping * damping - 1);
  }

  private static double extreme(Spring s, ChannelSpec spec, boolean most) {
    Channel channel = s.channels().get(spec);
    if (!(channel instanceof Channel.Curve curve)) return spec.within(channel.at(0));
    double found = most ? spec.least() : spec.most();
    for (Key k : curve.keys())
      found = most ? Math.max(found, k.value()) : Math.min(found, k.value());
    return spec.within(found);
  }

  @Override
  public boolean lags() {
    return true;
  }

  @Override
  public void standsOn(Elsewhere someone) {
    owner = someone;
  }

  @Override
  public void apply(double frame, Plan nowPlan, Sight sight, double[] m) {
    double k = RigPart.STRENGTH.within(strength.value(frame));
    if (k == 0 || frame <= firstFrame) return;
    plan = nowPlan;
    reach(frame);
    for (int i = 0; i < 3; i++) m[Matrix.OX + i] += (now[i] - m[Matrix.OX + i]) * k;
    Rotation.toQuaternion(m, 0, turn);
    System.arraycopy(now, WAY, inverse, 0, 4);
    Rotation.blend(turn, inverse, k, turn);
    Rotation.toMatrix(turn, m, 0);
  }

  /** Fills {@code now} with the state at a frame. */
  private void reach(double frame) {
    double steps = (frame - firstFrame) * stepsPerFrame;
    long from = (long) (Math.max(0, Math.floor((steps - memory) / stride)) * stride);
    Node[] leans = plan.leansOn(owner.owner());
    boolean others = !Arrays.equals(leans, madeWith) || !Objects.equals(plan.take(), madeInTake);
    if (others) {
      madeWith = leans;
      madeInTake = plan.take();
      followed.forget();
    }
    if (others || from != start) {
      start = from;
      if (from > 0) following(from);
      else atRest(0);
      known = 0;
      keep();
    }
    int whole = (int) (Math.floor(steps) - start);
    load(Math.min(known - 1, whole));
    while (known <= whole) {
      go(start + known - 1, Double.POSITIVE_INFINITY);
      keep();
    }
    if (steps > start + whole) go(start + whole, frame);
    if (!elsewhere) return;
    elsewhere = false;
    plan.rerun(leans, frame);
    owner.lens(frame, plan);
  }

  private void keep() {
    if ((known + 1) * STATE > table.length) table = Arrays.copyOf(table, table.length * 2);
    System.arraycopy(now, 0, table, known++ * STATE, STATE);
  }

  private void load(int step) {
    System.arraycopy(table, step * STATE, now, 0, STATE);
  }

  /** The part below at a moment. */
  private void find(double frame, double[] out) {
    elsewhere = true;
    plan.rerun(madeWith, frame);
    owner.standing(frame, plan, below);
    System.arraycopy(below, Matrix.OX, out, 0, 3);
    Rotation.toQuaternion(below, 0, turn);
    System.arraycopy(turn, 0, out, 3, 4);
  }

  private void atRest(long step) {
    followed.at(step, mark, 0);
    Arrays.fill(now, 0);
    System.arraycopy(mark, 0, now, 0, 3);
    System.arraycopy(mark, 3, now, WAY, 4);
  }

  /** As if the part below had always moved as it does here: the spring is evenly behind it. */
  private void following(long step) {
    double seconds = 1 / (stepsPerFrame * perSecond), frame = frameOf(step);
    atRest(step - 1);
    followed.at(step, mark, 0);
    tune(frame, seconds);
    setInverse();
    angleTo(mark, angle0);
    for (int i = 0; i < 3; i++) {
      now[SPEED + i] = (mark[i] - now[i]) / seconds;
      now[i] = mark[i] - place.lag() * now[SPEED + i];
      now[TURNING + i] = angle0[i] / seconds;
      angle0[i] = -way.lag() * now[TURNING + i];
    }
    turned(angle0, mark, 3);
  }

  private double frameOf(long step) {
    return firstFrame + step / (double) stepsPerFrame;
  }

  /** Goes through the stretch that begins at a step, or up to a frame in it. */
  private void go(long step, double until) {
    Followed.Piece[] pieces = followed.pieces(step);
    if (pieces.length == 0) {
      followed.cubic(step, cubic);
      gap(frameOf(step), frameOf(step + 1), until, true);
      return;
    }
    for (Followed.Piece p : pieces) {
      double width = (p.to() - p.from()) / p.gaps();
      for (int g = 0; g < p.gaps(); g++) {
        double from = p.from() + g * width, to = g + 1 == p.gaps() ? p.to() : from + width;
        if (from >= until) return;
        if (p.gaps() < 3) {
          straight(p.samples(), g);
        } else {
          int first = Math.max(0, Math.min(p.gaps() - 3, g - 1));
          Followed.toCubic(p.samples(), first * Followed.SIZE, cubic, 0);
          shift(cubic, g - first - 1);
        }
        gap(from, to, until, p.gaps() < 4 || width * stepsPerFrame * SHORT > 1);
      }
    }
  }

  private void straight(double[] s, int g) {
    Arrays.fill(cubic, 0);
    for (int k = 0; k < Followed.SIZE; k++) {
      cubic[k] = s[g * Followed.SIZE + k];
      cubic[Followed.SIZE + k] = s[(g + 1) * Followed.SIZE + k] - cubic[k];
    }
  }

  /** Moves a cubic's argument: what was at {@code by} is then at 0. */
  private static void shift(double[] p, double by) {
    if (by == 0) return;
    int n = Followed.SIZE;
    for (int k = 0; k < n; k++) {
      double b = p[n + k], c = p[2 * n + k], d = p[3 * n + k];
      p[k] += by * (b + by * (c + by * d));
      p[n + k] = b + by * (2 * c + 3 * by * d);
      p[2 * n + k] = c + 3 * by * d;
    }
  }

  /** Goes through a gap along the cubic, or up to a frame in it. */
  private void gap(double from, double to, double until, boolean inSteps) {
    int steps = 1;
    if (inSteps) {
      setInverse();
      value(0.5, mark);
      angleTo(mark, angle1);
      double lag = length(angle1), moves = 0;
      for (int k = 3; k < Followed.SIZE; k++)
        for (int i = 1; i < 4; i++) moves += 2 * Math.abs(cubic[i * Followed.SIZE + k]);
      steps = lag * moves < LITTLE_TURNING ? 1 : lag * moves < MUCH_TURNING ? SHORT : SHORTER;
    }
    double wide = 1.0 / steps;
    for (int i = 0; i < steps; i++) {
      double a = from + (to - from) * i * wide;
      double share = Math.min(wide, (until - a) / (to - from));
      if (share < NO_SHARE) return;
      step(i * wide, share, (to - from) / perSecond, a, inSteps && share == 1);
    }
  }

  /**
   * One closed step.
   *
   * @param at where it begins on the cubic
   * @param share of the cubic's gap that it takes
   * @param gapSeconds how long the whole gap is
   * @param midway whether {@code angle1} is already how far the turning is off in its middle
   */
  private void step(double at, double share, double gapSeconds, double frame, boolean midway) {
    double seconds = share * gapSeconds, h = seconds;
    tune(frame, seconds);
    int n = Followed.SIZE;
    for (int i = 0; i < 3; i++) {
      double b = cubic[n + i], q = cubic[2 * n + i], d = cubic[3 * n + i];
      place.x = now[i];
      place.v = now[SPEED + i];
      place.go(
          cubic[i] + at * (b + at * (q + at * d)),
          (b + at * (2 * q + 3 * at * d)) / gapSeconds,
          (q + 3 * at * d) / (gapSeconds * gapSeconds),
          d / (gapSeconds * gapSeconds * gapSeconds));
      now[i] = place.x;
      now[SPEED + i] = place.v;
    }
    // turning is solved as small angles about where it points now, along a parabola
    setInverse();
    value(at, mark);
    angleTo(mark, angle0);
    if (!midway) {
      value(at + share / 2, mark);
      angleTo(mark, angle1);
    }
    value(at + share, mark);
    angleTo(mark, angle2);
    for (int i = 0; i < 3; i++) {
      double a = angle0[i], m = angle1[i], z = angle2[i];
      way.x = 0;
      way.v = now[TURNING + i];
      way.go(a, (4 * m - 3 * a - z) / h, 2 * (a - 2 * m + z) / (h * h), 0);
      angle1[i] = way.v;
      angle0[i] = way.x;
    }
    // the turning about an orientation that has itself turned by x is x′ + ½·x × x′
    for (int i = 0; i < 3; i++) {
      int j = (i + 1) % 3, k = (i + 2) % 3;
      now[TURNING + i] = angle1[i] + (angle0[j] * angle1[k] - angle0[k] * angle1[j]) / 2;
    }
    turned(angle0, now, WAY);
  }

  /** Place and quaternion at an argument of the cubic. */
  private void value(double t, double[] out) {
    int n = Followed.SIZE;
    for (int k = 3; k < n; k++)
      out[k] = cubic[k] + t * (cubic[n + k] + t * (cubic[2 * n + k] + t * cubic[3 * n + k]));
    double l = out[3] * out[3] + out[4] * out[4] + out[5] * out[5] + out[6] * out[6];
    double to = 1.5 - l / 2; // one step of Newton's towards 1/√l, which is all but 1
    for (int k = 3; k < n; k++) out[k] *= to;
  }

  private void setInverse() {
    for (int i = 0; i < 3; i++) inverse[i] = -now[WAY + i];
    inverse[3] = now[WAY + 3];
  }

  /** The state's quaternion becomes another's, turned by small angles about the world's axes. */
  private void turned(double[] by, double[] from, int o) {
    double square = by[0] * by[0] + by[1] * by[1] + by[2] * by[2], k, w;
    if (square < SMALL * SMALL) { // the series of sin(a/2)/a and cos(a/2)
      k = 0.5 - square * (1 / 48.0 - square / 3840);
      w = 1 - square * (1 / 8.0 - square * (1 / 384.0 - square / 46080));
    } else {
      double angle = Math.sqrt(square);
      k = Trig.sin(angle / 2) / angle;
      w = Trig.cos(angle / 2);
    }
    double x = by[0] * k, y = by[1] * k, z = by[2] * k;
    double fx = from[o], fy = from[o + 1], fz = from[o + 2], fw = from[o + 3];
    double qx = w * fx + x * fw + y * fz - z * fy,
        qy = w * fy - x * fz + y * fw + z * fx,
        qz = w * fz + x * fy - y * fx + z * fw,
        qw = w * fw - x * fx - y * fy - z * fz;
    double l = Math.sqrt(qx * qx + qy * qy + qz * qz + qw * qw);
    now[WAY] = qx / l;
    now[WAY + 1] = qy / l;
    now[WAY + 2] = qz / l;
    now[WAY + 3] = qw / l;
  }

  private static double length(double[] v) {
    return Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  }

  private void tune(double frame, double seconds) {
    place.tune(
        Spring.POSITION_HZ.within(placeHz.value(frame)),
        Spring.POSITION_DAMPING.within(placeDamping.value(frame)),
        seconds);
    way.tune(
        Spring.ROTATION_HZ.within(wayHz.value(frame)),
        Spring.ROTATION_DAMPING.within(wayDamping.value(frame)),
        seconds);
  }

  /** The turn from the present orientation to a mark's, as an axis times an angle. */
  private void angleTo(double[] q, double[] out) {
    double qx = q[3], qy = q[4], qz = q[5], qw = q[6];
    double ix = inverse[0], iy = inverse[1], iz = inverse[2], iw = inverse[3];
    double x = qw * ix + qx * iw + qy * iz - qz * iy,
        y = qw * iy - qx * iz + qy * iw + qz * ix,
        z = qw * iz + qx * iy - qy * ix + qz * iw,
        w = qw * iw - qx * ix - qy * iy - qz * iz;
    double square = x * x + y * y + z * z, k;
    if (square < SMALL * SMALL) { // the series of 2·asin(s)/s; the quaternion is of unit length
      k = 2 + square * (1 / 3.0 + square * (3 / 20.0 + square * (5 / 56.0)));
    } else {
      double s = Math.sqrt(square);
      k = 2 * ArcTrig.atan2(s, Math.abs(w)) / s;
    }
    if (w < 0) k = -k;
    out[0] = x * k;
    out[1] = y * k;
    out[2] = z * k;
  }
}
