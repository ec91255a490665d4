package kite.core.document;

import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;

/** What a sequence decides for itself instead of following its production; null follows. */
public record Own(
    @OrNull Rate rate,
    @OrNull Delivery delivery,
    @OrNull FilmBack filmBack,
    @OrNull Fit fit,
    @OrNull Double circleOfConfusionMm) {
  public static final Own NOTHING = new Own(null, null, null, null, null);
}
