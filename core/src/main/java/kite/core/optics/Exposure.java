package kite.core.optics;

/**
 * When a shutter is open for a frame.
 *
 * @param opens frames
 * @param closes frames; as {@code opens} where the shutter shows one moment alone
 */
public record Exposure(double opens, double closes) {
  /** A turn of the shutter takes one frame. */
  private static final double TURN_DEGREES = 360;

  /**
   * @param frame that lies in the middle of the opening where there is no offset
   * @param angleDegrees how far the shutter is open, 0 to 360
   * @param offsetDegrees by how much it opens later
   */
  public static Exposure of(double frame, double angleDegrees, double offsetDegrees) {
    double half = angleDegrees / 2;
    return new Exposure(
        frame + (offsetDegrees - half) / TURN_DEGREES,
        frame + (offsetDegrees + half) / TURN_DEGREES);
  }

  /**
   * The same where the action runs slower or faster about a frame: the shutter is open as long in
   * the programme, and less or more happens meanwhile.
   *
   * @param rate frames of the scene in one of the programme
   */
  public Exposure at(double frame, double rate) {
    return new Exposure(frame + (opens - frame) * rate, frame + (closes - frame) * rate);
  }

  public boolean isMoment() {
    return opens == closes;
  }

  /** The frame at a share of the opening. */
  public double frameAt(double share) {
    return opens + (closes - opens) * share;
  }
}
