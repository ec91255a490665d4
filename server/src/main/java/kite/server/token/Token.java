package kite.server.token;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** Lets the scripts of a person in. */
@Entity
class Token {
  @Id UUID id;
  UUID accountId;

  /** What it is for. */
  @Column(columnDefinition = "text")
  String name;

  /** Of the token itself, which is told once; lower-case hex. */
  @Column(columnDefinition = "text")
  String sha256;

  Instant madeAt;

  /** When it was last used, to the minute; null for never. */
  Instant usedAt;
}
