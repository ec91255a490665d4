package kite.core.optics;

/**
 * What of the world reaches the delivery frame: the four edges as slopes (distance off the optical
 * axis per distance along it). The lens view, the renderer and every export use this one.
 */
public record DeliveryWindow(double left, double right, double bottom, double top) {

  /**
   * @param aspect delivery width / height
   * @param shiftXMm lens shift on the film back; positive sees more to the right
   * @param shiftYMm positive sees more above
   */
  public static DeliveryWindow of(
      double focalLengthMm,
      FilmBack back,
      double aspect,
      Fit fit,
      double shiftXMm,
      double shiftYMm) {
    double w = back.deliveredWidthMm(), h = back.heightMm(), film = w / h;
    boolean byWidth =
        switch (fit) {
          case WIDTH -> true;
          case HEIGHT -> false;
          case FILL -> aspect >= film;
          case SHOW_ALL -> aspect < film;
        };
    double width = byWidth ? w : h * aspect, height = byWidth ? w / aspect : h;
    double f = focalLengthMm, sx = shiftXMm * back.squeeze();
    return new DeliveryWindow(
        (sx - width / 2) / f,
        (sx + width / 2) / f,
        (shiftYMm - height / 2) / f,
        (shiftYMm + height / 2) / f);
  }

  public double width() {
    return right - left;
  }

  public double height() {
    return top - bottom;
  }

  /** Share of the frame from the left (0–1) of a point given in camera space; −z is ahead. */
  public double across(double x, double z) {
    return (x / -z - left) / width();
  }

  /** Share of the frame from the top (0–1) of a point given in camera space. */
  public double down(double y, double z) {
    return (top - y / -z) / height();
  }
}
