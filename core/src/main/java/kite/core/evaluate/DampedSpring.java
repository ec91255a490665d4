package kite.core.evaluate;

/**
 * A damped harmonic oscillator that is pulled towards a mark moving evenly over one step: ẍ + 2ζω·ẋ
 * + ω²·(x − u) = 0. The step is the equation's closed solution, so it is stable for every frequency
 * and step. Source: any text on linear oscillators; the ramp's own part is u − 2ζs/ω.
 */
final class DampedSpring {
  /** Damping this near to 1 is solved as critical: the general forms lose their digits there. */
  private static final double CRITICAL = 1e-6;

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

  /** Takes one step from x, v; the mark goes from {@code from} to {@code to} meanwhile. */
  void go(double from, double to) {
    double slope = (to - from) / step, lag = 2 * damping * slope / omega;
    double y = x - from + lag, w = v - slope;
    x = to - lag + xx * y + xv * w;
    v = slope + vx * y + vv * w;
  }
}
