package kite.render.trace;

/**
 * A mesh for rays: a hierarchy whose leaves are blocks of up to eight triangles. Immutable, shared
 * by threads, frames and instances.
 */
public final class MeshTree {
  /** Triangles of a block. */
  static final int LANES = 8;

  /** Floats of a block: x of the first corners, their y, their z, then those of the others. */
  static final int BLOCK = 9 * LANES;

  /** Triangles of a leaf. */
  private static final int LEAF = LANES;

  /**
   * By how much boxes are made larger, as a share of the farthest coordinate: what single precision
   * loses there, so that a triangle that lies in the side of its box is never missed.
   */
  private static final float MARGIN = 1.2e-7f;

  final float[] box;
  final int[] link;

  /** Blocks of triangles; where a block has fewer than eight, what is not a number. */
  final float[] corner;

  /** For each lane of each block, which triangle it is. */
  final int[] triangle;

  private final int triangles;

  /** The box about all of it. */
  private final float[] about = new float[TreeBuilder.BOX];

  private MeshTree(float[] box, int[] link, float[] corner, int[] triangle, int triangles) {
    this.box = box;
    this.link = link;
    this.corner = corner;
    this.triangle = triangle;
    this.triangles = triangles;
    TreeBuilder.empty(about);
    if (!isEmpty()) join(0, about, 0);
  }

  /**
   * @param positions x, y, z of each corner
   * @param indices three corners for each triangle; a corner that is not finite leaves its triangle
   *     out
   */
  public static MeshTree of(float[] positions, int[] indices) {
    int n = indices.length / 3;
    if (n >= WideTree.MOST)
      throw new IllegalArgumentException("A mesh has at most " + WideTree.MOST + " triangles.");
    int[] kept = new int[n];
    float[] box = new float[n * TreeBuilder.BOX];
    float far = 0;
    int k = 0;
    for (int i = 0; i < n; i++) {
      int o = k * TreeBuilder.BOX;
      float reach = about(positions, indices, i * 3, box, o);
      if (!(reach < Float.POSITIVE_INFINITY)) continue;
      far = Math.max(far, reach);
      kept[k++] = i;
    }
    if (k < n) box = java.util.Arrays.copyOf(box, k * TreeBuilder.BOX);
    WideTree t = TreeBuilder.build(box, LEAF);
    widen(t.box(), far * MARGIN);
    return blocks(t, positions, indices, kept, k);
  }

  /** Writes the box about a triangle; gives its farthest coordinate. */
  private static float about(float[] p, int[] indices, int first, float[] box, int o) {
    int a = indices[first] * 3, b = indices[first + 1] * 3, c = indices[first + 2] * 3;
    float reach = 0;
    for (int i = 0; i < 3; i++) {
      float x = p[a + i], y = p[b + i], z = p[c + i];
      box[o + i] = Math.min(x, Math.min(y, z));
      box[o + i + 3] = Math.max(x, Math.max(y, z));
      reach = Math.max(reach, Math.max(-box[o + i], box[o + i + 3]));
    }
    return reach;
  }

  private static void widen(float[] box, float by) {
    for (int i = 0; i < box.length; i++)
      box[i] += i % WideTree.BOXES < WideTree.BOXES / 2 ? -by : by;
  }

  /** The box about a node's children, into {@code to}. */
  private void join(int node, float[] to, int at) {
    for (int side = 0; side < TreeBuilder.BOX; side++) {
      int o = node * WideTree.BOXES + side * WideTree.WIDTH;
      float x = box[o];
      for (int c = 1; c < WideTree.WIDTH; c++)
        x = side < 3 ? Math.min(x, box[o + c]) : Math.max(x, box[o + c]);
      to[at + side] = x;
    }
  }

  /**
   * The same triangles with their corners elsewhere, in the same hierarchy: much quicker than a new
   * one, and as good for as long as neighbours stay neighbours.
   *
   * @param positions as many as before
   * @param indices the same as before
   */
  public MeshTree refitted(float[] positions, int[] indices) {
    float[] corners = new float[corner.length];
    float far = 0;
    for (int lane = 0; lane < triangle.length; lane++) {
      int which = triangle[lane], o = lane / LANES * BLOCK + lane % LANES;
      for (int c = 0; c < 9; c++) {
        float x = which < 0 ? Float.NaN : positions[indices[which * 3 + c / 3] * 3 + c % 3];
        corners[o + c * LANES] = x;
        if (Math.abs(x) > far && Math.abs(x) < Float.POSITIVE_INFINITY) far = Math.abs(x);
      }
    }
    MeshTree t = new MeshTree(box.clone(), link, corners, triangle, triangles);
    t.fit(far * MARGIN);
    return t;
  }

  /** Fits all boxes, those farthest down first: a node's children come after it. */
  private void fit(float margin) {
    float[] b = new float[TreeBuilder.BOX];
    for (int i = link.length - 1; i >= 0; i--) {
      if (link[i] == WideTree.NOTHING) continue;
      if (link[i] >= 0) join(link[i], b, 0);
      else aboutBlock(WideTree.from(link[i]), WideTree.count(link[i]), margin, b);
      int o = i / WideTree.WIDTH * WideTree.BOXES + i % WideTree.WIDTH;
      for (int side = 0; side < TreeBuilder.BOX; side++) box[o + side * WideTree.WIDTH] = b[side];
    }
    if (!isEmpty()) join(0, about, 0);
  }

  private void aboutBlock(int block, int count, float margin, float[] b) {
    TreeBuilder.empty(b);
    for (int c = 0; c < 9; c++)
      for (int lane = 0; lane < count; lane++) {
        float x = corner[block * BLOCK + c * LANES + lane];
        // a corner that is nowhere leaves the box as it is
        if (x - margin < b[c % 3]) b[c % 3] = x - margin;
        if (x + margin > b[c % 3 + 3]) b[c % 3 + 3] = x + margin;
      }
  }

  /**
   * What a ray through the box about it meets on the average, in boxes and blocks (MacDonald and
   * Booth, Heuristics for ray tracing using space subdivision, 1990).
   */
  public double cost() {
    double whole = TreeBuilder.area(about, 0), sum = 0;
    if (!(whole > 0)) return 0;
    float[] b = new float[TreeBuilder.BOX];
    for (int i = 0; i < link.length; i++) {
      if (link[i] == WideTree.NOTHING) continue;
      int o = i / WideTree.WIDTH * WideTree.BOXES + i % WideTree.WIDTH;
      for (int side = 0; side < TreeBuilder.BOX; side++) b[side] = box[o + side * WideTree.WIDTH];
      sum += TreeBuilder.area(b, 0);
    }
    return 1 + sum / whole;
  }

  float[] about() {
    return about;
  }

  private static MeshTree blocks(
      WideTree t, float[] positions, int[] indices, int[] kept, int triangles) {
    int leaves = 0;
    int[] link = t.link();
    for (int l : link) if (l < WideTree.NOTHING) leaves++;
    float[] corner = new float[leaves * BLOCK];
    int[] triangle = new int[leaves * LANES];
    int block = 0;
    for (int i = 0; i < link.length; i++) {
      if (link[i] >= WideTree.NOTHING) continue;
      int from = WideTree.from(link[i]), count = WideTree.count(link[i]);
      for (int lane = 0; lane < LANES; lane++) {
        int which = lane < count ? kept[t.number()[from + lane]] : -1;
        triangle[block * LANES + lane] = which;
        for (int c = 0; c < 3; c++)
          for (int a = 0; a < 3; a++)
            corner[block * BLOCK + (c * 3 + a) * LANES + lane] =
                which < 0 ? Float.NaN : positions[indices[which * 3 + c] * 3 + a];
      }
      link[i] = WideTree.leaf(block++, count);
    }
    return new MeshTree(t.box(), link, corner, triangle, triangles);
  }

  public int triangles() {
    return triangles;
  }

  int blocks() {
    return triangle.length / LANES;
  }

  boolean isEmpty() {
    return link.length == 0;
  }

  /** What it takes in memory. */
  public long bytes() {
    return 4L * (box.length + link.length + corner.length + triangle.length);
  }
}
