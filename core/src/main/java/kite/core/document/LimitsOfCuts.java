package kite.core.document;

/**
 * What a production lets pass in its cuts.
 *
 * @param shortFrames a shorter shot is pointed out
 * @param jumpDegrees nearer together two cameras on one subject jump, unless its size changes
 * @param jumpShare by less than this share a change of size is none, 0 to 1
 * @param leapShare of the frame’s width that a subject may go to the side across a cut, 0 to 1
 * @param screenDegrees how wide the screen is for whoever sits before it
 */
public record LimitsOfCuts(
    int shortFrames, double jumpDegrees, double jumpShare, double leapShare, double screenDegrees) {
  /**
   * What a screen is seen as from the middle of a cinema, degrees (SMPTE EG 18 wants 30 at least).
   */
  public static final double CINEMA_DEGREES = 40;

  /** Half a second at 24 pictures a second; the trade's rule of 30 degrees and a fifth. */
  public static final LimitsOfCuts USUAL = new LimitsOfCuts(12, 30, 0.2, 0.4, CINEMA_DEGREES);
}
