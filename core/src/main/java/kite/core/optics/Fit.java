package kite.core.optics;

/** How a delivery of another aspect sits on the film back. */
public enum Fit {
  WIDTH,
  HEIGHT,
  /** The delivery is cut out of the film back, as large as fits inside it. */
  FILL,
  /** The whole film back is seen; what lies beside it is seen too (overscan). */
  SHOW_ALL
}
