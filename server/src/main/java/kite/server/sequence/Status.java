package kite.server.sequence;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** How far a sequence is, as those who work on it say. */
enum Status {
  BEGUN,
  IN_WORK,
  FOR_REVIEW,
  APPROVED,
  HANDED_ON;

  /** As it goes over the line, as {@code for-review}. */
  @JsonValue
  String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
