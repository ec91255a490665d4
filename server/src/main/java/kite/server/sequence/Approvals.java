package kite.server.sequence;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.server.Problem;
import kite.server.live.Happened;
import kite.server.live.Moved;
import kite.server.rights.Role;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Cameras and shots that a lead or a reviewer has approved: nobody edits them until reopened. */
@Service
class Approvals {
  private final ApprovalRows rows;
  private final HeldSequences held;
  private final OpenSequences open;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Approvals(
      ApprovalRows rows,
      HeldSequences held,
      OpenSequences open,
      ApplicationEventPublisher events,
      Clock clock) {
    this.rows = rows;
    this.held = held;
    this.open = open;
    this.events = events;
    this.clock = clock;
  }

  /** An approval as a page shows it. */
  record Shown(String entity, String by, Instant at, String note) {}

  @Transactional(readOnly = true)
  List<Shown> list(UUID sequence) {
    return rows.of(sequence).stream()
        .map(a -> new Shown(a.key.entity(), a.author, a.approvedAt, a.note))
        .toList();
  }

  /** Approves a camera or shot as it is; what was approved already stays so. */
  @Transactional
  void approve(UUID sequence, String entity, String note, String by, Role role) {
    refuseArtist(role);
    SequenceRow row = held.findById(sequence).orElseThrow(() -> Problem.missing("sequence"));
    Entity e = open.at(row).sequence().get(entity);
    if (!(e instanceof Camera) && !(e instanceof Shot))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "kind", "Cameras and shots are approved. Choose one.");
    Approval.Key key = new Approval.Key(sequence, entity);
    if (rows.existsById(key)) return;
    Approval a = new Approval();
    a.key = key;
    a.author = by;
    a.approvedAt = clock.instant();
    a.note = GivenNames.title("note", note);
    rows.save(a);
    row.approvals++;
    moved(sequence, e, true, by, a.note);
  }

  /** Lets a camera or shot be edited again. */
  @Transactional
  void reopen(UUID sequence, String entity, String by, Role role) {
    refuseArtist(role);
    SequenceRow row = held.findById(sequence).orElseThrow(() -> Problem.missing("sequence"));
    Approval a = rows.findById(new Approval.Key(sequence, entity)).orElse(null);
    if (a == null) return;
    rows.delete(a);
    row.approvals--;
    moved(sequence, open.at(row).sequence().get(entity), false, by, "");
  }

  /**
   * @param e null when it is there no more
   */
  private void moved(UUID sequence, Entity e, boolean approved, String by, String note) {
    events.publishEvent(Moved.approvals(sequence));
    Map<String, Object> more = new LinkedHashMap<>();
    more.put("approved", approved);
    more.put("of", e instanceof Shot ? "shot" : "camera");
    more.put("name", e == null ? "" : e.name());
    more.put("note", note);
    events.publishEvent(new Happened(sequence, Happened.Kind.APPROVAL, by, more));
  }

  private static void refuseArtist(Role role) {
    if (role == Role.ARTIST)
      throw new Problem(
          HttpStatus.FORBIDDEN, "rights", "A lead or a reviewer approves and reopens. Ask one.");
  }

  /** Refuses an edit that touches what is approved. Part of its transaction. */
  void refuseTouched(SequenceRow row, Sequence now, Set<String> touched) {
    if (row.approvals == 0) return;
    for (Approval a : rows.of(row.id))
      if (touched.contains(a.key.entity())) {
        Entity e = now.get(a.key.entity());
        String what =
            e instanceof Camera c ? "Camera " + c.letter() : e == null ? "This" : e.name();
        throw new Problem(
            HttpStatus.LOCKED,
            "approved",
            what
                + " was approved by "
                + a.author
                + " on "
                + a.approvedAt.toString().substring(0, 10)
                + ". A lead or a reviewer reopens it before it is changed.");
      }
  }
}
