package kite.core.rules;

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
    a.differences(
        b,
        (old, now) -> {
          if (old != null && now != null && old.equals(now)) return;
          if (old != null) before.put(old.id(), old);
          if (now != null) after.put(now.id(), now);
        });
    boolean same = a.header() == b.header() || a.header().equals(b.header());
    return new Change(before, after, same ? null : a.header(), same ? null : b.header());
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
