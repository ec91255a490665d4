package kite.core.frame;

import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.optics.FilmBack;

/**
 * A delivery frame that is larger than the film back, as showing all of it or fitting the other
 * side makes it: what lies beyond the film no such camera would have taken.
 *
 * @param across width of the film back in shares of the frame's; under 1 where the frame is wider
 * @param down height of the film back in shares of the frame's
 * @param says one sentence; empty where the frame lies on the film
 */
public record BeyondFilm(double across, double down, String says) {
  /** A frame larger by less than this share is a matter of rounding the delivery to pixels. */
  private static final double ROUNDING = 1e-3;

  public static BeyondFilm of(Sequence s, Plan plan, Camera c) {
    CameraPackage p = s.header().packageOf(c);
    FilmBack back = p.filmBack();
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    double across =
        back.deliveredWidthMm()
            / ((l[o + LensRow.RIGHT] - l[o + LensRow.LEFT]) * l[o + LensRow.FOCAL]);
    double down =
        back.heightMm() / ((l[o + LensRow.TOP] - l[o + LensRow.BOTTOM]) * l[o + LensRow.FOCAL]);
    boolean wide = across < 1 - ROUNDING, high = down < 1 - ROUNDING;
    String beside = wide && high ? "on all sides" : wide ? "left and right" : "above and below";
    return new BeyondFilm(
        across,
        down,
        wide || high
            ? "The frame is larger than the film back: outside the dashed lines, "
                + beside
                + ", there is no film."
            : "");
  }
}
