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

/**
 * A model file with its rig for the page, an image, or a recording; and what was reported of it.
 */
@Entity
@Table(name = "asset")
class AssetRow {
  @Id
  @Column(columnDefinition = "text")
  String sha256;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  AssetKind kind;

  @Column(columnDefinition = "text")
  String name;

  byte[] bytes;

  @JdbcTypeCode(SqlTypes.JSON)
  String rig;

  @JdbcTypeCode(SqlTypes.JSON)
  String report;

  /** How loud a recording gets, a byte for each hundredth of a second. */
  byte[] peaks;

  /** When it was brought in last. */
  Instant keptAt;
}
