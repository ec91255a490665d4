package kite.core.sets;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import kite.core.document.Entity;
import kite.core.document.FreeNames;
import kite.core.document.Header;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.core.form.EntityJson;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import kite.core.rules.Together;

/** Making sets, and placing them: pieces, marks, lights and layers under ids of the set's own. */
public final class SharedSet {
  private SharedSet() {}

  /**
   * A document of chosen things, with what is nested in them and what they lean on.
   *
   * @throws Refusal when that is nothing, or one of them leans on a camera or path
   */
  public static Sequence document(Sequence s, Collection<String> chosen) {
    Set<String> taken = Together.of(s, chosen);
    for (String id : taken) {
      Entity e = s.get(id);
      if (!belongs(e))
        throw new Refusal(
            "kind",
            id,
            "ids",
            "“"
                + e.name()
                + "” cannot be in a set: pieces, marks, lights and layers can. Leave it out, or let"
                + " go what leans on it.");
    }
    if (taken.isEmpty())
      throw new Refusal("empty", "", "ids", "A set needs something in it. Select it first.");
    Map<String, Entity> all = new TreeMap<>();
    for (String id : taken) all.put(id, s.get(id));
    return new Sequence(s.header().withSets(List.of()), all);
  }

  /** Whether a thing can be in a set. */
  public static boolean belongs(Entity e) {
    return e instanceof Piece || e instanceof Mark || e instanceof Light || e instanceof Layer;
  }

  /** What things a sequence has already become a set's: they are placed where they stand. */
  public static Change made(Sequence now, PlacedSet p) {
    return Change.between(now, now.with(with(now.header(), p)));
  }

  /**
   * Placing a set: its things come under ids and names that are free here.
   *
   * @param p without ids
   */
  public static Change place(Sequence into, Sequence set, PlacedSet p) {
    Map<String, String> ids = new TreeMap<>();
    for (String id : set.entities().keySet()) ids.put(id, Together.freeId(into, ids.values(), id));
    FreeNames names = new FreeNames(into);
    Sequence s = into;
    for (Entity e : renamed(set, ids).entities().values())
      s = s.with(e.withName(names.take(e.name())));
    s = s.with(with(s.header(), new PlacedSet(p.id(), p.set(), p.name(), p.version(), ids)));
    return Change.between(into, s);
  }

  /**
   * What a placed set is in a sequence: to be kept as its next version.
   *
   * @param document under the set's own ids
   * @param ids for each of them, its id in the sequence
   */
  public record Kept(Sequence document, Map<String, String> ids) {}

  /**
   * What a placed set is in this sequence now.
   *
   * @param was the version that stands here
   * @param also further things of the sequence that belong to it from then on
   */
  public static Kept kept(Sequence now, String placed, Sequence was, Collection<String> also) {
    PlacedSet p = need(now, placed);
    Set<String> chosen = new TreeSet<>(also);
    for (String id : p.ids().values()) if (now.get(id) != null) chosen.add(id);
    Sequence here = document(now, chosen);
    Map<String, String> ids = new TreeMap<>(), back = new HashMap<>();
    for (Map.Entry<String, String> e : p.ids().entrySet())
      if (here.get(e.getValue()) != null) {
        ids.put(e.getKey(), e.getValue());
        back.put(e.getValue(), e.getKey());
      }
    for (String id : here.entities().keySet()) {
      if (back.containsKey(id)) continue;
      String own = id;
      for (int n = 2; ids.containsKey(own); n++) own = id + "-" + n;
      ids.put(own, id);
      back.put(id, own);
    }
    Sequence document = renamed(here, back);
    for (Entity e : was.entities().values()) {
      Entity is = document.get(e.id());
      if (is != null && isGiven(is.name(), e.name()))
        document = document.with(is.withName(e.name()));
    }
    return new Kept(document, ids);
  }

  /**
   * Whether a thing is called as it was when it was placed: with another number, where it had to.
   */
  static boolean isGiven(String here, String inSet) {
    return stem(here).equals(stem(inSet));
  }

  private static String stem(String name) {
    return name.replaceFirst(" \\d+$", "");
  }

  /** Says that a placed set was kept as a version of it. */
  public static Change keptAs(
      Sequence now, String placed, Sequence was, Collection<String> also, int version) {
    PlacedSet p = need(now, placed);
    Map<String, String> ids = kept(now, placed, was, also).ids();
    return Change.between(
        now, now.with(with(now.header(), new PlacedSet(p.id(), p.set(), p.name(), version, ids))));
  }

  static PlacedSet need(Sequence s, String placed) {
    for (PlacedSet p : s.header().sets()) if (p.id().equals(placed)) return p;
    throw new Refusal("missing", "", "sets", "That set is not placed here any more.");
  }

  static Header with(Header h, PlacedSet p) {
    List<PlacedSet> all = new ArrayList<>(h.sets());
    all.removeIf(x -> x.id().equals(p.id()));
    all.add(p);
    return h.withSets(all);
  }

  /** The same things under other ids. */
  static Sequence renamed(Sequence s, Map<String, String> ids) {
    Map<String, Entity> all = new TreeMap<>();
    for (Entity e : s.entities().values()) {
      Entity copy = EntityJson.withIds(e, ids);
      all.put(copy.id(), copy);
    }
    return new Sequence(s.header(), all);
  }
}
