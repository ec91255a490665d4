package kite.core.delta;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.document.Entity;

/** All that one or more deltas changed, to be asked whether another would change the same. */
public final class Footprint {
  private final Map<String, Set<List<String>>> fields = new HashMap<>();

  /** Ways to the fields, without their last steps: a change of one of these contains them. */
  private final Map<String, Set<List<String>>> above = new HashMap<>();

  /** Things that came or went. */
  private final Set<String> whole = new HashSet<>();

  public void add(Delta d) {
    for (Entity e : d.added()) whole.add(e.id());
    for (Entity e : d.removed()) whole.add(e.id());
    for (FieldChange c : d.fields()) {
      fields.computeIfAbsent(c.id(), x -> new HashSet<>()).add(c.path());
      Set<List<String>> to = above.computeIfAbsent(c.id(), x -> new HashSet<>());
      for (int i = 0; i < c.path().size(); i++) to.add(c.path().subList(0, i));
    }
  }

  /**
   * The first field that a delta changes as well, or that is part of one it changes or it of that;
   * one with an empty path where a thing came or went. Null where the two have nothing in common.
   */
  public FieldChange meets(Delta d) {
    for (Entity e : d.added()) if (touched(e.id())) return thing(e.id());
    for (Entity e : d.removed()) if (touched(e.id())) return thing(e.id());
    for (FieldChange c : d.fields()) {
      if (whole.contains(c.id())) return thing(c.id());
      Set<List<String>> same = fields.get(c.id());
      if (same == null) continue;
      if (same.contains(c.path()) || above.get(c.id()).contains(c.path())) return c;
      for (int i = 1; i < c.path().size(); i++) if (same.contains(c.path().subList(0, i))) return c;
    }
    return null;
  }

  private boolean touched(String id) {
    return whole.contains(id) || fields.containsKey(id);
  }

  private static FieldChange thing(String id) {
    return new FieldChange(id, List.of(), null, null);
  }
}
