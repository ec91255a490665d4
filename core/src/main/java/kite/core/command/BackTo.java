package kite.core.command;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.cut.EarlierCut;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.rules.Change;
import kite.core.rules.Reference;
import kite.core.rules.References;
import kite.core.rules.Refusal;

/**
 * What makes a sequence again what a kept version of it was. The production's standards stay as
 * they are agreed on now.
 */
public final class BackTo {
  /** More names than these in one sentence are a number. */
  private static final int MOST_NAMES = 6;

  private BackTo() {}

  public static Change version(Sequence now, Sequence kept) {
    Sequence then = EarlierCut.asShots(kept);
    return Change.between(now, then.with(then.header().withStandards(now.header().standards())));
  }

  /**
   * What makes one thing again what it was then. What it leans on comes with it where that is gone;
   * what is still there stays as it is now.
   *
   * @throws Refusal when it was not there then
   */
  public static Change thing(Sequence now, Sequence asKept, String id) {
    Sequence then = EarlierCut.asShots(asKept);
    if (then.get(id) == null)
      throw new Refusal("missing", id, "", "It was not there then. Choose a later moment.");
    Sequence s = now;
    Deque<String> todo = new ArrayDeque<>(List.of(id));
    Set<String> seen = new HashSet<>();
    while (!todo.isEmpty()) {
      String next = todo.pop();
      Entity was = then.get(next);
      if (!seen.add(next) || was == null || !next.equals(id) && now.get(next) != null) continue;
      s = s.with(was);
      for (Reference r : References.of(was)) todo.push(r.to());
    }
    return Change.between(now, s);
  }

  /** What such a change does, in at most four short sentences; none when nothing differs. */
  public static List<String> sentences(Change c) {
    List<String> changes = new ArrayList<>(), back = new ArrayList<>(), goes = new ArrayList<>();
    for (Map.Entry<String, Entity> e : c.before().entrySet())
      (c.after().containsKey(e.getKey()) ? changes : goes).add(name(e.getValue()));
    for (Map.Entry<String, Entity> e : c.after().entrySet())
      if (!c.before().containsKey(e.getKey())) back.add(name(e.getValue()));
    List<String> all = new ArrayList<>();
    say(all, "Different: ", changes);
    say(all, "Comes back: ", back);
    say(all, "Goes: ", goes);
    if (c.headerAfter() != null) all.add("The sequence’s own settings change.");
    return all;
  }

  private static String name(Entity e) {
    if (e instanceof Camera c) return "camera " + c.letter() + " " + c.name();
    return e instanceof Shot || e instanceof CutEntry ? "the cut of " + e.name() : e.name();
  }

  private static void say(List<String> all, String what, List<String> names) {
    if (names.isEmpty()) return;
    int more = names.size() - MOST_NAMES;
    List<String> some = names.subList(0, Math.min(MOST_NAMES, names.size()));
    all.add(what + String.join(", ", some) + (more > 0 ? " and " + more + " more" : "") + ".");
  }
}
