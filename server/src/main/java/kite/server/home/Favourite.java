package kite.server.home;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import java.io.Serializable;
import java.util.UUID;

/** That somebody likes to have a sequence first. */
@Entity
class Favourite {
  @Embeddable
  record Key(UUID accountId, UUID sequenceId) implements Serializable {}

  @EmbeddedId private Key key;

  protected Favourite() {}

  Favourite(Key key) {
    this.key = key;
  }
}
