package kite.render.trace;

/**
 * Finds what a ray meets in a mesh. Two ways give the same hits to the last digit: one by the JDK's
 * vector module where the running JVM has it, one in plain code.
 */
abstract class MeshTracer {
  /**
   * By how much a box's far side is taken farther than computed: more than what rounding does to a
   * side's distance and to that of a corner that lies in it (Ize, Robust BVH Ray Traversal, 2013).
   */
  static final float FARTHER = 1 + 1e-6f;

  /** The quicker of those that run here. */
  static final MeshTracer BEST = best();

  /** By its name, since where the module is missing it cannot even be loaded. */
  private static MeshTracer best() {
    if (ModuleLayer.boot().findModule("jdk.incubator.vector").isEmpty()) return new PlainTracer();
    try {
      return (MeshTracer)
          Class.forName("kite.render.trace.VectorTracer").getDeclaredConstructor().newInstance();
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("The tracer by vectors is not in this build.", e);
    }
  }

  /**
   * Shortens the ray to the first triangle of a mesh that it meets and says which; with {@code
   * any}, to one that it meets.
   *
   * @return whether it met one
   */
  abstract boolean trace(MeshTree m, Probe p, boolean any);

  /**
   * Shortens the ray to the nearest triangle of a block that it meets and says which.
   *
   * @return whether it met one
   */
  abstract boolean meets(MeshTree mesh, Probe p, int block);

  /**
   * Puts those children of a node that the ray enters upon a stack, the nearest on top.
   *
   * @param entry how far it is to what is on the stack
   * @param top how many are on it
   * @return how many are on it now
   */
  abstract int open(
      float[] box, int[] links, int node, Probe p, int[] stack, float[] entry, int top);
}
