package kite.core.optics;

/**
 * Depth of field of a thin lens focused at a distance along the optical axis.
 *
 * @param focalLengthMm f
 * @param fStop N
 * @param circleMm circle of confusion c
 * @param focusM focus distance s, metres from the entrance pupil along the axis
 */
public record DepthOfField(double focalLengthMm, double fStop, double circleMm, double focusM) {

  /**
   * Focus distances down to this share over the focal length are taken: nearer there is no picture.
   */
  private static final double OVER_FOCAL = 1.001;

  /** The nearest distance in metres at which a lens can be in focus, whatever its mount allows. */
  public static double nearestFocusM(double focalLengthMm) {
    return focalLengthMm / 1000 * OVER_FOCAL;
  }

  /** H = f²/(N·c) + f, in metres. */
  public double hyperfocalM() {
    return (focalLengthMm * focalLengthMm / (fStop * circleMm) + focalLengthMm) / 1000;
  }

  /** Near limit s(H−f)/(H+s−2f), in metres. */
  public double nearLimitM() {
    double h = hyperfocalM(), f = focalLengthMm / 1000;
    return focusM * (h - f) / (h + focusM - 2 * f);
  }

  /** Far limit s(H−f)/(H−s), in metres; infinite when focused at or beyond the hyperfocal. */
  public double farLimitM() {
    double h = hyperfocalM(), f = focalLengthMm / 1000;
    return focusM >= h ? Double.POSITIVE_INFINITY : focusM * (h - f) / (h - focusM);
  }

  /** Diameter on the film back of the blur of a point at depth d: f²·|d−s| / (N·d·(s−f)), mm. */
  public double blurMm(double depthM) {
    double s = focusM * 1000, d = depthM * 1000, f = focalLengthMm;
    if (d <= 0) return 0;
    return f * f * Math.abs(d - s) / (fStop * d * (s - f));
  }

  /**
   * Diameter on the film back of the blur of what is endlessly far: f² / (N·(s−f)), mm. The blur at
   * any depth d is this times |1 − s/d|.
   */
  public double endlessBlurMm() {
    double f = focalLengthMm;
    return f * f / (fStop * (focusM * 1000 - f));
  }

  /**
   * Radius in metres of the lens opening that, in a picture projected at the focal length (no
   * breathing), blurs exactly as {@link #blurMm} says: the pupil f/N widened by s/(s−f).
   */
  public double pupilRadiusM() {
    double s = focusM * 1000;
    return focalLengthMm / fStop / 2000 * s / (s - focalLengthMm);
  }

  /**
   * The focus distance and f-stop whose limits are just these.
   *
   * @return {focusM, fStop}; for an infinite far limit the focus is the hyperfocal
   */
  public static double[] forLimits(
      double focalLengthMm, double circleMm, double nearM, double farM) {
    double f = focalLengthMm / 1000;
    boolean endless = Double.isInfinite(farM);
    double s = endless ? 2 * nearM : 2 * nearM * farM / (nearM + farM);
    double h = endless ? s : s * (farM - f) / (farM - s);
    double n = focalLengthMm * focalLengthMm / (circleMm * (h * 1000 - focalLengthMm));
    return new double[] {s, n};
  }
}
