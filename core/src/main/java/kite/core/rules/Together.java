package kite.core.rules;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.Set;
import kite.core.document.Entity;
import kite.core.document.Piece;
import kite.core.document.Sequence;

/** What belongs together when things leave a sequence, and the ids they come under elsewhere. */
public final class Together {
  private Together() {}

  /**
   * Things with what is nested in them and all that they lean on, in the order they are reached.
   */
  public static Set<String> of(Sequence s, Collection<String> ids) {
    Set<String> taken = new LinkedHashSet<>();
    Deque<String> todo = new ArrayDeque<>(ids);
    while (!todo.isEmpty()) {
      String id = todo.poll();
      Entity e = s.get(id);
      if (e == null || !taken.add(id)) continue;
      for (Reference r : References.of(e)) todo.add(r.to());
      if (e instanceof Piece)
        for (Piece p : s.all(Piece.class)) if (id.equals(p.parent())) todo.add(p.id());
    }
    return taken;
  }

  /** An id that is free in a sequence, and not among others: the same, or with a number. */
  public static String freeId(Sequence into, Collection<String> others, String id) {
    Set<String> taken = new HashSet<>(others);
    String free = id;
    for (int n = 2; into.get(free) != null || taken.contains(free); n++) free = id + "-" + n;
    return free;
  }
}
