package kite.server.asset;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A model file, its rig for the page, and what the import reported. */
@Entity
@Table(name = "asset")
class AssetRow {
  @Id
  @Column(columnDefinition = "text")
  String sha256;

  @Column(columnDefinition = "text")
  String name;

  byte[] bytes;

  @JdbcTypeCode(SqlTypes.JSON)
  String rig;

  @JdbcTypeCode(SqlTypes.JSON)
  String report;
}
