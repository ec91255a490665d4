package kite.core.light;

import kite.core.math.Powers;

/**
 * Haze that thins with height: at height y it loses {@code density · exp(−max(0, y) / height)} of
 * the light per metre. The share that comes through is exp of the whole loss along the way.
 */
public record Haze(double density, double heightM) {
  /** Below this slope the way counts as level: the closed form would divide by nothing. */
  private static final double LEVEL = 1e-6;

  /**
   * The share of light that comes through.
   *
   * @param fromY height of the eye, metres
   * @param dirY vertical part of the unit direction looked in
   */
  public double through(double fromY, double dirY, double metres) {
    if (density <= 0) return 1;
    double loss;
    double toY = fromY + dirY * metres;
    if (Math.abs(dirY) < LEVEL) {
      loss = metres * Powers.exp(-Math.max(0, fromY) / heightM);
    } else {
      loss = (amount(toY) - amount(fromY)) / dirY;
    }
    return Powers.exp(-density * loss);
  }

  /** The integral of the thinning from height 0 to y. */
  private double amount(double y) {
    return y <= 0 ? y : heightM * (1 - Powers.exp(-y / heightM));
  }
}
