package kite.core.rig;

import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.ServiceLoader;
import java.util.TreeMap;

/**
 * The kinds of rig parts there are. They are registered in {@code
 * META-INF/services/kite.core.rig.PartKind}, a line each; everything asks here, nothing else lists
 * them.
 */
public final class PartKinds {
  private static final Map<String, PartKind<?>> ALL = load();

  /** The same for looking up, which compiling a camera does for each of its parts. */
  private static final Map<String, PartKind<?>> BY_WORD = new HashMap<>(ALL);

  private PartKinds() {}

  private static Map<String, PartKind<?>> load() {
    Map<String, PartKind<?>> all = new TreeMap<>();
    // by the class's own loader: a thread's own may know nothing of the application
    ClassLoader ours = PartKinds.class.getClassLoader();
    for (PartKind<?> k : ServiceLoader.load(PartKind.class, ours))
      if (all.put(k.word(), k) != null)
        throw new IllegalStateException("Two kinds of rig part are called “" + k.word() + "”");
    return Collections.unmodifiableMap(all);
  }

  /** All of them, by their words. */
  public static Collection<PartKind<?>> all() {
    return ALL.values();
  }

  /** The kind of that word, or null. */
  public static PartKind<?> named(String word) {
    return BY_WORD.get(word);
  }

  public static PartKind<?> of(RigPart part) {
    return BY_WORD.get(part.kind());
  }
}
