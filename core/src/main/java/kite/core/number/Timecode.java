package kite.core.number;

/** Frames counted as hours, minutes, seconds and frames (SMPTE ST 12-1). */
public final class Timecode {
  private Timecode() {}

  /** Whether the rate is one that drop-frame counting was made for: 30000/1001 or 60000/1001. */
  public static boolean dropsFrames(Rate rate) {
    return rate.denominator() == 1001 && rate.nominal() % 30 == 0;
  }

  /**
   * Timecode of a frame, counted from 0. Drop-frame, written with ; before the frames, leaves out
   * the first two (or four) numbers of each minute but every tenth.
   */
  public static String of(int frame, Rate rate) {
    int fps = rate.nominal();
    boolean drop = dropsFrames(rate);
    long n = Math.abs((long) frame);
    if (drop) {
      int skip = fps / 15, perMinute = fps * 60 - skip, perTen = perMinute * 10 + skip;
      long tens = n / perTen, rest = n % perTen;
      n += 9L * skip * tens + (rest > skip ? skip * ((rest - skip) / perMinute) : 0);
    }
    String s =
        two(n / (fps * 3600L))
            + ":"
            + two(n / (fps * 60L) % 60)
            + ":"
            + two(n / fps % 60)
            + (drop ? ";" : ":")
            + two(n % fps);
    return frame < 0 ? "-" + s : s;
  }

  /**
   * The frame, counted from 0, that a timecode names; the inverse of {@link #of}.
   *
   * @throws IllegalArgumentException with a sentence when there is no such frame
   */
  public static long frame(int hours, int minutes, int seconds, int frames, Rate rate) {
    int fps = rate.nominal();
    if (frames >= fps)
      throw new IllegalArgumentException(
          "A second has " + fps + " frames: the last field goes up to " + (fps - 1) + ".");
    long allMinutes = hours * 60L + minutes + seconds / 60;
    int second = seconds % 60;
    long n = (allMinutes * 60 + second) * fps + frames;
    if (!dropsFrames(rate)) return n;
    int skip = fps / 15;
    if (second == 0 && frames < skip && allMinutes % 10 != 0)
      throw new IllegalArgumentException(
          "Drop-frame counting leaves this number out: the minute begins with frame " + skip + ".");
    return n - skip * (allMinutes - allMinutes / 10);
  }

  private static String two(long v) {
    return v < 10 ? "0" + v : "" + v;
  }
}
