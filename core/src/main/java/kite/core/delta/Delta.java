package kite.core.delta;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.form.EntityJson;
import kite.core.form.SequenceJson;
import kite.core.rules.Change;

/**
 * What an edit did: fields before and after, and things that came or went.
 *
 * @param fields of what was there before and after
 * @param added things that came
 * @param removed things that went, as they were
 */
public record Delta(List<FieldChange> fields, List<Entity> added, List<Entity> removed) {
  /** Stands for the sequence's own settings where an entity is named. */
  public static final String HEADER = "header";

  public Delta {
    fields = List.copyOf(fields);
    added = List.copyOf(added);
    removed = List.copyOf(removed);
  }

  public static Delta of(Change change) {
    List<FieldChange> fields = new ArrayList<>();
    List<Entity> added = new ArrayList<>(), removed = new ArrayList<>();
    for (Map.Entry<String, Entity> e : change.before().entrySet()) {
      Entity now = change.after().get(e.getKey());
      if (now == null) removed.add(e.getValue());
      else if (now.getClass() != e.getValue().getClass()) {
        removed.add(e.getValue());
        added.add(now);
      } else
        FieldTree.diff(
            e.getKey(), List.of(), EntityJson.write(e.getValue()), EntityJson.write(now), fields);
    }
    for (Map.Entry<String, Entity> e : change.after().entrySet())
      if (!change.before().containsKey(e.getKey())) added.add(e.getValue());
    if (change.headerAfter() != null)
      FieldTree.diff(
          HEADER,
          List.of(),
          SequenceJson.write(change.headerBefore()),
          SequenceJson.write(change.headerAfter()),
          fields);
    return new Delta(fields, added, removed);
  }

  public boolean isEmpty() {
    return fields.isEmpty() && added.isEmpty() && removed.isEmpty();
  }

  /** The delta that takes this one back. */
  public Delta turned() {
    List<FieldChange> back = new ArrayList<>();
    // in reverse: a list's order is set when its members are there
    for (int i = fields.size() - 1; i >= 0; i--) back.add(fields.get(i).turned());
    back.sort((a, b) -> Boolean.compare(isOrder(a), isOrder(b)));
    return new Delta(back, removed, added);
  }

  private static boolean isOrder(FieldChange c) {
    return !c.path().isEmpty() && c.path().get(c.path().size() - 1).equals(FieldTree.ORDER);
  }

  /** The sequence after this happened to it: exactly what the edit gave, on what it was made on. */
  public Sequence after(Sequence s) {
    for (Entity e : removed) s = s.without(e.id());
    for (Entity e : added) s = s.with(e);
    for (Map.Entry<String, List<FieldChange>> e : byId().entrySet()) {
      JsonObject was = json(s, e.getKey());
      if (was == null) continue;
      JsonValue now = was;
      for (FieldChange c : e.getValue()) {
        JsonValue next = FieldTree.set(now, c.path(), c.to());
        if (next != null) now = next;
      }
      s = put(s, e.getKey(), now.asObject());
    }
    return s;
  }

  private Map<String, List<FieldChange>> byId() {
    Map<String, List<FieldChange>> all = new LinkedHashMap<>();
    for (FieldChange c : fields) all.computeIfAbsent(c.id(), x -> new ArrayList<>()).add(c);
    return all;
  }

  static JsonObject json(Sequence s, String id) {
    if (id.equals(HEADER)) return SequenceJson.write(s.header());
    Entity e = s.get(id);
    return e == null ? null : EntityJson.write(e);
  }

  private static Sequence put(Sequence s, String id, JsonObject json) {
    return id.equals(HEADER)
        ? s.with(SequenceJson.readHeader(json))
        : s.with(EntityJson.read(json));
  }

  /** How much of a delta still fits a sequence that others went on with. */
  public record Fit(Delta fits, List<FieldChange> left, List<Entity> leftThings) {}

  /**
   * What of this can happen to a sequence without undoing what somebody else did: fields that still
   * are what they were before it, things that still are as they were, to the last digits.
   */
  public Fit fitting(Sequence s) {
    List<FieldChange> fit = new ArrayList<>(), left = new ArrayList<>();
    Map<String, JsonObject> now = new TreeMap<>();
    for (FieldChange c : fields) {
      JsonObject is = now.computeIfAbsent(c.id(), id -> orEmpty(json(s, id)));
      JsonValue value = FieldTree.get(is, c.path());
      if (FieldTree.alike(value, c.from())) fit.add(c);
      else if (!FieldTree.alike(value, c.to()) && !isOrder(c)) left.add(c);
    }
    List<Entity> come = new ArrayList<>(), go = new ArrayList<>(), stay = new ArrayList<>();
    for (Entity e : added) if (s.get(e.id()) == null) come.add(e);
    for (Entity e : removed) {
      Entity is = s.get(e.id());
      if (is == null) continue;
      if (FieldTree.alike(EntityJson.write(is), EntityJson.write(e))) go.add(is);
      else stay.add(is);
    }
    return new Fit(new Delta(fit, come, go), left, stay);
  }

  private static JsonObject orEmpty(JsonObject o) {
    return o == null ? new JsonObject() : o;
  }
}
