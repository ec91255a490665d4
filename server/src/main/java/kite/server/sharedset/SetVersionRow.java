package kite.server.sharedset;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A version of a set, never changed afterwards. */
@Entity
@Table(name = "shared_set_version")
class SetVersionRow {
  @Embeddable
  record Key(UUID setId, int number) implements Serializable {}

  @EmbeddedId Key key;

  @Column(columnDefinition = "text")
  String author;

  Instant madeAt;

  @Column(columnDefinition = "text")
  String note;

  @JdbcTypeCode(SqlTypes.JSON)
  String document;
}
