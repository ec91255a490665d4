package kite.server.asset;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import java.io.Serializable;
import java.util.UUID;

/** That a model or an image belongs to a production: whoever sees the one sees the other. */
@Entity
class ProductionAsset {
  @Embeddable
  record Key(UUID productionId, @Column(columnDefinition = "text") String sha256)
      implements Serializable {}

  @EmbeddedId Key key;
}
