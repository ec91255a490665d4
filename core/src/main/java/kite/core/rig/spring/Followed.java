package kite.core.rig.spring;

import java.util.Arrays;

/**
 * What a spring follows, between the samples that are taken of it: cubics through four samples.
 *
 * <p>Where a stretch of one step is smooth, the samples at the steps around it say enough. Where
 * they do not (a key's corner, an ease's end, a tremor) it is sampled more finely, and where it
 * jumps the moment of the jump is closed in on and each side is sampled by itself, so that nothing
 * of a jump is felt before it.
 *
 * <p>The error of a cubic through evenly spaced samples is 3/128 of their fourth difference
 * (Hildebrand, Introduction to Numerical Analysis, 1956).
 */
final class Followed {
  /** Place in metres, then a quaternion. */
  static final int SIZE = 7;

  private static final double OF_FOURTH = 3.0 / 128;

  /** Metres, or a quaternion's numbers (0.002°), that a cubic may be off … */
  private static final double NEAR = 2e-5;

  /** … and this share of how far the stretch goes. */
  private static final double NEAR_SHARE = 1e-3;

  /** A gap with more than this share of all that changes in its stretch may hold a jump. */
  private static final double MOSTLY = 0.6;

  /** Changes smaller than this, metres or a quaternion's numbers, are no jump. */
  private static final double NO_JUMP = 1e-5;

  /**
   * Jumps are found to so many frames: to a micrometre where somebody jumps by a hundred metres.
   */
  private static final double JUMP_FRAMES = 1e-8;

  /** Jumps are taken to be on a whole frame this near to it. */
  private static final double ON_A_FRAME = 2e-8;

  /** Sampling a stretch goes four times as fine, then twice and twice again, up to this. */
  private static final int FINEST = 16;

  /**
   * What goes farther than this in a stretch, metres or a quaternion's numbers, is no finer seen.
   */
  private static final double FAST = 0.5;

  /** A stretch is parted by no more jumps than this, one within the other. */
  private static final int MOST_JUMPS = 2;

  /** The least and the most steps that are kept; powers of two. */
  private static final int FEWEST_KEPT = 64;

  private static final int MOST_KEPT = 512;

  /** Takes samples. */
  interface Source {
    /** Writes place and quaternion at a moment in frames. */
    void sample(double frame, double[] out);
  }

  /**
   * A stretch sampled by itself.
   *
   * @param from frame
   * @param to frame
   * @param gaps how many even gaps there are between its samples
   */
  record Piece(double from, double to, int gaps, double[] samples) {}

  private final Source source;
  private final double origin;
  private final double frames;
  private final int kept;
  private final double[] atSteps;
  private final long[] stepOf;
  private final double[] cubics;
  private final long[] cubicOf;
  private final Piece[][] pieces;
  private final long[] piecesOf;

  /** The last five samples that were looked at, and whether a cubic through them is near enough. */
  private long windowOf;

  private boolean windowIsSmooth;

  private final double[] four = new double[4 * SIZE];
  private final double[] taken = new double[SIZE];

  /** Stands for a stretch whose cubic runs through the samples at the steps around it. */
  private static final Piece[] SMOOTH = {};

  /**
   * @param origin the frame of step 0
   * @param frames how many frames a step is
   * @param span how many steps are gone through for one frame
   */
  Followed(Source source, double origin, double frames, double span) {
    this.source = source;
    this.origin = origin;
    this.frames = frames;
    int most = FEWEST_KEPT;
    while (most < span && most < MOST_KEPT) most *= 2;
    kept = most;
    atSteps = new double[kept * SIZE];
    stepOf = new long[kept];
    cubics = new double[kept * 4 * SIZE];
    cubicOf = new long[kept];
    pieces = new Piece[kept][];
    piecesOf = new long[kept];
    forget();
  }

  void forget() {
    Arrays.fill(stepOf, Long.MIN_VALUE);
    Arrays.fill(cubicOf, Long.MIN_VALUE);
    Arrays.fill(piecesOf, Long.MIN_VALUE);
    windowOf = Long.MIN_VALUE;
  }

  /** Writes the sample at a step. */
  void at(long step, double[] out, int o) {
    System.arraycopy(atSteps, sampled(step), out, o, SIZE);
  }

  /** Where the sample at a step is kept. */
  private int sampled(long step) {
    int place = place(step), at = place * SIZE;
    if (stepOf[place] == step) return at;
    source.sample(origin + step * frames, taken);
    System.arraycopy(taken, 0, atSteps, at, SIZE);
    stepOf[place] = step;
    return at;
  }

  private int place(long step) {
    return (int) (step & (kept - 1));
  }

  /** The pieces of the stretch from a step to the next one; none where it is smooth. */
  Piece[] pieces(long step) {
    int place = place(step);
    if (piecesOf[place] == step) return pieces[place];
    Piece[] found = find(step);
    pieces[place] = found;
    piecesOf[place] = step;
    return found;
  }

  /** Writes the cubic of a smooth stretch, see {@link #toCubic}. */
  void cubic(long step, double[] out) {
    int place = place(step), o = place * 4 * SIZE;
    if (cubicOf[place] != step) {
      for (int i = 0; i < 4; i++) at(step - 1 + i, four, i * SIZE);
      align(four, 4);
      toCubic(four, 0, cubics, o);
      cubicOf[place] = step;
    }
    System.arraycopy(cubics, o, out, 0, 4 * SIZE);
  }

  /** The cubic through four even samples, its argument 0 at the second and 1 at the third. */
  static void toCubic(double[] s, int from, double[] out, int to) {
    int n = SIZE;
    for (int k = 0; k < n; k++) {
      int o = from + k, p = to + k;
      double a = s[o], b = s[o + n], c = s[o + 2 * n], d = s[o + 3 * n];
      out[p] = b;
      out[p + n] = c - a / 3 - b / 2 - d / 6;
      out[p + 2 * n] = (a + c) / 2 - b;
      out[p + 3 * n] = (d - a) / 6 + (b - c) / 2;
    }
  }

  private Piece[] find(long step) {
    // nothing before the first frame is followed
    if (step > 0 && isSmooth(step - 2) && isSmooth(step - 1)) return SMOOTH;
    double[] ends = new double[2 * SIZE];
    at(step, ends, 0);
    at(step + 1, ends, SIZE);
    return refined(origin + step * frames, origin + (step + 1) * frames, ends, 0);
  }

  /** Whether the five samples from a step on are smooth in the gap after their second. */
  private boolean isSmooth(long first) {
    if (first == windowOf) return windowIsSmooth;
    int a = sampled(first),
        b = sampled(first + 1),
        c = sampled(first + 2),
        d = sampled(first + 3),
        e = sampled(first + 4);
    // a quaternion and its opposite are one turn: each is taken on the side of the one before
    double sb = side(a, b), sc = sb * side(b, c), sd = sc * side(c, d), se = sd * side(d, e);
    double[] s = atSteps;
    double far = 0;
    for (int k = 0; k < SIZE; k++)
      far = Math.max(far, Math.abs(s[b + k] - s[c + k] * (k < 3 ? 1 : sc * sb)));
    double near = (NEAR + NEAR_SHARE * far) / OF_FOURTH;
    boolean smooth = true;
    for (int k = 0; k < 3 && smooth; k++)
      smooth = Math.abs(s[a + k] - 4 * s[b + k] + 6 * s[c + k] - 4 * s[d + k] + s[e + k]) <= near;
    for (int k = 3; k < SIZE && smooth; k++)
      smooth =
          Math.abs(
                  s[a + k]
                      - 4 * sb * s[b + k]
                      + 6 * sc * s[c + k]
                      - 4 * sd * s[d + k]
                      + se * s[e + k])
              <= near;
    windowOf = first;
    return windowIsSmooth = smooth;
  }

  /** −1 where two kept quaternions are on opposite sides, else 1. */
  private double side(int i, int j) {
    double[] s = atSteps;
    double dot = 0;
    for (int k = 3; k < SIZE; k++) dot += s[i + k] * s[j + k];
    return dot < 0 ? -1 : 1;
  }

  /**
   * @param ends the samples at both ends, from within
   * @param jumps how often the stretch was parted already
   */
  private Piece[] refined(double from, double to, double[] ends, int jumps) {
    Piece p = new Piece(from, to, 1, ends);
    while (true) {
      p = finer(p);
      if (isSmooth(p)) return new Piece[] {p};
      int gap = jumping(p);
      if (gap >= 0 && jumps < MOST_JUMPS) {
        Piece[] parted = parted(p, gap, jumps + 1);
        if (parted != null) return parted;
      }
      if (p.gaps() >= FINEST || distance(p.samples(), 0, p.samples(), p.gaps() * SIZE) > FAST)
        return new Piece[] {p};
    }
  }

  private Piece finer(Piece p) {
    int times = p.gaps() == 1 ? 4 : 2, gaps = p.gaps() * times;
    double[] all = new double[(gaps + 1) * SIZE], one = new double[SIZE];
    for (int i = 0; i <= gaps; i++) {
      if (i % times == 0) {
        System.arraycopy(p.samples(), i / times * SIZE, all, i * SIZE, SIZE);
      } else {
        source.sample(p.from() + (p.to() - p.from()) * i / gaps, one);
        System.arraycopy(one, 0, all, i * SIZE, SIZE);
      }
    }
    align(all, gaps + 1);
    return new Piece(p.from(), p.to(), gaps, all);
  }

  /** Cubics at a stretch's ends are off by more than in its middle, so they must be nearer. */
  private static boolean isSmooth(Piece p) {
    double[] s = p.samples();
    double near = NEAR + NEAR_SHARE * distance(s, 0, s, p.gaps() * SIZE);
    for (int i = 0; i + 4 <= p.gaps(); i++) if (!isSmooth(s, i, near / 2)) return false;
    return true;
  }

  private static boolean isSmooth(double[] s, int first, double near) {
    for (int k = 0; k < SIZE; k++) {
      int o = first * SIZE + k;
      double fourth =
          s[o] - 4 * s[o + SIZE] + 6 * s[o + 2 * SIZE] - 4 * s[o + 3 * SIZE] + s[o + 4 * SIZE];
      if (Math.abs(fourth) * OF_FOURTH > near) return false;
    }
    return true;
  }

  /** The gap that may hold a jump, or −1. */
  private static int jumping(Piece p) {
    double sum = 0, most = 0;
    int at = -1;
    for (int i = 0; i < p.gaps(); i++) {
      double d = distance(p.samples(), i * SIZE, p.samples(), (i + 1) * SIZE);
      sum += d;
      if (d <= most) continue;
      most = d;
      at = i;
    }
    return most > MOSTLY * sum && most > NO_JUMP ? at : -1;
  }

  private static double distance(double[] a, int i, double[] b, int j) {
    double most = 0;
    for (int k = 0; k < SIZE; k++) most = Math.max(most, Math.abs(a[i + k] - b[j + k]));
    return most;
  }

  /** Both sides of a jump in a gap, or null where the gap is only steep. */
  private Piece[] parted(Piece p, int gap, int jumps) {
    double width = (p.to() - p.from()) / p.gaps(), a = p.from() + gap * width, z = a + width;
    double[] left = Arrays.copyOfRange(p.samples(), gap * SIZE, (gap + 1) * SIZE);
    double[] right = Arrays.copyOfRange(p.samples(), (gap + 1) * SIZE, (gap + 2) * SIZE);
    double whole = distance(left, 0, right, 0);
    double[] mid = new double[SIZE];
    while (z - a > JUMP_FRAMES) {
      double m = (a + z) / 2;
      source.sample(m, mid);
      align(left, mid);
      double toLeft = distance(left, 0, mid, 0), toRight = distance(mid, 0, right, 0);
      if (Math.max(toLeft, toRight) < MOSTLY * whole) return null;
      if (toLeft < toRight) {
        a = m;
        System.arraycopy(mid, 0, left, 0, SIZE);
      } else {
        z = m;
        System.arraycopy(mid, 0, right, 0, SIZE);
      }
    }
    if (Math.abs(z - Math.rint(z)) < ON_A_FRAME) z = Math.rint(z);
    double[] before = Arrays.copyOf(p.samples(), 2 * SIZE);
    System.arraycopy(left, 0, before, SIZE, SIZE);
    double[] after = Arrays.copyOf(right, 2 * SIZE);
    System.arraycopy(p.samples(), p.gaps() * SIZE, after, SIZE, SIZE);
    Piece[] first = z - p.from() > ON_A_FRAME ? refined(p.from(), z, before, p, jumps) : SMOOTH;
    Piece[] second = p.to() - z > ON_A_FRAME ? refined(z, p.to(), after, p, jumps) : SMOOTH;
    Piece[] all = Arrays.copyOf(first, first.length + second.length);
    System.arraycopy(second, 0, all, first.length, second.length);
    return all;
  }

  /** A side of a jump, sampled by itself unless it is too short to matter. */
  private Piece[] refined(double from, double to, double[] ends, Piece of, int jumps) {
    if (to - from > (of.to() - of.from()) / FINEST) return refined(from, to, ends, jumps);
    align(ends, 2);
    return new Piece[] {new Piece(from, to, 1, ends)};
  }

  private static void align(double[] s, int count) {
    for (int i = 1; i < count; i++) {
      int a = (i - 1) * SIZE + 3, b = i * SIZE + 3;
      if (s[a] * s[b] + s[a + 1] * s[b + 1] + s[a + 2] * s[b + 2] + s[a + 3] * s[b + 3] < 0)
        for (int k = 0; k < 4; k++) s[b + k] = -s[b + k];
    }
  }

  private static void align(double[] to, double[] s) {
    if (to[3] * s[3] + to[4] * s[4] + to[5] * s[5] + to[6] * s[6] < 0)
      for (int k = 3; k < SIZE; k++) s[k] = -s[k];
  }
}
