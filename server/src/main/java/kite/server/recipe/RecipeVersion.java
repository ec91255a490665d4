package kite.server.recipe;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;

/** A recipe as it was kept once. */
@Entity
class RecipeVersion {
  /**
   * @param number from 1
   */
  @Embeddable
  record Key(UUID recipeId, int number) implements Serializable {}

  @EmbeddedId Key key;

  @Column(columnDefinition = "text")
  String author;

  Instant keptAt;

  @Column(columnDefinition = "text")
  String notes;

  @Column(columnDefinition = "text")
  String script;
}
