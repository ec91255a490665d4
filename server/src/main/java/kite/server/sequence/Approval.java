package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;

/** That a camera or a shot is approved: it is not edited until it is reopened. */
@Entity
class Approval {
  /**
   * @param entity id of the camera or cut entry
   */
  @Embeddable
  record Key(UUID sequenceId, @Column(columnDefinition = "text") String entity)
      implements Serializable {}

  @EmbeddedId Key key;

  @Column(columnDefinition = "text")
  String author;

  Instant approvedAt;

  @Column(columnDefinition = "text")
  String note;
}
