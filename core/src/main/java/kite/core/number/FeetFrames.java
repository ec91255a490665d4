package kite.core.number;

/** Lengths of 35 mm film of four perforations a frame: sixteen frames are a foot. */
public final class FeetFrames {
  private static final int FRAMES_A_FOOT = 16;

  private FeetFrames() {}

  /** As 12+04, which are twelve feet and four frames; of no frames or more. */
  public static String of(int frames) {
    int rest = frames % FRAMES_A_FOOT;
    return frames / FRAMES_A_FOOT + "+" + (rest < 10 ? "0" : "") + rest;
  }
}
