package kite.render.sample;

/**
 * Pairs of numbers for the samples of a pixel: for each choice that a ray has a Sobol sequence of
 * its own, scrambled as Owen does and shuffled against the others (Burley, Practical Hash-based
 * Owen Scrambling, JCGT 9(4), 2020). Any first 2^k samples are spread evenly, so that a pixel may
 * stop early; the same pixel, sample and choice give the same numbers wherever they are asked for.
 * Belongs to one thread.
 */
public final class Spread {
  /** Samples of a pixel that are told apart. */
  public static final int MOST = 1 << 15;

  private static final int BYTE = 256;

  /** The second dimension of Sobol's points with its bits reversed, by the index's two bytes. */
  private static final int[] LOW = new int[BYTE], HIGH = new int[BYTE];

  static {
    for (int i = 0; i < BYTE; i++) {
      LOW[i] = Integer.reverse(second(i));
      HIGH[i] = Integer.reverse(second(i << 8));
    }
  }

  /** The second dimension of Sobol's points: the columns of Pascal's triangle modulo two. */
  private static int second(int index) {
    int x = 0;
    for (int i = index, column = 1 << 31; i != 0; i >>>= 1, column ^= column >>> 1)
      if ((i & 1) != 0) x ^= column;
    return x;
  }

  private final int mask;
  private int pixel;
  private int sample;

  /** The pair asked for last, each at least 0 and less than 1. */
  public double x, y;

  /**
   * @param samples of a pixel at the most
   */
  public Spread(int samples) {
    if (samples < 1 || samples > MOST)
      throw new IllegalArgumentException("A pixel has 1 to " + MOST + " samples.");
    mask = Integer.highestOneBit(2 * samples - 1) - 1;
  }

  /** Goes to a sample of a pixel. */
  public void at(int across, int down, int sample) {
    pixel = mix(mix(across * 0x9E3779B9 + 0x7F4A7C15) + down * 0x85EBCA6B);
    this.sample = sample;
  }

  /** Takes the pair for one choice, by its number. */
  public void pair(int choice) {
    int seed = mix(pixel + choice * 0x9E3779B9);
    int index = Integer.reverse(scramble(Integer.reverse(sample), seed)) & mask;
    x = unit(scramble(index, mix(seed ^ 0x52D3C0F5)));
    y = unit(scramble(LOW[index & 255] ^ HIGH[index >>> 8], mix(seed ^ 0x1B56C4E9)));
  }

  private static double unit(int reversed) {
    return (Integer.reverse(reversed) >>> 1) * 0x1.0p-31;
  }

  /**
   * Laine and Karras's permutation with Burley's constants: each bit depends on lower ones alone.
   */
  private static int scramble(int x, int seed) {
    x += seed;
    x ^= x * 0x6C50B47C;
    x ^= x * 0xB82F1E52;
    x ^= x * 0xC7AFE638;
    x ^= x * 0x8D22F6E6;
    return x;
  }

  /** A hash of 32 bits (Wellons, Hash Function Prospector, 2018). */
  private static int mix(int x) {
    x ^= x >>> 16;
    x *= 0x7FEB352D;
    x ^= x >>> 15;
    x *= 0x846CA68B;
    return x ^ x >>> 16;
  }
}
