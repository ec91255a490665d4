package kite.render.trace;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicInteger;

/** Nodes as they are made, by several threads, in blocks that stay where they are. */
final class NodeStore {
  private static final int BLOCK = 256;

  /** A block is whole as soon as another thread sees it. */
  private static final class Block {
    final float[] box = new float[BLOCK * WideTree.WIDTH * TreeBuilder.BOX];
    final int[] link = new int[BLOCK * WideTree.WIDTH];
  }

  private final Block[] blocks;
  private final AtomicInteger used = new AtomicInteger();

  /**
   * @param things each node has two parts at least, so there are no more nodes than that
   */
  NodeStore(int things) {
    blocks = new Block[things / BLOCK + 1];
  }

  int add() {
    int n = used.getAndIncrement(), block = n / BLOCK;
    if (blocks[block] == null) begin(block);
    int at = n % BLOCK * WideTree.WIDTH;
    Arrays.fill(blocks[block].link, at, at + WideTree.WIDTH, WideTree.NOTHING);
    return n;
  }

  private synchronized void begin(int block) {
    if (blocks[block] == null) blocks[block] = new Block();
  }

  private void put(int node, int child, float[] about, int link) {
    int at = node % BLOCK * WideTree.WIDTH + child;
    Block b = blocks[node / BLOCK];
    System.arraycopy(about, 0, b.box, at * TreeBuilder.BOX, TreeBuilder.BOX);
    b.link[at] = link;
  }

  void leaf(int node, int child, float[] about, int from, int count) {
    put(node, child, about, WideTree.leaf(from, count));
  }

  void inner(int node, int child, float[] about, int to) {
    put(node, child, about, to);
  }

  /** All nodes one below the other, as a ray goes through them. */
  WideTree inOrder(int[] number) {
    int n = used.get();
    float[] box = new float[n * WideTree.BOXES];
    int[] link = new int[n * WideTree.WIDTH];
    int[] stack = new int[TreeBuilder.DEPTH * WideTree.WIDTH],
        slot = new int[TreeBuilder.DEPTH * WideTree.WIDTH];
    int top = 0, next = 0;
    stack[top] = 0;
    slot[top++] = -1;
    while (top > 0) {
      int from = stack[--top], to = next++;
      if (slot[top] >= 0) link[slot[top]] = to;
      int at = from % BLOCK * WideTree.WIDTH;
      float[] b = blocks[from / BLOCK].box;
      int[] l = blocks[from / BLOCK].link;
      for (int c = WideTree.WIDTH - 1; c >= 0; c--) {
        int o = to * WideTree.BOXES + c;
        boolean none = l[at + c] == WideTree.NOTHING;
        for (int a = 0; a < 3; a++) {
          box[o + a * WideTree.WIDTH] =
              none ? Float.POSITIVE_INFINITY : b[(at + c) * TreeBuilder.BOX + a];
          box[o + (a + 3) * WideTree.WIDTH] =
              none ? Float.NEGATIVE_INFINITY : b[(at + c) * TreeBuilder.BOX + a + 3];
        }
        link[to * WideTree.WIDTH + c] = l[at + c];
        if (l[at + c] >= 0) {
          stack[top] = l[at + c];
          slot[top++] = to * WideTree.WIDTH + c;
        }
      }
    }
    return new WideTree(box, link, number);
  }
}
