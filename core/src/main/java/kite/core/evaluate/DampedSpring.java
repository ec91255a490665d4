package kite.core.evaluate;

/**
 * A damped harmonic oscillator that is pulled towards a mark moving evenly over one step: ẍ + 2ζω·ẋ
 * + ω²·(x − u) = 0. The step is the equation's closed solution, so it is stable for every frequency
 * and step. Source: any text on linear oscillators.
 */
final class DampedSpring {
  /** Damping this near to 1 is solved as critical: the general forms lose their digits there. */
  private static final double CRITICAL = 1e-6;

  /** A mark whose speed changes by more than this from step to step is not bent. */
  private static final double MOST_BEND = 4;

  private double damping;
  private double omega;
  private double step;
  // what one step makes of place and speed relative to the ramp's own part
  private double xx;
  private double xv;
  private double vx;
  private double vv;

  double x;
  double v;

  /** Readies steps of so many seconds. */
  void tune(double hz, double nowDamping, double seconds) {
    if (2 * Math.PI * hz == omega && nowDamping == damping && seconds == step) return;
    omega = 2 * Math.PI * hz;
    damping = nowDamping;
    step = seconds;
    double d = damping * omega, e = Math.exp(-d * seconds);
    double q = damping * damping - 1;
    if (Math.abs(q) < CRITICAL) {
      xx = e * (1 + omega * seconds);
      xv = e * seconds;
      vx = -e * omega * omega * seconds;
      vv = e * (1 - omega * seconds);
    } else {
      double r = omega * Math.sqrt(Math.abs(q)), a = r * seconds;
      double c = q < 0 ? Math.cos(a) : Math.cosh(a);
      double s = q < 0 ? Math.sin(a) / r : Math.sinh(a) / r;
      xx = e * (c + d * s);
      xv = e * s;
      vx = -e * omega * omega * s;
      vv = e * (c - d * s);
    }
  }

  /** How far behind a mark that moves evenly it stays in the end, for each metre a second. */
  double lag() {
    return 2 * damping / omega;
  }

  /** Takes one step from x, v; the mark goes evenly from {@code from} to {@code to} meanwhile. */
  void go(double from, double to) {
    go(from, to, 0);
  }

  /**
   * The same with a mark that bends as it did: a parabola through where it was, is and will be.
   * Where it starts, stops or jumps it goes evenly instead.
   *
   * @param before where it was {@code since} seconds before this step
   */
  void go(double before, double since, double from, double to) {
    double in = (from - before) / since, out = (to - from) / step;
    boolean jumps =
        in * out <= 0
            || Math.abs(in) > MOST_BEND * Math.abs(out)
            || Math.abs(out) > MOST_BEND * Math.abs(in);
    go(from, to, jumps ? 0 : (out - in) / (step + since));
  }

  /**
   * @param q half of how fast the mark's speed changes
   */
  private void go(double from, double to, double q) {
    double slope = (to - from) / step, first = slope - q * step, last = slope + q * step;
    // the mark's own part: u − 2ζ/ω·u′ + (4ζ² − 1)/ω²·u″
    double lag = lag(), bend = (4 * damping * damping - 1) / (omega * omega) * 2 * q;
    double y = x - (from - lag * first + bend), w = v - (first - lag * 2 * q);
    x = to - lag * last + bend + xx * y + xv * w;
    v = last - lag * 2 * q + vx * y + vv * w;
  }
}
