package kite.server.people;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import kite.server.rights.Role;

/**
 * A link that is used once: to come into a production with a role, or to choose a new password for
 * an account.
 */
@Entity
class Invitation {
  @Id UUID id;

  @Column(columnDefinition = "text")
  String secretSha256;

  /** Null where a password is chosen. */
  UUID productionId;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  Role role;

  /** Whose password is chosen; else null. */
  UUID accountId;

  /** For whom it is, in the words of who made it. */
  @Column(columnDefinition = "text")
  String note;

  @Column(columnDefinition = "text")
  String madeBy;

  Instant madeAt;
  Instant endsAt;
  Instant usedAt;

  @Column(columnDefinition = "text")
  String usedBy;

  @Version int version;
}
