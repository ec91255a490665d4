package kite.render;

/**
 * How linear light becomes what a screen shows, in pictures of 8 and 16 bits and in films: the
 * curve of sRGB (IEC 61966-2-1), with what is brighter than white clipped. Nothing else is done to
 * it.
 */
public final class ViewTransform {
  private ViewTransform() {}

  /** The screen's value of a linear amount, 0 to 1. */
  public static double of(double linear) {
    double v = linear <= 0.0031308 ? linear * 12.92 : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055;
    return Math.max(0, Math.min(1, v));
  }

  /** The linear amount that a screen's value stands for, 0 to 1: the inverse of {@link #of}. */
  static double linear(double screen) {
    return screen <= 0.04045 ? screen / 12.92 : Math.pow((screen + 0.055) / 1.055, 2.4);
  }
}
