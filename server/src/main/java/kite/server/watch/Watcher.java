package kite.server.watch;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;

/** An address that is told of what happens in a production. */
@Entity
@DynamicUpdate // who tells and who changes it write different columns
class Watcher {
  @Id UUID id;
  UUID productionId;

  @Column(columnDefinition = "text")
  String name;

  @Column(columnDefinition = "text")
  String address;

  /** As {@link Signature} has it. */
  @Column(columnDefinition = "text")
  String secret;

  /** Names of {@code Happened.Kind}. */
  @Column(columnDefinition = "text[]")
  String[] kinds;

  @Column(columnDefinition = "text")
  String madeBy;

  Instant madeAt;

  /** Whether it is told; what happens while it is not is not told afterwards. */
  boolean active;

  /** How often it failed since it last answered. */
  int tries;

  Instant failingSince;

  /** What came of the last try, in words; "" before the first. */
  @Column(columnDefinition = "text")
  String says;

  /** When it last took something. */
  Instant toldAt;

  Instant nextAt;
  Instant heldUntil;
}
