package kite.render.trace;

import java.util.Arrays;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.RecursiveAction;

/**
 * Builds a {@link WideTree} over boxes by the surface-area heuristic in 16 bins (Wald, On fast
 * Construction of SAH-based Bounding Volume Hierarchies, 2007; small parts take 8), each node
 * taking in the largest of its parts until it has eight (Wald, Benthin and Boulos, Getting Rid of
 * Packets, 2008). Boxes are kept together with their numbers and move with them; large parts are
 * built side by side; the tree is the same for any number of threads.
 */
final class TreeBuilder {
  private static final int BINS = 16;

  /** Bins of a part with fewer things than {@link #FEW}: more would be empty for the most part. */
  private static final int FEWER_BINS = 8;

  private static final int FEW = 64;

  /** Floats of a box: least x, y, z, most x, y, z. */
  static final int BOX = 6;

  /** Parts smaller than this are not worth another thread. */
  private static final int FORK = 8192;

  /** Deeper than this, parts are halved whatever their boxes are: no tree grows without bound. */
  private static final int HALVE_BELOW = 40;

  /** Levels that a tree can have: those by cost, then those by halving two thousand million. */
  static final int DEPTH = HALVE_BELOW + 32;

  private final int leaf;
  private final float[] box;
  private final int[] number;
  private final NodeStore nodes;

  /** What one thread needs to look at a part and to split it. */
  private static final class Scratch {
    final float[] bin = new float[3 * BINS * BOX];
    final int[] count = new int[3 * BINS];
    final float[] sweep = new float[BOX];
    final double[] cost = new double[BINS];
  }

  private static final ThreadLocal<Scratch> SCRATCH = ThreadLocal.withInitial(Scratch::new);

  /**
   * @param box six floats for each thing; they are put into another order
   * @param leaf the most things that a leaf has
   */
  private TreeBuilder(float[] box, int leaf) {
    this.box = box;
    this.leaf = leaf;
    number = new int[box.length / BOX];
    nodes = new NodeStore(number.length);
    for (int i = 0; i < number.length; i++) number[i] = i;
  }

  /**
   * @param box six floats for each thing, least then most; they are put into another order
   * @param leaf the most things that a leaf has
   */
  static WideTree build(float[] box, int leaf) {
    TreeBuilder b = new TreeBuilder(box, leaf);
    int n = b.number.length;
    if (n == 0) return WideTree.EMPTY;
    Part all = new Part(0, n);
    all.measure(box);
    int root = b.nodes.add();
    if (n > FORK) ForkJoinPool.commonPool().invoke(b.new Fork(root, all, 0));
    else b.node(root, all, 0);
    return b.nodes.inOrder(b.number);
  }

  /** A stretch of the things, with the box about them and the box about their middles (doubled). */
  private static final class Part {
    int from;
    int to;
    final float[] about = new float[BOX];
    final float[] middles = new float[BOX];

    Part(int from, int to) {
      this.from = from;
      this.to = to;
    }

    int count() {
      return to - from;
    }

    void measure(float[] box) {
      empty(about);
      empty(middles);
      for (int i = from; i < to; i++) take(box, i * BOX);
    }

    void take(float[] box, int o) {
      for (int a = 0; a < 3; a++) {
        float least = box[o + a], most = box[o + 3 + a], middle = least + most;
        if (least < about[a]) about[a] = least;
        if (most > about[a + 3]) about[a + 3] = most;
        if (middle < middles[a]) middles[a] = middle;
        if (middle > middles[a + 3]) middles[a + 3] = middle;
      }
    }
  }

  private final class Fork extends RecursiveAction {
    private static final long serialVersionUID = 1;
    private final int node;
    private final transient Part part;
    private final int depth;

    Fork(int node, Part part, int depth) {
      this.node = node;
      this.part = part;
      this.depth = depth;
    }

    @Override
    protected void compute() {
      node(node, part, depth);
    }
  }

  /** Makes a node of a part: up to eight parts of it, each a leaf or a node of its own. */
  private void node(int node, Part whole, int depth) {
    Part[] parts = new Part[WideTree.WIDTH];
    int n = 1;
    parts[0] = whole;
    while (n < WideTree.WIDTH) {
      int widest = -1;
      double most = -1;
      for (int i = 0; i < n; i++) {
        if (parts[i].count() > leaf && area(parts[i].about, 0) > most) {
          most = area(parts[i].about, 0);
          widest = i;
        }
      }
      if (widest < 0) break;
      parts[n++] = split(parts[widest], depth);
    }
    Fork[] forks = new Fork[n];
    for (int i = 0; i < n; i++) {
      Part p = parts[i];
      if (p.count() <= leaf) {
        nodes.leaf(node, i, p.about, p.from, p.count());
        continue;
      }
      int child = nodes.add();
      nodes.inner(node, i, p.about, child);
      if (p.count() > FORK) forks[i] = (Fork) new Fork(child, p, depth + 1).fork();
      else node(child, p, depth + 1);
    }
    for (Fork f : forks) if (f != null) f.join();
  }

  /** Parts a stretch in two: what stays is the first, what is given the second. */
  private Part split(Part p, int depth) {
    Scratch s = SCRATCH.get();
    int best = depth < HALVE_BELOW ? plane(p, s) : -1;
    Part second = new Part(p.from, p.to);
    if (best < 0) {
      second.from = (p.from + p.to) / 2;
      p.to = second.from;
      p.measure(box);
      second.measure(box);
      return second;
    }
    int bins = bins(p), axis = best / bins, bin = best % bins;
    float low = p.middles[axis], k = scale(p, axis, bins);
    int i = p.from, j = p.to - 1;
    empty(p.about);
    empty(p.middles);
    empty(second.about);
    empty(second.middles);
    while (i <= j) {
      int o = i * BOX;
      if (bin(box[o + axis] + box[o + 3 + axis], low, k, bins) < bin) {
        p.take(box, o);
        i++;
      } else {
        second.take(box, o);
        swap(i, j--);
      }
    }
    second.from = i;
    p.to = i;
    return second;
  }

  private void swap(int i, int j) {
    if (i == j) return;
    for (int a = 0; a < BOX; a++) {
      float x = box[i * BOX + a];
      box[i * BOX + a] = box[j * BOX + a];
      box[j * BOX + a] = x;
    }
    int n = number[i];
    number[i] = number[j];
    number[j] = n;
  }

  private static int bins(Part p) {
    return p.count() < FEW ? FEWER_BINS : BINS;
  }

  private static float scale(Part p, int axis, int bins) {
    float size = p.middles[axis + 3] - p.middles[axis];
    float k = bins / size;
    return k < Float.POSITIVE_INFINITY ? k : 0; // all middles in one place: one bin
  }

  private static int bin(float middle, float low, float k, int bins) {
    return Math.min(bins - 1, (int) (k * (middle - low)));
  }

  /** The cheapest plane as axis × bins + bin of the second part; −1 where nothing can be parted. */
  private int plane(Part p, Scratch s) {
    int bins = bins(p);
    float kx = scale(p, 0, bins), ky = scale(p, 1, bins), kz = scale(p, 2, bins);
    float lx = p.middles[0], ly = p.middles[1], lz = p.middles[2];
    Arrays.fill(s.count, 0, 3 * bins, 0);
    for (int i = 0; i < 3 * bins * BOX; i += BOX) {
      s.bin[i] = s.bin[i + 1] = s.bin[i + 2] = Float.POSITIVE_INFINITY;
      s.bin[i + 3] = s.bin[i + 4] = s.bin[i + 5] = Float.NEGATIVE_INFINITY;
    }
    for (int i = p.from; i < p.to; i++) {
      int o = i * BOX;
      float x = box[o], y = box[o + 1], z = box[o + 2];
      float u = box[o + 3], v = box[o + 4], w = box[o + 5];
      grow(s, bin(x + u, lx, kx, bins), x, y, z, u, v, w);
      grow(s, bins + bin(y + v, ly, ky, bins), x, y, z, u, v, w);
      grow(s, 2 * bins + bin(z + w, lz, kz, bins), x, y, z, u, v, w);
    }
    int best = -1, all = p.count();
    double least = Double.POSITIVE_INFINITY;
    for (int axis = 0; axis < 3; axis++) {
      empty(s.sweep);
      int n = 0, first = axis * bins;
      for (int i = 0; i < bins - 1; i++) {
        n += s.count[first + i];
        join(s, first + i);
        s.cost[i] = n == 0 ? 0 : area(s.sweep, 0) * n;
      }
      empty(s.sweep);
      n = 0;
      for (int i = bins - 1; i > 0; i--) {
        n += s.count[first + i];
        join(s, first + i);
        if (n == 0 || n == all) continue;
        double cost = s.cost[i - 1] + area(s.sweep, 0) * n;
        if (cost < least) {
          least = cost;
          best = first + i;
        }
      }
    }
    return best;
  }

  private static void grow(
      Scratch s, int bin, float x, float y, float z, float u, float v, float w) {
    s.count[bin]++;
    float[] b = s.bin;
    int o = bin * BOX;
    if (x < b[o]) b[o] = x;
    if (y < b[o + 1]) b[o + 1] = y;
    if (z < b[o + 2]) b[o + 2] = z;
    if (u > b[o + 3]) b[o + 3] = u;
    if (v > b[o + 4]) b[o + 4] = v;
    if (w > b[o + 5]) b[o + 5] = w;
  }

  private static void join(Scratch s, int bin) {
    for (int a = 0; a < 3; a++) {
      s.sweep[a] = Math.min(s.sweep[a], s.bin[bin * BOX + a]);
      s.sweep[a + 3] = Math.max(s.sweep[a + 3], s.bin[bin * BOX + a + 3]);
    }
  }

  static void empty(float[] b) {
    for (int i = 0; i < 3; i++) {
      b[i] = Float.POSITIVE_INFINITY;
      b[i + 3] = Float.NEGATIVE_INFINITY;
    }
  }

  /** Half the surface of a box. */
  static double area(float[] b, int o) {
    double x = b[o + 3] - b[o], y = b[o + 4] - b[o + 1], z = b[o + 5] - b[o + 2];
    return x * y + y * z + z * x;
  }
}
