package kite.render.sample;

/**
 * A point of the unit disc for a pair of numbers: what is spread evenly over the square is spread
 * evenly over the disc (Shirley and Chiu, A Low Distortion Map Between Disk and Square, 1997).
 * Belongs to one thread.
 */
public final class Disc {
  public double x, y;

  /**
   * @param u 0 to 1
   * @param v 0 to 1
   */
  public void at(double u, double v) {
    double a = 2 * u - 1, b = 2 * v - 1;
    if (a == 0 && b == 0) {
      x = 0;
      y = 0;
      return;
    }
    boolean wide = Math.abs(a) > Math.abs(b);
    double r = wide ? a : b;
    double turn = wide ? Math.PI / 4 * (b / a) : Math.PI / 2 - Math.PI / 4 * (a / b);
    x = r * Math.cos(turn);
    y = r * Math.sin(turn);
  }
}
