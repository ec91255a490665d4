package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.springframework.data.domain.Persistable;

/** A kept version of a sequence, never changed afterwards. */
@Entity
@Table(name = "sequence_version")
class VersionRow implements Persistable<UUID> {
  @Id UUID id;
  UUID sequenceId;
  int number;

  @Column(columnDefinition = "text")
  String name;

  @Column(columnDefinition = "text")
  String note;

  @Column(columnDefinition = "text")
  String author;

  Instant keptAt;
  long revision;

  @JdbcTypeCode(SqlTypes.JSON)
  String document;

  @Override
  public UUID getId() {
    return id;
  }

  /** Rows are only ever added. */
  @Override
  public boolean isNew() {
    return true;
  }
}
