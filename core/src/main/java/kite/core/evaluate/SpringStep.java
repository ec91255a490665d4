package kite.core.evaluate;

import java.util.Arrays;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.document.ChannelSpec;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.RigPart;
import kite.core.rig.Spring;

/**
 * Follows the part below as if by a spring.
 *
 * <p>The motion is integrated in fixed steps from the sequence's first frame, where the spring is
 * at rest, so what a frame shows never depends on how one came to it. Since a spring forgets,
 * frames far in start later instead: at the last of the starts, a stride apart, from which it has
 * forgotten all but a share e⁻¹⁶. There the spring is taken to follow evenly. What is forgotten is
 * only how the motion there differs from an even one: hundredths of a millimetre even where the
 * camera jumps by fifty metres. That start depends on the frame alone. The state is kept at every
 * whole frame from the start on.
 *
 * <p>To know the part below at an earlier moment, all that the camera leans on is evaluated there
 * and brought back afterwards; where it was at the steps is kept, for the starts to come.
 */
final class SpringStep implements Step {
  /** Steps are no longer than this, however slow the rate. */
  private static final double STEP_SECONDS = 1 / 23.0;

  private static final double FORGOTTEN = 16;

  /** Starts in one memory: more of them make a single frame quicker and frames in turn slower. */
  private static final int STRIDES = 4;

  /** A step this near to a whole one is that one. */
  private static final double WHOLE = 1e-9;

  /**
   * Place, speed, quaternion, turning speed; then place and quaternion of the part below, and those
   * it had a step before.
   */
  private static final int STATE = 27;

  private final CompiledCurve[] c;
  private final double firstFrame;
  private final double perSecond;
  private final int stepsPerFrame;
  private final double memory;
  private final double stride;
  private CameraNode node;
  private int index;

  /** What the table was made with: it holds while all of these are the same. */
  private Node[] madeWith;

  private double start = Double.NaN;
  private int known;

  /** Whether what the camera leans on was evaluated at another frame meanwhile. */
  private boolean elsewhere;

  private double[] table = new double[STATE * 64];

  private final Samples samples = new Samples();
  private final double[] now = new double[STATE];
  private final double[] below = Matrix.newIdentity();
  private final double[] to = new double[7];
  private final double[] inverse = new double[4];
  private final double[] turn = new double[4];
  private final double[] beforeAngle = new double[3];
  private final double[] fromAngle = new double[3];
  private final double[] toAngle = new double[3];
  private final DampedSpring place = new DampedSpring();
  private final DampedSpring way = new DampedSpring();

  SpringStep(Spring s, double firstFrame, double perSecond) {
    c = Node.compile(s.channels(), s.specs());
    this.firstFrame = firstFrame;
    this.perSecond = perSecond;
    stepsPerFrame = (int) Math.ceil(1 / (STEP_SECONDS * perSecond));
    double slowest =
        Math.min(
            forgetting(s, Spring.POSITION_HZ, Spring.POSITION_DAMPING),
            forgetting(s, Spring.ROTATION_HZ, Spring.ROTATION_DAMPING));
    memory = FORGOTTEN / slowest * perSecond;
    stride = Math.ceil(memory / STRIDES);
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
    if (!(channel instanceof Channel.Curve curve)) return Node.within(spec, channel.at(0));
    double found = most ? spec.least() : spec.most();
    for (Key k : curve.keys())
      found = most ? Math.max(found, k.value()) : Math.min(found, k.value());
    return Node.within(spec, found);
  }

  void standsOn(CameraNode owner, int at) {
    node = owner;
    index = at;
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double strength = Node.within(RigPart.STRENGTH, c[4].value(frame));
    if (strength == 0 || frame <= firstFrame) return;
    reach(frame, plan);
    for (int i = 0; i < 3; i++) m[12 + i] += (now[i] - m[12 + i]) * strength;
    Rotation.toQuaternion(m, 0, turn);
    System.arraycopy(now, 6, inverse, 0, 4);
    Rotation.blend(turn, inverse, strength, turn);
    Rotation.toMatrix(turn, m, 0);
  }

  /** Fills {@code now} with the state at a frame. */
  private void reach(double frame, Plan plan) {
    double starts = Math.floor((frame - firstFrame - memory) / stride);
    double from = firstFrame + Math.max(0, starts) * stride;
    Node[] leans = plan.leansOn(node);
    boolean others = !Arrays.equals(leans, madeWith);
    if (others) {
      madeWith = leans;
      samples.forget();
    }
    if (others || from != start) {
      start = from;
      if (from > firstFrame) following(from, plan);
      else atRest(from, plan);
      known = 0;
      keep();
    }
    int whole = (int) Math.floor(frame - start);
    if (known > whole) load(whole);
    else load(known - 1);
    while (known <= whole) {
      for (int i = 1; i <= stepsPerFrame; i++)
        step(
            start + known - 1 + (i - 1.0) / stepsPerFrame,
            start + known - 1 + i / (double) stepsPerFrame,
            plan);
      keep();
    }
    double at = start + whole;
    for (int i = 1; at < frame; i++) {
      double then = Math.min(frame, start + whole + i / (double) stepsPerFrame);
      step(at, then, plan);
      at = then;
    }
    if (elsewhere) {
      elsewhere = false;
      plan.rerun(leans, frame);
      node.lens(frame, plan);
    }
  }

  private void keep() {
    if ((known + 1) * STATE > table.length) table = Arrays.copyOf(table, table.length * 2);
    System.arraycopy(now, 0, table, known++ * STATE, STATE);
  }

  private void load(int frame) {
    System.arraycopy(table, frame * STATE, now, 0, STATE);
  }

  /** The part below at a moment: place and quaternion into {@code to}. */
  private void sample(double frame, Plan plan) {
    double steps = (frame - firstFrame) * stepsPerFrame, whole = Math.rint(steps);
    if (Math.abs(steps - whole) > WHOLE) {
      find(frame, plan);
    } else if (!samples.get((long) whole, to)) {
      find(firstFrame + whole / stepsPerFrame, plan);
      samples.put((long) whole, to);
    }
  }

  private void find(double frame, Plan plan) {
    elsewhere = true;
    plan.rerun(madeWith, frame);
    node.lens(frame, plan);
    node.below(index, frame, plan, below);
    System.arraycopy(below, 12, to, 0, 3);
    Rotation.toQuaternion(below, 0, turn);
    System.arraycopy(turn, 0, to, 3, 4);
  }

  private void atRest(double frame, Plan plan) {
    sample(frame, plan);
    Arrays.fill(now, 0);
    System.arraycopy(to, 0, now, 0, 3);
    System.arraycopy(to, 3, now, 6, 4);
    System.arraycopy(to, 0, now, 13, 7);
    System.arraycopy(to, 0, now, 20, 7);
  }

  /** As if the part below had always moved as it does here: the spring is evenly behind it. */
  private void following(double frame, Plan plan) {
    double seconds = 1 / (stepsPerFrame * perSecond);
    atRest(frame - 1.0 / stepsPerFrame, plan);
    sample(frame, plan);
    place.tune(at(Spring.POSITION_HZ, 0, frame), at(Spring.POSITION_DAMPING, 1, frame), seconds);
    way.tune(at(Spring.ROTATION_HZ, 2, frame), at(Spring.ROTATION_DAMPING, 3, frame), seconds);
    for (int i = 0; i < 3; i++) inverse[i] = -now[6 + i];
    inverse[3] = now[9];
    angleTo(to, 3, toAngle);
    for (int i = 0; i < 3; i++) {
      now[3 + i] = (to[i] - now[i]) / seconds;
      now[i] = to[i] - place.lag() * now[3 + i];
      now[10 + i] = toAngle[i] / seconds;
      toAngle[i] = -way.lag() * now[10 + i];
    }
    turned(toAngle[0], toAngle[1], toAngle[2], to, 3);
    keepSample();
  }

  /** The place's quaternion becomes another's, turned by small angles about the world's axes. */
  private void turned(double x, double y, double z, double[] from, int o) {
    double angle = Math.sqrt(x * x + y * y + z * z);
    double k = angle < 1e-12 ? 0.5 : Math.sin(angle / 2) / angle;
    turn[0] = x * k;
    turn[1] = y * k;
    turn[2] = z * k;
    turn[3] = Math.cos(angle / 2);
    System.arraycopy(from, o, inverse, 0, 4);
    Rotation.multiply(turn, inverse, inverse);
    Rotation.normalise(inverse);
    System.arraycopy(inverse, 0, now, 6, 4);
  }

  private void step(double frame, double then, Plan plan) {
    double seconds = (then - frame) / perSecond, since = 1 / (stepsPerFrame * perSecond);
    sample(then, plan);
    place.tune(at(Spring.POSITION_HZ, 0, then), at(Spring.POSITION_DAMPING, 1, then), seconds);
    way.tune(at(Spring.ROTATION_HZ, 2, then), at(Spring.ROTATION_DAMPING, 3, then), seconds);
    for (int i = 0; i < 3; i++) {
      place.x = now[i];
      place.v = now[3 + i];
      place.go(now[20 + i], since, now[13 + i], to[i]);
      now[i] = place.x;
      now[3 + i] = place.v;
    }
    // turning is solved as small angles about where it points now
    for (int i = 0; i < 3; i++) inverse[i] = -now[6 + i];
    inverse[3] = now[9];
    angleTo(now, 23, beforeAngle);
    angleTo(now, 16, fromAngle);
    angleTo(to, 3, toAngle);
    double x = 0, y = 0, z = 0;
    for (int i = 0; i < 3; i++) {
      way.x = 0;
      way.v = now[10 + i];
      way.go(beforeAngle[i], since, fromAngle[i], toAngle[i]);
      now[10 + i] = way.v;
      if (i == 0) x = way.x;
      else if (i == 1) y = way.x;
      else z = way.x;
    }
    turned(x, y, z, now, 6);
    keepSample();
  }

  private void keepSample() {
    System.arraycopy(now, 13, now, 20, 7);
    System.arraycopy(to, 0, now, 13, 7);
  }

  private double at(ChannelSpec spec, int i, double frame) {
    return Node.within(spec, c[i].value(frame));
  }

  /** The turn from the present orientation to a quaternion, as an axis times an angle. */
  private void angleTo(double[] q, int o, double[] out) {
    for (int i = 0; i < 4; i++) turn[i] = q[o + i];
    Rotation.multiply(turn, inverse, turn);
    double sign = turn[3] < 0 ? -1 : 1;
    double s = Math.sqrt(turn[0] * turn[0] + turn[1] * turn[1] + turn[2] * turn[2]);
    double angle = 2 * Math.atan2(s, Math.abs(turn[3]));
    double k = s < 1e-12 ? 2 : angle / s;
    for (int i = 0; i < 3; i++) out[i] = sign * turn[i] * k;
  }
}
