package kite.render;

/** Light that the pixels of a picture have gathered so far. Each pixel belongs to one thread. */
final class Accumulated {
  /** How much red, green and blue count for how light a pixel is (ITU-R BT.709). */
  private static final float RED = 0.2126f, GREEN = 0.7152f, BLUE = 0.0722f;

  /**
   * Amounts darker than this are taken as this where differences are weighed: the screen's slope
   * has its end there.
   */
  private static final double DARKEST = 0.02;

  private static final int STEPS = 255;

  /**
   * The slope of the screen's curve, 1.055 of the amount to 1/2.4 (IEC 61966-2-1): what it is at 1,
   * and the power of the amount by which it falls.
   */
  private static final double SLOPE = 1.055 / 2.4, FALLS = 1 / 2.4 - 1;

  private final int width;
  private final float[] sum;
  private final float[] squares;
  private final short[] samples;

  Accumulated(int width, int height) {
    this.width = width;
    sum = new float[width * height * 3];
    squares = new float[width * height];
    samples = new short[width * height];
  }

  void add(int pixel, double[] colour) {
    float r = (float) colour[0], g = (float) colour[1], b = (float) colour[2];
    sum[pixel * 3] += r;
    sum[pixel * 3 + 1] += g;
    sum[pixel * 3 + 2] += b;
    float light = Math.min(1, RED * r + GREEN * g + BLUE * b);
    squares[pixel] += light * light;
    samples[pixel]++;
  }

  int samples(int pixel) {
    return samples[pixel] & 0xffff;
  }

  /** The mean of a channel, linear. */
  double mean(int pixel, int channel) {
    return sum[pixel * 3 + channel] / samples(pixel);
  }

  private double light(int pixel) {
    return Math.min(1, RED * mean(pixel, 0) + GREEN * mean(pixel, 1) + BLUE * mean(pixel, 2));
  }

  /** Steps of 8 bits on the screen for a small amount of light about a mean. */
  private static double steps(double amount, double mean) {
    return STEPS * amount * SLOPE * Math.pow(Math.max(DARKEST, mean), FALLS);
  }

  /** The standard error of a pixel's mean, in steps of 8 bits on the screen. */
  double error(int pixel) {
    int n = samples(pixel);
    double mean = light(pixel);
    double variance = Math.max(0, squares[pixel] / n - mean * mean) / (n - 1);
    return steps(Math.sqrt(variance), mean);
  }

  /** By how many steps of 8 bits a pixel differs from the four about it, at the most. */
  double contrast(int x, int y, int height) {
    int at = y * width + x;
    double mine = light(at), most = 0;
    if (x > 0) most = Math.max(most, Math.abs(light(at - 1) - mine));
    if (x + 1 < width) most = Math.max(most, Math.abs(light(at + 1) - mine));
    if (y > 0) most = Math.max(most, Math.abs(light(at - width) - mine));
    if (y + 1 < height) most = Math.max(most, Math.abs(light(at + width) - mine));
    return steps(most, mine);
  }

  int argb(int pixel) {
    return 0xff000000
        | Light.screen(mean(pixel, 0)) << 16
        | Light.screen(mean(pixel, 1)) << 8
        | Light.screen(mean(pixel, 2));
  }
}
