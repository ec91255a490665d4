package kite.server.rights;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;

/** What someone may do in a production; each may do what the ones before it may. */
public enum Role {
  /** Looks at what was sent by a link; has no account. */
  GUEST("a guest"),
  /** Looks at everything, approves, and asks for small renders. */
  REVIEWER("a reviewer"),
  /** Edits. */
  ARTIST("an artist"),
  /** Also decides about people and standards. */
  LEAD("a lead");

  private final String words;

  Role(String words) {
    this.words = words;
  }

  /** As a sentence has it, as “an artist”. */
  public String words() {
    return words;
  }

  public boolean may(Role least) {
    return compareTo(least) >= 0;
  }

  /** As it goes over the line, as {@code artist}. */
  @JsonValue
  public String key() {
    return name().toLowerCase(Locale.ROOT);
  }
}
