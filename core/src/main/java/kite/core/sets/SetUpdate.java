package kite.core.sets;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kite.core.command.BackTo;
import kite.core.delta.Delta;
import kite.core.delta.FieldChange;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.FreeNames;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.core.rules.Change;
import kite.core.rules.Reference;
import kite.core.rules.References;
import kite.core.rules.Together;

/**
 * Taking another version of a placed set. What has changed between the two versions changes here;
 * what this sequence has made of the set stays, and so does what others in it use although the set
 * has it no more.
 *
 * @param says what it does, what stays, and why, in short sentences
 */
public record SetUpdate(Change change, List<String> says) {
  /**
   * @param placed the id of the placing
   * @param was the version that stands here
   * @param next the version to take
   */
  public static SetUpdate of(
      Sequence now, String placed, Sequence was, Sequence next, int version) {
    PlacedSet p = SharedSet.need(now, placed);
    Map<String, String> ids = new TreeMap<>(p.ids());
    for (String id : next.entities().keySet())
      if (!ids.containsKey(id)) ids.put(id, Together.freeId(now, ids.values(), id));
    FreeNames names = new FreeNames(now);
    Sequence from = SharedSet.renamed(was, ids).with(now.header());
    Sequence to = SharedSet.renamed(next, ids).with(now.header());
    for (Entity here : now.entities().values()) {
      Entity then = from.get(here.id()), later = to.get(here.id());
      if (then == null || !SharedSet.isGiven(here.name(), then.name())) continue;
      from = from.with(then.withName(here.name()));
      if (later != null)
        to =
            to.with(
                later.withName(
                    SharedSet.isGiven(here.name(), later.name())
                        ? here.name()
                        : names.take(later.name())));
    }
    Delta.Fit fit = Delta.of(Change.between(from, to)).fitting(now);
    List<Entity> come = new ArrayList<>(), go = new ArrayList<>();
    for (Entity e : fit.fits().added()) come.add(e.withName(names.take(e.name())));
    Sequence changed = new Delta(fit.fits().fields(), come, List.of()).after(now);
    Map<String, String> used = usedStill(changed, fit.fits().removed());
    for (Entity e : fit.fits().removed()) if (!used.containsKey(e.id())) go.add(e);
    Sequence after = new Delta(List.of(), List.of(), go).after(changed);
    ids.keySet().retainAll(next.entities().keySet());
    after =
        after.with(
            SharedSet.with(now.header(), new PlacedSet(p.id(), p.set(), p.name(), version, ids)));
    List<String> says =
        new ArrayList<>(BackTo.sentences(Change.between(now, after.with(now.header()))));
    says.addAll(stays(now, fit, used));
    return new SetUpdate(Change.between(now, after), says);
  }

  /** Things that would go although something that stays uses them: with who that is. */
  private static Map<String, String> usedStill(Sequence now, Collection<Entity> removed) {
    Set<String> going = new LinkedHashSet<>();
    for (Entity e : removed) going.add(e.id());
    Map<String, String> used = new TreeMap<>();
    for (boolean more = true; more; ) {
      more = false;
      for (Entity user : now.entities().values()) {
        if (going.contains(user.id())) continue;
        for (Reference r : References.of(user))
          if (going.remove(r.to())) {
            used.put(r.to(), words(user));
            more = true;
          }
      }
    }
    return used;
  }

  private static List<String> stays(Sequence now, Delta.Fit fit, Map<String, String> used) {
    List<String> all = new ArrayList<>();
    Set<String> own = new LinkedHashSet<>();
    for (FieldChange c : fit.left()) {
      Entity e = now.get(c.id());
      if (e != null) own.add(e.name());
    }
    for (Entity e : fit.leftThings()) own.add(e.name());
    if (!own.isEmpty()) all.add("Stays as it was made here: " + String.join(", ", own) + ".");
    for (Map.Entry<String, String> e : used.entrySet())
      all.add(
          "“"
              + now.get(e.getKey()).name()
              + "” is in the set no more, but "
              + e.getValue()
              + " uses it: it stays, as this sequence’s own.");
    return all;
  }

  private static String words(Entity e) {
    return e instanceof Camera c ? "camera " + c.letter() + " " + c.name() : "“" + e.name() + "”";
  }
}
