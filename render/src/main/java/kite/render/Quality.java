package kite.render;

import kite.render.sample.Spread;

/**
 * How finely a picture is rendered.
 *
 * @param samples lens rays for each pixel at the most
 * @param error once a pixel's standard error is no more than this, in steps of 8 bits on the
 *     screen, it has rays enough; 0 for all of them in every pixel
 */
public record Quality(int samples, double error) {
  /**
   * The error at which a pixel has enough, of pictures with one ray for each pixel: with four times
   * as many it is half of it. A pixel of middling noise then has about as much left as the others.
   */
  private static final double ENOUGH = 20;

  public Quality {
    if (samples < 1 || samples > Spread.MOST)
      throw new IllegalArgumentException("A pixel has 1 to " + Spread.MOST + " lens rays.");
    if (!(error >= 0)) throw new IllegalArgumentException("An error is no less than 0.");
  }

  /** As many rays in every pixel. */
  public static Quality exact(int samples) {
    return new Quality(samples, 0);
  }

  /** Up to so many rays, fewer where the picture is calm. */
  public static Quality upTo(int samples) {
    return new Quality(samples, ENOUGH / Math.sqrt(samples));
  }
}
