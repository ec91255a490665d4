package kite.render;

/**
 * A bounding-volume hierarchy over triangles, split by the surface-area heuristic in 16 bins (Wald,
 * On fast Construction of SAH-based Bounding Volume Hierarchies, 2007). Immutable once built and
 * shared by threads; a ray brings its own stack.
 */
public final class Bvh {
  /** By how much a box may be missed by rounding: two units in the last place (Ize, 2013). */
  private static final double ROUNDING = 4e-16;

  private static final int BINS = 16;
  private static final int LEAF = 4;

  /** Deeper than any tree of a billion triangles; splits that fail end in a larger leaf instead. */
  static final int DEPTH = 64;

  private final float[] corners; // 9 per triangle, in leaf order
  private final int[] triangle; // leaf order to the caller's numbers
  private float[] box; // 6 per node: least then most
  private int[] link; // 2 per node: first child or first triangle, and count (0 for inner nodes)
  private int nodes;
  private final float[] centre;
  private final int[] order;

  public Bvh(Triangles t) {
    int n = t.count;
    order = new int[n];
    centre = new float[n * 3];
    for (int i = 0; i < n; i++) {
      order[i] = i;
      for (int a = 0; a < 3; a++) {
        float p = t.positions[i * 9 + a],
            q = t.positions[i * 9 + 3 + a],
            r = t.positions[i * 9 + 6 + a];
        centre[i * 3 + a] = (Math.min(p, Math.min(q, r)) + Math.max(p, Math.max(q, r))) / 2;
      }
    }
    box = new float[Math.max(1, 2 * n) * 6];
    link = new int[Math.max(1, 2 * n) * 2];
    nodes = 1;
    if (n > 0) build(t, 0, 0, n, 0);
    corners = new float[n * 9];
    triangle = order;
    for (int i = 0; i < n; i++) System.arraycopy(t.positions, order[i] * 9, corners, i * 9, 9);
  }

  private void build(Triangles t, int node, int from, int to, int depth) {
    float[] b = new float[6];
    empty(b);
    float[] c = new float[6];
    empty(c);
    for (int i = from; i < to; i++) {
      grow(b, t.positions, order[i] * 9, 3);
      grow(c, centre, order[i] * 3, 1);
    }
    System.arraycopy(b, 0, box, node * 6, 6);
    int count = to - from,
        split = count <= LEAF || depth >= DEPTH - 2 ? -1 : split(t, from, to, b, c);
    if (split < 0) {
      link[node * 2] = from;
      link[node * 2 + 1] = count;
      return;
    }
    int left = nodes;
    nodes += 2;
    link[node * 2] = left;
    link[node * 2 + 1] = 0;
    build(t, left, from, split, depth + 1);
    build(t, left + 1, split, to, depth + 1);
  }

  /** Sorts [from, to) about the cheapest plane and gives where it parts, or −1 to keep a leaf. */
  private int split(Triangles t, int from, int to, float[] b, float[] c) {
    int bestAxis = -1, bestBin = 0;
    double best = area(b) * (to - from);
    float[][] bins = new float[BINS][6];
    int[] counts = new int[BINS];
    double[] leftCost = new double[BINS];
    for (int axis = 0; axis < 3; axis++) {
      float low = c[axis], size = c[axis + 3] - low;
      if (!(size > 1e-9f)) continue;
      for (int i = 0; i < BINS; i++) {
        empty(bins[i]);
        counts[i] = 0;
      }
      for (int i = from; i < to; i++) {
        int bin = bin(order[i], axis, low, size);
        counts[bin]++;
        grow(bins[bin], t.positions, order[i] * 9, 3);
      }
      float[] sweep = new float[6];
      empty(sweep);
      int n = 0;
      for (int i = 0; i < BINS - 1; i++) {
        if (counts[i] > 0) grow(sweep, bins[i], 0, 2);
        n += counts[i];
        leftCost[i] = n == 0 ? 0 : area(sweep) * n;
      }
      empty(sweep);
      n = 0;
      for (int i = BINS - 1; i > 0; i--) {
        if (counts[i] > 0) grow(sweep, bins[i], 0, 2);
        n += counts[i];
        double cost = leftCost[i - 1] + (n == 0 ? 0 : area(sweep) * n);
        if (n > 0 && n < to - from && cost < best) {
          best = cost;
          bestAxis = axis;
          bestBin = i;
        }
      }
    }
    if (bestAxis < 0) return -1;
    float low = c[bestAxis], size = c[bestAxis + 3] - low;
    int i = from, j = to - 1;
    while (i <= j) {
      if (bin(order[i], bestAxis, low, size) < bestBin) {
        i++;
      } else {
        int swap = order[i];
        order[i] = order[j];
        order[j--] = swap;
      }
    }
    return i;
  }

  private int bin(int tri, int axis, float low, float size) {
    return Math.max(0, Math.min(BINS - 1, (int) (BINS * (centre[tri * 3 + axis] - low) / size)));
  }

  private static void empty(float[] b) {
    for (int i = 0; i < 3; i++) {
      b[i] = Float.POSITIVE_INFINITY;
      b[i + 3] = Float.NEGATIVE_INFINITY;
    }
  }

  private static void grow(float[] b, float[] p, int at, int points) {
    for (int k = 0; k < points; k++) {
      for (int i = 0; i < 3; i++) {
        b[i] = Math.min(b[i], p[at + k * 3 + i]);
        b[i + 3] = Math.max(b[i + 3], p[at + k * 3 + i]);
      }
    }
  }

  private static double area(float[] b) {
    double x = b[3] - b[0], y = b[4] - b[1], z = b[5] - b[2];
    return x * y + y * z + z * x;
  }

  /** A ray and what it met. Reused from ray to ray; belongs to one thread. */
  public static final class Ray {
    double ox, oy, oz, dx, dy, dz;

    /** Reach of the ray, in units of its direction; shortened to the hit. */
    double near, far;

    /** The triangle met, or −1. */
    int hit;

    double u, v;
    private final int[] stack = new int[DEPTH * 2];

    /** Aims the ray; the direction need not be unit. */
    public Ray set(
        double ox, double oy, double oz, double dx, double dy, double dz, double near, double far) {
      this.ox = ox;
      this.oy = oy;
      this.oz = oz;
      this.dx = dx;
      this.dy = dy;
      this.dz = dz;
      this.near = near;
      this.far = far;
      hit = -1;
      return this;
    }
  }

  /** Finds the first triangle along the ray, or with {@code any} just whether there is one. */
  public boolean trace(Ray r, boolean any) {
    if (triangle.length == 0) return false;
    double ix = 1 / r.dx, iy = 1 / r.dy, iz = 1 / r.dz;
    int top = 0, node = 0;
    if (enter(0, r, ix, iy, iz) == Double.POSITIVE_INFINITY) return false;
    while (true) {
      int count = link[node * 2 + 1], first = link[node * 2];
      if (count > 0) {
        for (int i = first; i < first + count; i++) {
          if (meets(i, r) && any) return true;
        }
      } else {
        double a = enter(first, r, ix, iy, iz), b = enter(first + 1, r, ix, iy, iz);
        int nearer = a <= b ? first : first + 1;
        if (Math.min(a, b) != Double.POSITIVE_INFINITY) {
          if (Math.max(a, b) != Double.POSITIVE_INFINITY)
            r.stack[top++] = nearer == first ? first + 1 : first;
          node = nearer;
          continue;
        }
      }
      do {
        if (top == 0) return r.hit >= 0;
        node = r.stack[--top];
      } while (enter(node, r, ix, iy, iz) == Double.POSITIVE_INFINITY);
    }
  }

  /** Where the ray enters a node's box, or infinity when it misses or comes too late. */
  private double enter(int node, Ray r, double ix, double iy, double iz) {
    int o = node * 6;
    double x0 = (box[o] - r.ox) * ix, x1 = (box[o + 3] - r.ox) * ix;
    double y0 = (box[o + 1] - r.oy) * iy, y1 = (box[o + 4] - r.oy) * iy;
    double z0 = (box[o + 2] - r.oz) * iz, z1 = (box[o + 5] - r.oz) * iz;
    double in = r.near, out = r.far;
    if (!(x0 != x0 || x1 != x1)) {
      in = Math.max(in, Math.min(x0, x1));
      out = Math.min(out, Math.max(x0, x1));
    }
    if (!(y0 != y0 || y1 != y1)) {
      in = Math.max(in, Math.min(y0, y1));
      out = Math.min(out, Math.max(y0, y1));
    }
    if (!(z0 != z0 || z1 != z1)) {
      in = Math.max(in, Math.min(z0, z1));
      out = Math.min(out, Math.max(z0, z1));
    }
    return in <= out * (1 + ROUNDING) ? in : Double.POSITIVE_INFINITY;
  }

  /** Möller and Trumbore's test (1997), both faces. */
  private boolean meets(int i, Ray r) {
    int o = i * 9;
    float[] p = corners;
    double ax = p[o], ay = p[o + 1], az = p[o + 2];
    double e1x = p[o + 3] - ax, e1y = p[o + 4] - ay, e1z = p[o + 5] - az;
    double e2x = p[o + 6] - ax, e2y = p[o + 7] - ay, e2z = p[o + 8] - az;
    double hx = r.dy * e2z - r.dz * e2y, hy = r.dz * e2x - r.dx * e2z, hz = r.dx * e2y - r.dy * e2x;
    double det = e1x * hx + e1y * hy + e1z * hz;
    if (det == 0) return false;
    double k = 1 / det, sx = r.ox - ax, sy = r.oy - ay, sz = r.oz - az;
    double u = k * (sx * hx + sy * hy + sz * hz);
    if (u < 0 || u > 1) return false;
    double qx = sy * e1z - sz * e1y, qy = sz * e1x - sx * e1z, qz = sx * e1y - sy * e1x;
    double v = k * (r.dx * qx + r.dy * qy + r.dz * qz);
    if (v < 0 || u + v > 1) return false;
    double t = k * (e2x * qx + e2y * qy + e2z * qz);
    if (!(t > r.near && t < r.far)) return false;
    r.far = t;
    r.u = u;
    r.v = v;
    r.hit = triangle[i];
    return true;
  }
}
