package kite.server.handover;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A package: a sequence as it was when it was handed over, and what of it. */
@Entity
class HandedOn {
  @Id UUID id;
  UUID sequenceId;

  /** The how-manieth of its sequence, from 1. */
  int number;

  @Column(columnDefinition = "text")
  String byName;

  Instant madeAt;
  long revision;

  @JdbcTypeCode(SqlTypes.JSON)
  String document;

  /** A {@link Settled}. */
  @JdbcTypeCode(SqlTypes.JSON)
  String settled;

  /** A {@code PackageManifest}; null until a file of it has been written to its end. */
  @JdbcTypeCode(SqlTypes.JSON)
  String manifest;
}
