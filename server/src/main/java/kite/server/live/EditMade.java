package kite.server.live;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.util.UUID;
import kite.exchange.Json;
import kite.server.CoreJson;

/**
 * An edit that was acknowledged.
 *
 * @param change what changed, as a delta
 */
public record EditMade(
    @JsonIgnore UUID sequence,
    long revision,
    UUID id,
    String author,
    String label,
    CoreJson change) {
  /** What goes over the line. */
  public String json() {
    return Json.MAPPER.writeValueAsString(this);
  }
}
