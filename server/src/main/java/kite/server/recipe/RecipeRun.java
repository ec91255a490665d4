package kite.server.recipe;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A recipe that runs as a job, and what came of it. */
@Entity
class RecipeRun {
  enum State {
    WAITING,
    WORKING,
    DONE,
    STOPPED,
    FAILED;

    boolean underWay() {
      return this == WAITING || this == WORKING;
    }
  }

  /** Also that of the edit it makes. */
  @Id UUID id;

  UUID sequenceId;

  /** A {@link RecipeRuns.Asked}. */
  @JdbcTypeCode(SqlTypes.JSON)
  String asked;

  @Column(columnDefinition = "text")
  String byName;

  Instant askedAt;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  State state;

  /** How much of it is done, 0–1, as the recipe says. */
  double share;

  /** Whether it is to end as soon as whoever runs it sees that. */
  boolean stopAsked;

  /** Why it ended without a result; "" else. */
  @Column(columnDefinition = "text")
  String message;

  /** A {@link RecipeRuns.Ran}; null until its edit is made, or it is known that there is none. */
  @JdbcTypeCode(SqlTypes.JSON)
  String came;

  Instant endedAt;
}
