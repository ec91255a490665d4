package kite.server.render;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.util.UUID;

/** Why a frame of a job could not be made, after it was tried again. */
@Entity
@IdClass(RenderFrame.Key.class)
class RenderTrouble {
  @Id UUID jobId;
  @Id int number;

  @Column(columnDefinition = "text")
  String says;

  protected RenderTrouble() {}

  RenderTrouble(UUID jobId, int number, String says) {
    this.jobId = jobId;
    this.number = number;
    this.says = says;
  }
}
