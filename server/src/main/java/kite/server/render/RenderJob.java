package kite.server.render;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A piece of rendering: a sequence as it was when asked, and which frames of which cameras. */
@Entity
class RenderJob {
  /** Where a job is. */
  enum State {
    WAITING,
    WORKING,
    DONE,
    STOPPED,
    FAILED
  }

  @Id UUID id;
  UUID sequenceId;

  @Column(columnDefinition = "text")
  String askedBy;

  Instant askedAt;

  @Column(columnDefinition = "text")
  String label;

  @JdbcTypeCode(SqlTypes.JSON)
  String document;

  @JdbcTypeCode(SqlTypes.JSON)
  String shots;

  int width;
  int height;
  int samples;
  int framesTotal;

  /** Whether what moves while the shutter is open is blurred; not in jobs of earlier builds. */
  boolean motionBlur;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  State state;

  boolean stopAsked;

  /** Who works it off; null while nobody does. */
  UUID holder;

  /** When the holder last said that it is at it. */
  Instant heldAt;

  @Column(columnDefinition = "text")
  String message;

  @Version int version;
}
