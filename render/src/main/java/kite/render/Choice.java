package kite.render;

/** The choices that a sample has, by the number of its pair. */
final class Choice {
  /** Where in the pixel. */
  static final int PIXEL = 0;

  /** Where on the lens opening. */
  static final int LENS = 1;

  /** Which part of the sky lights what was met. */
  static final int SKY = 2;

  /** When, while the shutter is open. */
  static final int TIME = 3;

  /** Where on the first lamp; the others follow. */
  static final int LAMPS = 8;

  private Choice() {}
}
