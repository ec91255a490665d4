package kite.server.sequence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** A stored sequence at its present revision; see {@link OpenSequences} for its document. */
@Entity
@Table(name = "sequence")
public class SequenceRow {
  @Id UUID id;

  /** Read when it is asked for: holding a sequence for an edit must not hold its production. */
  @ManyToOne(fetch = FetchType.LAZY)
  Production production;

  @Column(columnDefinition = "text")
  String code;

  @Column(columnDefinition = "text")
  String title;

  long revision;

  /** The edit that made the revision; null before the first. */
  UUID head;

  /** Since when it is in the archive, or null. */
  Instant archivedAt;

  /** Since when it is in the bin, or null. */
  Instant binnedAt;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "text")
  Status status = Status.BEGUN;

  /** Shots of the cut when its picture was made last; null before the first. */
  @Column(insertable = false, updatable = false)
  Integer shots;

  /** Frames of the cut when its picture was made last; null before the first. */
  @Column(insertable = false, updatable = false)
  Integer frames;

  /** Cameras and shots of it that are approved. */
  int approvals;

  @Version int version;

  public UUID id() {
    return id;
  }

  public long revision() {
    return revision;
  }
}
