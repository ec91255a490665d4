package kite.core.optics;

/** Angle of view = 2·atan(size / 2f), in degrees; either side may be set. */
public final class AngleOfView {
  private AngleOfView() {}

  public static double degrees(double sizeMm, double focalLengthMm) {
    return Math.toDegrees(2 * Math.atan(sizeMm / (2 * focalLengthMm)));
  }

  /** The focal length in mm that sees {@code degrees} across {@code sizeMm}. */
  public static double focalLengthMm(double sizeMm, double degrees) {
    return sizeMm / (2 * Math.tan(Math.toRadians(degrees) / 2));
  }
}
