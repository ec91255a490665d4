package kite.server.sequence;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A sequence's whole document as it was at a revision; the journal has what came after. */
@Entity
@Table(name = "snapshot")
class SnapshotRow {
  @Id UUID sequenceId;
  long revision;

  @JdbcTypeCode(SqlTypes.JSON)
  String document;
}
