package kite.render;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.Supplier;
import kite.render.trace.MeshTree;

/**
 * Hierarchies of meshes, each built once and kept for the next frame, job or place that has the
 * same mesh; those used longest ago go when there is no more room.
 */
public final class TreeStore {
  private final Cache<Object, MeshTree> trees;

  /**
   * @param bytes of memory that they may take
   */
  public TreeStore(long bytes) {
    trees =
        Caffeine.newBuilder()
            .maximumWeight(bytes)
            .weigher((Object key, MeshTree t) -> (int) Math.min(Integer.MAX_VALUE, t.bytes()))
            .build();
  }

  /** One that holds what a sequence needs. */
  public static TreeStore ofOwn() {
    return new TreeStore(Long.MAX_VALUE / 2);
  }

  /**
   * A hierarchy that is kept, or a new one. It is built outside the store, by threads that may look
   * after the store meanwhile and must not wait for it; two who need one at the same moment both
   * build it.
   *
   * @param key of what the mesh is made of, by value
   */
  MeshTree get(Object key, Supplier<MeshTree> build) {
    MeshTree kept = trees.getIfPresent(key);
    if (kept != null) return kept;
    MeshTree made = build.get();
    trees.put(key, made);
    return made;
  }

  /** How many are kept. */
  public long size() {
    trees.cleanUp();
    return trees.estimatedSize();
  }
}
