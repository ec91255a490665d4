package kite.core.rig.spring;

import kite.core.math.Powers;
import kite.core.math.Trig;

/**
 * A damped harmonic oscillator that is pulled towards a moving mark: ẍ + 2ζω·ẋ + ω²·(x − u) = 0. A
 * step is the equation's closed solution for a mark that is a cubic of time, so it is stable for
 * every frequency and step. Source: any text on linear oscillators.
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

  // the mark's own part of the solution: p, p² − r and p³ − 2pr of go
  private double lag;
  private double second;
  private double third;

  double x;
  double v;

  /** Readies steps of so many seconds. */
  void tune(double hz, double nowDamping, double seconds) {
    if (2 * Math.PI * hz == omega && nowDamping == damping && seconds == step) return;
    omega = 2 * Math.PI * hz;
    damping = nowDamping;
    step = seconds;
    double r2 = 1 / (omega * omega);
    lag = 2 * damping / omega;
    second = lag * lag - r2;
    third = lag * (second - r2);
    double d = damping * omega, e = Powers.exp(-d * seconds);
    double q = damping * damping - 1;
    if (Math.abs(q) < CRITICAL) {
      xx = e * (1 + omega * seconds);
      xv = e * seconds;
      vx = -e * omega * omega * seconds;
      vv = e * (1 - omega * seconds);
    } else {
      double r = omega * Math.sqrt(Math.abs(q)), a = r * seconds;
      double c = q < 0 ? Trig.cos(a) : Powers.cosh(a);
      double s = q < 0 ? Trig.sin(a) / r : Powers.sinh(a) / r;
      xx = e * (c + d * s);
      xv = e * s;
      vx = -e * omega * omega * s;
      vv = e * (c - d * s);
    }
  }

  /** How far behind a mark that moves evenly it stays in the end, for each metre a second. */
  double lag() {
    return lag;
  }

  /** Takes one step from x, v; the mark goes evenly from {@code from} to {@code to} meanwhile. */
  void go(double from, double to) {
    go(from, (to - from) / step, 0, 0);
  }

  /**
   * Takes one step from x, v while the mark goes a·1 + b·t + c·t² + d·t³, t in seconds from the
   * step's beginning. The mark's own part of the solution is u − p·u′ + (p² − r)·u″ − (p³ − 2pr)·u‴
   * with p = 2ζ/ω, r = 1/ω².
   */
  void go(double a, double b, double c, double d) {
    double p = lag, s = second, t = third, h = step;
    double first = a - p * b + s * 2 * c - t * 6 * d;
    double firstSpeed = b - p * 2 * c + s * 6 * d;
    double u1 = b + h * (2 * c + 3 * h * d), u2 = 2 * c + 6 * h * d, u3 = 6 * d;
    double last = a + h * (b + h * (c + h * d)) - p * u1 + s * u2 - t * u3;
    double lastSpeed = u1 - p * u2 + s * u3;
    double y = x - first, w = v - firstSpeed;
    x = last + xx * y + xv * w;
    v = lastSpeed + vx * y + vv * w;
  }
}
