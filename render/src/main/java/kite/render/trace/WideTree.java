package kite.render.trace;

/**
 * A hierarchy of boxes, eight to a node. Immutable, shared by threads.
 *
 * @param box for each node the least x of its eight children, then their least y and z, then their
 *     most x, y and z: 48 floats; where there is no child, a box that nothing enters
 * @param link for each child a node, or a {@linkplain #leaf stretch} of things, or {@link #NOTHING}
 * @param number the things in the order of the leaves
 */
record WideTree(float[] box, int[] link, int[] number) {
  /** Children of a node. */
  static final int WIDTH = 8;

  /** Floats of a node's boxes. */
  static final int BOXES = 6 * WIDTH;

  /** No child: a leaf without things. */
  static final int NOTHING = -1;

  /** Bits of a link that say how many things a leaf has. */
  private static final int COUNT_BITS = 4;

  private static final int COUNT = (1 << COUNT_BITS) - 1;

  /** The most things that a leaf can have, and the most that a tree can have. */
  static final int MOST_IN_LEAF = COUNT, MOST = 1 << 27;

  static final WideTree EMPTY = new WideTree(new float[0], new int[0], new int[0]);

  static int leaf(int from, int count) {
    return ~(from << COUNT_BITS | count);
  }

  /** Where the things of a leaf begin. */
  static int from(int link) {
    return ~link >>> COUNT_BITS;
  }

  static int count(int link) {
    return ~link & COUNT;
  }

  int nodes() {
    return link.length / WIDTH;
  }

  boolean isEmpty() {
    return link.length == 0;
  }
}
