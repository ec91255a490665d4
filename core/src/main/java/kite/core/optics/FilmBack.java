package kite.core.optics;

import kite.core.math.Trig;

/**
 * The area that takes the picture.
 *
 * @param widthMm as on the film back, before any de-squeeze
 * @param squeeze horizontal squeeze of the lens, 1 for spherical
 */
public record FilmBack(double widthMm, double heightMm, double squeeze) {
  public double diagonalMm() {
    return Trig.hypot(widthMm, heightMm);
  }

  /** Width after de-squeeze. */
  public double deliveredWidthMm() {
    return widthMm * squeeze;
  }

  /** The circle of confusion taken when none is set: diagonal / 1500. */
  public double usualCircleOfConfusionMm() {
    return diagonalMm() / 1500;
  }
}
