package kite.server.live;

import java.util.Locale;
import java.util.UUID;

/** Something beside the document of a sequence is other than it was: pages ask for it again. */
public record Moved(UUID sequence, What what) {
  /** What there is beside a document. */
  public enum What {
    RENDERS,
    APPROVALS;

    /** What goes over the line. */
    String json() {
      return "{\"" + name().toLowerCase(Locale.ROOT) + "\":true}";
    }
  }
}
