package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A camera's stack that a production keeps under a name. */
@Entity
@Table(name = "saved_rig")
class SavedRigRow {
  @Id UUID id;
  UUID productionId;

  @Column(columnDefinition = "text")
  String name;

  @Column(columnDefinition = "text")
  String author;

  Instant savedAt;

  @JdbcTypeCode(SqlTypes.JSON)
  String rig;

  @Version int version;
}
