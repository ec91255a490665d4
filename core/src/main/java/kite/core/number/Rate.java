package kite.core.number;

/** Frames per second as a fraction, so that 23.976 is exactly 24000/1001. */
public record Rate(int numerator, int denominator) {
  public double perSecond() {
    return (double) numerator / denominator;
  }

  /** The whole number of frames that timecode counts per second (24 for 23.976). */
  public int nominal() {
    return (int) Math.round(perSecond());
  }
}
