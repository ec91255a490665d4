package kite.render;

/** Light between screen values and linear amounts (IEC 61966-2-1). */
final class Light {
  /** Linear light of each 8-bit sRGB value. */
  static final double[] LINEAR = new double[256];

  /** Amounts that are told apart: fine enough that a dark step of 8 bits spans five of them. */
  private static final int STEPS = 1 << 14;

  private static final byte[] SCREEN = new byte[STEPS + 1];

  static {
    for (int i = 0; i < 256; i++) {
      double v = i / 255.0;
      LINEAR[i] = v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }
    for (int i = 0; i <= STEPS; i++) SCREEN[i] = (byte) screen((double) i / STEPS);
  }

  private Light() {}

  /** The 8-bit sRGB value of a linear amount, clipped to 0–255. */
  static int screen(double linear) {
    return (int) Math.round(ViewTransform.of(linear) * 255);
  }

  /** As above from a table, at most one off, for amounts between 0 and 1. */
  static int nearScreen(double linear) {
    return SCREEN[(int) (linear * STEPS + 0.5)] & 255;
  }
}
