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

/** One acknowledged edit, never changed afterwards. */
@Entity
@Table(name = "edit")
class EditRow implements Persistable<UUID> {
  @Id UUID id;
  UUID sequenceId;
  long revision;

  @Column(columnDefinition = "text")
  String author;

  Instant madeAt;

  @Column(columnDefinition = "text")
  String label;

  @JdbcTypeCode(SqlTypes.JSON)
  String change;

  @Column(columnDefinition = "text[]")
  String[] touched;

  @Override
  public UUID getId() {
    return id;
  }

  /** Rows are only ever added: an id that exists must fail, not overwrite. */
  @Override
  public boolean isNew() {
    return true;
  }
}
