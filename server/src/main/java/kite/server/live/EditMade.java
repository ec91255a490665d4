package kite.server.live;

import java.util.UUID;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.util.RawValue;

/**
 * An edit that was acknowledged.
 *
 * @param change the core's JSON of what changed
 */
public record EditMade(
    UUID sequence, long revision, UUID id, String author, String label, String change) {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** What goes over the line. */
  public String json() {
    return JSON.writeValueAsString(
        JSON.createObjectNode()
            .put("revision", revision)
            .put("id", id.toString())
            .put("author", author)
            .put("label", label)
            .putRawValue("change", new RawValue(change)));
  }
}
