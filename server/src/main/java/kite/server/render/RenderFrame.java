package kite.server.render;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;

/** A finished picture of a job, numbered from 1 in the order of the film. */
@Entity
@IdClass(RenderFrame.Key.class)
class RenderFrame {
  @Id UUID jobId;
  @Id int number;

  @Column(columnDefinition = "text")
  String file;

  double seconds;

  /** On the disk; 0 for those of earlier builds. */
  long bytes;

  /** When it was stored, and by whom; null for those of earlier builds. */
  Instant madeAt;

  @Column(columnDefinition = "text")
  String worker;

  /**
   * Passes that were wanted of lights which can have no share in them, parted by commas, or null.
   */
  @Column(columnDefinition = "text")
  String without;

  record Key(UUID jobId, int number) implements Serializable {}

  protected RenderFrame() {}

  RenderFrame(UUID jobId, int number, String file, double seconds, long bytes) {
    this.jobId = jobId;
    this.number = number;
    this.file = file;
    this.seconds = seconds;
    this.bytes = bytes;
  }
}
