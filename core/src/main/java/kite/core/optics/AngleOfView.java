package kite.core.optics;

import kite.core.math.ArcTrig;
import kite.core.math.Trig;

/** Angle of view = 2·atan(size / 2f), in degrees; either side may be set. */
public final class AngleOfView {
  private AngleOfView() {}

  public static double degrees(double sizeMm, double focalLengthMm) {
    return Trig.degrees(2 * ArcTrig.atan(sizeMm / (2 * focalLengthMm)));
  }

  /** The focal length in mm that sees {@code degrees} across {@code sizeMm}. */
  public static double focalLengthMm(double sizeMm, double degrees) {
    return sizeMm / (2 * Trig.tan(Trig.radians(degrees) / 2));
  }
}
