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

/** A sequence as it was when asked, and which frames of which cameras are made of it. */
@Entity
class RenderJob {
  /** What is made. */
  enum Kind {
    /** Ray-traced by workers. */
    RENDER,
    /** Drawn by a page, as its lens view shows it. */
    PREVIEW
  }

  /** Where a job is. */
  enum State {
    WAITING,
    WORKING,
    /** Frames that were begun are finished, no more are begun until somebody says so. */
    PAUSED,
    DONE,
    STOPPED,
    FAILED;

    /** Whether frames that come still count. */
    boolean underWay() {
      return this == WAITING || this == WORKING || this == PAUSED;
    }
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

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  Kind kind;

  /** What is shown ({@link Look}); null in renders of earlier builds, which show all there is. */
  @JdbcTypeCode(SqlTypes.JSON)
  String look;

  /** Whether the server has a page of its own draw a preview. */
  boolean byServer;

  /** The how-manieth of its kind and name in its sequence, or of its shots, from 1. */
  int numbered;

  /** What a render keeps beside its pictures ({@link Kept}); null for pictures alone. */
  @JdbcTypeCode(SqlTypes.JSON)
  String kept;

  /** How its files are called ({@link FrameNames}); null in jobs of earlier builds: by number. */
  @JdbcTypeCode(SqlTypes.JSON)
  String names;

  /** What is written into its pictures ({@link BurnIn}); null for nothing. */
  @JdbcTypeCode(SqlTypes.JSON)
  String burnIn;

  int width;
  int height;
  int samples;
  int framesTotal;

  /** Whether what moves while the shutter is open is blurred; not in jobs of earlier builds. */
  boolean motionBlur;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  State state;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  Urgency urgency = Urgency.NORMAL;

  /** Whether the first, last and middle frames of shots are made first. */
  boolean early;

  /** How often it was taken up again. */
  int round;

  boolean stopAsked;

  /** The page that draws a preview; null while none does. */
  UUID holder;

  /** When the holder last said that it is at it. */
  Instant heldAt;

  @Column(columnDefinition = "text")
  String message;

  @Version int version;
}
