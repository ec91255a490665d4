package kite.server.live;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;

/**
 * Something happened in a sequence that other programs may wait for. It is said within the
 * transaction in which it happens.
 *
 * @param by who did it; null where nobody did
 * @param more what is told of it beside
 */
public record Happened(UUID sequence, Kind kind, String by, Map<String, Object> more) {
  public enum Kind {
    /** The sequence was edited. */
    EDIT,
    /** A version was kept. */
    VERSION,
    /** A render or a preview film has ended. */
    RENDER,
    /** A camera or a shot was approved or reopened. */
    APPROVAL,
    /** A package was made. */
    HANDOVER
  }

  public static Happened edit(EditMade e) {
    Map<String, Object> more = new LinkedHashMap<>();
    more.put("edit", e.id());
    more.put("revision", e.revision());
    more.put("label", e.label());
    return new Happened(e.sequence(), Kind.EDIT, e.author(), more);
  }
}
