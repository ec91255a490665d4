package kite.server.watch;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** One thing that a watcher is told. */
@Entity
class Telling {
  enum State {
    /** To be told. */
    WAITING,
    /** The watcher took it. */
    TOLD,
    /** The watcher does not want it. */
    REFUSED,
    /** The watcher was switched off before it took it. */
    GIVEN_UP
  }

  @Id UUID id;

  /** In the order they are told in; the database gives it. */
  @Column(insertable = false, updatable = false)
  long number;

  UUID watcherId;

  @Column(columnDefinition = "text")
  String kind;

  /** What is sent, to the letter. */
  @Column(columnDefinition = "text")
  String body;

  Instant happenedAt;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  State state;

  int tries;
  Instant endedAt;

  /** What came of the last try, in words; "" before the first. */
  @Column(columnDefinition = "text")
  String says;
}
