package kite.core.document;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** Names for many new things, one after the other, each free of all before it. */
public final class FreeNames {
  private final Set<String> taken = new HashSet<>();

  /** The number to try next, by stem: those before are taken. */
  private final Map<String, Integer> next = new HashMap<>();

  public FreeNames(Sequence s) {
    for (Entity e : s.entities().values()) taken.add(e.name());
  }

  /** The name, or when it is taken its stem with the first number from 2 that is free. */
  public String take(String name) {
    if (taken.add(name)) return name;
    String stem = name.replaceAll(" [0-9]+$", "");
    int i = next.getOrDefault(stem, 2);
    while (!taken.add(stem + " " + i)) i++;
    next.put(stem, i + 1);
    return stem + " " + i;
  }
}
