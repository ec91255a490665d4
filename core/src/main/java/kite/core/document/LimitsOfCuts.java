package kite.core.document;

/**
 * What a production lets pass in its cuts.
 *
 * @param shortFrames a shorter shot is pointed out
 * @param jumpDegrees nearer together two cameras on one subject jump, unless its size changes
 * @param jumpShare by less than this share a change of size is none, 0 to 1
 * @param leapShare of the frame’s width that a subject may go to the side across a cut, 0 to 1
 */
public record LimitsOfCuts(
    int shortFrames, double jumpDegrees, double jumpShare, double leapShare) {
  /** Half a second at 24 pictures a second; the trade's rule of 30 degrees and a fifth. */
  public static final LimitsOfCuts USUAL = new LimitsOfCuts(12, 30, 0.2, 0.4);
}
