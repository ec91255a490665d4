package kite.server.recipe;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;

/** A script under a name, of a person or shared with the production. */
@Entity
class Recipe {
  @Id UUID id;
  UUID productionId;

  @Column(columnDefinition = "text")
  String owner;

  @Column(columnDefinition = "text")
  String name;

  boolean shared;

  /** Whether somebody sees it. */
  boolean isFor(String who) {
    return shared || owner.equals(who);
  }
}
