package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.UUID;

/** A film: what its sequences belong to. */
@Entity
public class Production {
  @Id private UUID id;

  @Column(columnDefinition = "text")
  private String name;

  @Version private int version;

  protected Production() {}

  Production(UUID id, String name) {
    this.id = id;
    this.name = name;
  }

  String name() {
    return name;
  }
}
