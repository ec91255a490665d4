package kite.render;

/**
 * The choices that a sample has, by the number of its pair. What a ray meets has its own from
 * {@link #LAMPS} on; what is met after that has the same, moved on by {@link #AFTER}.
 */
final class Choice {
  /** Where in the pixel. */
  static final int PIXEL = 0;

  /** Where on the lens opening. */
  static final int LENS = 1;

  /** Which part of the sky lights what was met. */
  static final int SKY = 2;

  /** When, while the shutter is open. */
  static final int TIME = 3;

  /** Which way is mirrored. */
  static final int MIRROR = 4;

  /** Where on the first lamp; the others follow. */
  static final int LAMPS = 8;

  /** Whether what can be seen through is; each surface behind another has the next. */
  static final int THROUGH = 1 << 12;

  /** As above on the way to a lamp, which have so many each. */
  static final int THROUGH_TO_LAMPS = 1 << 13, THROUGH_EACH = 64;

  /** What a mirrored ray meets, and a bounced one. */
  static final int AFTER = 1 << 20;

  private Choice() {}
}
