package kite.server.live;

import java.util.UUID;

/**
 * Something beside the document of a sequence is other than it was.
 *
 * @param about which thing; of several notices about one the last is told
 * @param json what goes over the line: how it is now, or that it is to be asked for
 */
public record Moved(UUID sequence, String about, String json) {
  /** Who has approved what: pages ask for it. */
  public static Moved approvals(UUID sequence) {
    return new Moved(sequence, "approvals", "{\"approvals\":true}");
  }
}
