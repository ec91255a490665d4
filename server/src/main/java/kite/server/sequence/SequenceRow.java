package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A stored sequence at its present revision. */
@Entity
@Table(name = "sequence")
public class SequenceRow {
  @Id UUID id;
  @ManyToOne Production production;

  @Column(columnDefinition = "text")
  String code;

  @Column(columnDefinition = "text")
  String title;

  long revision;

  @JdbcTypeCode(SqlTypes.JSON)
  String document;

  @Version int version;

  public UUID id() {
    return id;
  }

  public long revision() {
    return revision;
  }

  public String document() {
    return document;
  }
}
