package kite.core.document;

import kite.core.optics.FilmBack;
import kite.core.optics.Fit;

/**
 * The shared camera description.
 *
 * @param circleOfConfusionMm 0 for the usual diagonal / 1500
 */
public record CameraPackage(
    FilmBack filmBack, int deliveryWidth, int deliveryHeight, Fit fit, double circleOfConfusionMm) {
  public double aspect() {
    return (double) deliveryWidth / deliveryHeight;
  }

  public double circleMm() {
    return circleOfConfusionMm > 0 ? circleOfConfusionMm : filmBack.usualCircleOfConfusionMm();
  }
}
