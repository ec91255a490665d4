package kite.core.rules;

import java.util.Iterator;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.document.Sequence;

/**
 * What an edit did: the touched entities before and after. An entity in only one of the maps was
 * added or taken away. Headers are null when untouched.
 */
public record Change(
    Map<String, Entity> before,
    Map<String, Entity> after,
    @OrNull Header headerBefore,
    @OrNull Header headerAfter) {

  public static Change between(Sequence a, Sequence b) {
    Map<String, Entity> before = new TreeMap<>(), after = new TreeMap<>();
    // both are in order of id: one walk over the two
    Iterator<Entity> was = a.entities().values().iterator(), is = b.entities().values().iterator();
    Entity old = next(was), now = next(is);
    while (old != null || now != null) {
      int order =
          old == null ? 1 : now == null ? -1 : old == now ? 0 : old.id().compareTo(now.id());
      if (order != 0 || old != now && !old.equals(now)) {
        if (order <= 0) before.put(old.id(), old);
        if (order >= 0) after.put(now.id(), now);
      }
      if (order <= 0) old = next(was);
      if (order >= 0) now = next(is);
    }
    boolean same = a.header() == b.header() || a.header().equals(b.header());
    return new Change(before, after, same ? null : a.header(), same ? null : b.header());
  }

  private static Entity next(Iterator<Entity> all) {
    return all.hasNext() ? all.next() : null;
  }

  /** Ids of every entity touched; "header" stands for the header. */
  public Set<String> touched() {
    Set<String> ids = new TreeSet<>(before.keySet());
    ids.addAll(after.keySet());
    if (headerAfter != null) ids.add("header");
    return ids;
  }

  /** Whether anything was added, taken away, made another kind, or refers to something else. */
  public boolean relinks() {
    if (!before.keySet().equals(after.keySet())) return true;
    for (Map.Entry<String, Entity> e : before.entrySet()) {
      Entity now = after.get(e.getKey());
      if (now.getClass() != e.getValue().getClass()
          || !References.of(now).equals(References.of(e.getValue()))) return true;
    }
    return false;
  }

  public boolean isEmpty() {
    return before.isEmpty() && after.isEmpty() && headerAfter == null;
  }
}
