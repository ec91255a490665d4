package kite.core.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** A sequence: header and entities by id. */
public record Sequence(Header header, Map<String, Entity> entities) {
  public Sequence {
    entities = Collections.unmodifiableMap(new TreeMap<>(entities));
  }

  public Entity get(String id) {
    return id == null ? null : entities.get(id);
  }

  /** All entities of one kind, in order of id. */
  public <T extends Entity> List<T> all(Class<T> kind) {
    List<T> found = new ArrayList<>();
    for (Entity e : entities.values()) if (kind.isInstance(e)) found.add(kind.cast(e));
    return found;
  }

  public Sequence with(Entity e) {
    Map<String, Entity> copy = new TreeMap<>(entities);
    copy.put(e.id(), e);
    return new Sequence(header, copy);
  }

  public Sequence without(String id) {
    Map<String, Entity> copy = new TreeMap<>(entities);
    copy.remove(id);
    return new Sequence(header, copy);
  }

  public Sequence with(Header newHeader) {
    return new Sequence(newHeader, entities);
  }
}
