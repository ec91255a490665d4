package kite.core.delta;

import com.eclipsesource.json.JsonValue;
import java.util.List;
import kite.core.document.OrNull;

/**
 * One field before and after an edit.
 *
 * @param id the entity, or {@link Delta#HEADER}
 * @param path from the entity to the field: names of fields, and keys of what stands in lists (a
 *     rig part by its id, a key or cue by its frame)
 * @param from null where it was not there
 * @param to null where it is no longer there
 */
public record FieldChange(
    String id, List<String> path, @OrNull JsonValue from, @OrNull JsonValue to) {
  public FieldChange {
    path = List.copyOf(path);
  }

  FieldChange turned() {
    return new FieldChange(id, path, to, from);
  }
}
