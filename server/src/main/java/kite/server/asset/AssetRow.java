package kite.server.asset;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A model file with its rig for the page, or an image; and what the import reported. */
@Entity
@Table(name = "asset")
class AssetRow {
  @Id
  @Column(columnDefinition = "text")
  String sha256;

  /** What an asset is. */
  enum Kind {
    MODEL,
    IMAGE
  }

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  Kind kind;

  @Column(columnDefinition = "text")
  String name;

  byte[] bytes;

  @JdbcTypeCode(SqlTypes.JSON)
  String rig;

  @JdbcTypeCode(SqlTypes.JSON)
  String report;

  /** When it was brought in last. */
  Instant keptAt;
}
