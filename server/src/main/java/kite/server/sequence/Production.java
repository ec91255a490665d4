package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A film: what its sequences belong to. */
@Entity
public class Production {
  @Id private UUID id;

  @Column(columnDefinition = "text")
  private String name;

  /** What the codes of its sequences begin with; unique, whatever its capitals. */
  @Column(columnDefinition = "text")
  private String code;

  @JdbcTypeCode(SqlTypes.JSON)
  private String standards;

  /** Whether it came with the demonstration. */
  private boolean demo;

  @Version private int version;

  protected Production() {}

  Production(UUID id, String name, String code, String standards) {
    this.id = id;
    this.name = name;
    this.code = code;
    this.standards = standards;
  }

  /** One that comes with the demonstration. */
  static Production ofDemonstration(UUID id, String name, String code, String standards) {
    Production p = new Production(id, name, code, standards);
    p.demo = true;
    return p;
  }

  UUID id() {
    return id;
  }

  /** What the production has agreed on, as the core's JSON. */
  String standards() {
    return standards;
  }

  int version() {
    return version;
  }

  void agree(String newStandards) {
    standards = newStandards;
  }

  String name() {
    return name;
  }

  String code() {
    return code;
  }
}
