package kite.server.people;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** A link by which somebody without an account looks at one sequence until a date. */
@Entity
class GuestLink {
  @Id UUID id;

  @Column(columnDefinition = "text")
  String secretSha256;

  UUID sequenceId;

  /** For whom it is, in the words of who made it. */
  @Column(columnDefinition = "text")
  String note;

  @Column(columnDefinition = "text")
  String madeBy;

  Instant madeAt;
  Instant endsAt;

  /** Since when it is ended before its time, or null. */
  Instant endedAt;

  @Version int version;
}
