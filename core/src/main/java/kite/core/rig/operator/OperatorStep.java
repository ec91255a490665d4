package kite.core.rig.operator;

import kite.core.curve.CompiledCurve;
import kite.core.document.ChannelSpec;
import kite.core.evaluate.Plan;
import kite.core.evaluate.Sight;
import kite.core.evaluate.Step;
import kite.core.math.Matrix;
import kite.core.math.Powers;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.rig.RigPart;

/** The simulated person holding the camera: smooth noise of time in seconds, and footfalls. */
final class OperatorStep implements Step {
  /** A jolt rings at this rate … */
  private static final double JOLT_HZ = 7;

  /** … and is a third as strong after so many seconds. */
  private static final double JOLT_SECONDS = 0.09;

  private final CompiledCurve sway;
  private final CompiledCurve bob;
  private final CompiledCurve turn;
  private final CompiledCurve lean;
  private final CompiledCurve breath;
  private final CompiledCurve strength;
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
    sway = o.channels().compiled(Operator.SWAY);
    bob = o.channels().compiled(Operator.BOB);
    turn = o.channels().compiled(Operator.TURN);
    lean = o.channels().compiled(Operator.LEAN);
    breath = o.channels().compiled(Operator.BREATH);
    strength = o.channels().compiled(RigPart.STRENGTH);
    gait = Gait.of(o.preset());
    steps = o.stepsPerSecond();
    seed = o.seed();
    this.firstFrame = firstFrame;
    this.perSecond = perSecond;
  }

  @Override
  public void apply(double frame, Plan plan, Sight sight, double[] m) {
    double all = RigPart.STRENGTH.within(strength.value(frame));
    if (all == 0) return;
    double t = (frame - firstFrame) / perSecond;
    double side = amount(Operator.SWAY, sway, frame) * gait.swayM() * all;
    double footfalls = amount(Operator.BOB, bob, frame) * all;
    double aside = Trig.radians(amount(Operator.TURN, turn, frame) * gait.turnDegrees() * all);
    double rolled = Trig.radians(amount(Operator.LEAN, lean, frame) * gait.leanDegrees() * all);
    double chest = amount(Operator.BREATH, breath, frame) * gait.breathM() * all;
    double stride = 2 * Math.PI * steps * t;
    Rotation.panTiltRoll(
        aside * noise(t, gait.turnHz(), 3),
        aside * 0.7 * noise(t, gait.turnHz(), 4) + footfalls * Trig.radians(jolt(t)),
        rolled * noise(t, gait.turnHz() * 0.6, 5),
        own,
        0);
    own[Matrix.OX] =
        side * noise(t, gait.swayHz(), 0) + footfalls * gait.bobM() * 0.6 * Trig.sin(stride / 2);
    own[Matrix.OY] =
        side * 0.6 * noise(t, gait.swayHz(), 1)
            + footfalls * gait.bobM() * 0.5 * Trig.cos(stride)
            + chest * Trig.sin(2 * Math.PI * Gait.BREATH_HZ * t);
    own[Matrix.OZ] = side * 0.5 * noise(t, gait.swayHz(), 2);
    System.arraycopy(m, 0, below, 0, Matrix.SIZE);
    Matrix.multiply(below, 0, own, 0, m, 0);
  }

  private static double amount(ChannelSpec spec, CompiledCurve c, double frame) {
    return spec.within(c.value(frame));
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
      sum += Powers.exp(-s / JOLT_SECONDS) * Trig.sin(2 * Math.PI * JOLT_HZ * s);
    }
    return sum * gait.joltDegrees();
  }
}
