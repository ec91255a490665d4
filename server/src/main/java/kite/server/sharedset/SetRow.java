package kite.server.sharedset;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** A set of a production. */
@Entity
@Table(name = "shared_set")
class SetRow {
  @Id UUID id;
  UUID productionId;

  @Column(columnDefinition = "text")
  String name;
}
