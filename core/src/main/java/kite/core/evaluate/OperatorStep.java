package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.document.ChannelSpec;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.rig.Operator;
import kite.core.rig.RigPart;

/** The simulated person holding the camera: smooth noise of time in seconds, and footfalls. */
final class OperatorStep implements Step {
  /** A jolt rings at this rate … */
  private static final double JOLT_HZ = 7;

  /** … and is a third as strong after so many seconds. */
  private static final double JOLT_SECONDS = 0.09;

  private final CompiledCurve[] c;
  private final Gait gait;
  private final double steps;
  private final int seed;
  private final double firstFrame;
  private final double perSecond;
  private final double[] own = Matrix.newIdentity();
  private final double[] below = Matrix.newIdentity();

  /**
   * @param firstFrame of the sequence, where time begins
   */
  OperatorStep(Operator o, double firstFrame, double perSecond) {
    c = Node.compile(o.channels(), o.specs());
    gait = Gait.of(o.preset());
    steps = o.stepsPerSecond();
    seed = o.seed();
    this.firstFrame = firstFrame;
    this.perSecond = perSecond;
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double strength = Node.within(RigPart.STRENGTH, c[5].value(frame));
    if (strength == 0) return;
    double t = (frame - firstFrame) / perSecond;
    double sway = amount(Operator.SWAY, 0, frame) * gait.swayM() * strength;
    double bob = amount(Operator.BOB, 1, frame) * strength;
    double turn = Math.toRadians(amount(Operator.TURN, 2, frame) * gait.turnDegrees() * strength);
    double lean = Math.toRadians(amount(Operator.LEAN, 3, frame) * gait.leanDegrees() * strength);
    double breath = amount(Operator.BREATH, 4, frame) * gait.breathM() * strength;
    double stride = 2 * Math.PI * steps * t;
    Rotation.panTiltRoll(
        turn * noise(t, gait.turnHz(), 3),
        turn * 0.7 * noise(t, gait.turnHz(), 4) + bob * Math.toRadians(jolt(t)),
        lean * noise(t, gait.turnHz() * 0.6, 5),
        own,
        0);
    own[12] = sway * noise(t, gait.swayHz(), 0) + bob * gait.bobM() * 0.6 * Math.sin(stride / 2);
    own[13] =
        sway * 0.6 * noise(t, gait.swayHz(), 1)
            + bob * gait.bobM() * 0.5 * Math.cos(stride)
            + breath * Math.sin(2 * Math.PI * Gait.BREATH_HZ * t);
    own[14] = sway * 0.5 * noise(t, gait.swayHz(), 2);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }

  private double amount(ChannelSpec spec, int i, double frame) {
    return Node.within(spec, c[i].value(frame));
  }

  private double noise(double t, double hz, int lane) {
    return SmoothNoise.at(t, hz, seed, lane);
  }

  /** Degrees of tilt: each footfall, at the bottom of the bob, sets off a ring that dies away. */
  private double jolt(double t) {
    if (gait.joltDegrees() == 0) return 0;
    double since = t * steps - 0.5;
    double last = Math.floor(since), sum = 0;
    for (int back = 0; ; back++) {
      double s = (since - last + back) / steps;
      if (s > 12 * JOLT_SECONDS) break; // died away
      sum += Math.exp(-s / JOLT_SECONDS) * Math.sin(2 * Math.PI * JOLT_HZ * s);
    }
    return sum * gait.joltDegrees();
  }
}
