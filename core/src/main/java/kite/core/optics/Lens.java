package kite.core.optics;

/**
 * One lens of a kit.
 *
 * @param shortestMm focal length; for a zoom its shortest
 * @param longestMm equal to {@code shortestMm} for a prime
 * @param widestStop the smallest f-number it opens to
 * @param closestFocusM metres from the entrance pupil
 */
public record Lens(double shortestMm, double longestMm, double widestStop, double closestFocusM) {
  /** A focal length is off a lens when it misses it by more than rounding, millimetres. */
  private static final double ROUNDING_MM = 1e-6;

  public boolean isPrime() {
    return shortestMm == longestMm;
  }

  public boolean covers(double focalLengthMm) {
    return focalLengthMm >= shortestMm - ROUNDING_MM && focalLengthMm <= longestMm + ROUNDING_MM;
  }
}
