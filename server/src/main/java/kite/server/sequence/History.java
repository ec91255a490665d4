package kite.server.sequence;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import kite.core.delta.DeltaJson;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.server.Problem;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What happened to a sequence, and what it was at any moment of that. */
@Service
class History {
  /** Edits that a list gives at a time. */
  static final int PAGE = 100;

  /** A journal is read backwards in pages of so many. */
  private static final int STEP = 500;

  private static final int LONGEST_FIND = 200;

  private final Sequences sequences;
  private final Edits edits;
  private final OpenSequences open;

  History(Sequences sequences, Edits edits, OpenSequences open) {
    this.sequences = sequences;
    this.edits = edits;
    this.open = open;
  }

  /**
   * An edit as a list shows it.
   *
   * @param revision the sequence's after it
   * @param touched ids of what it changed; “header” stands for the sequence's own settings
   */
  record Made(long revision, UUID id, String author, Instant at, String label, String[] touched) {}

  /**
   * At most a hundred edits, the newest first.
   *
   * @param before only those of revisions before this one
   * @param touching the id of a thing that they changed; "" for all
   * @param find part of who made them, or of what they are called
   */
  @Transactional(readOnly = true)
  List<Made> list(UUID sequence, long before, String touching, String find) {
    if (find.length() > LONGEST_FIND || touching.length() > LONGEST_FIND)
      throw new Problem(HttpStatus.BAD_REQUEST, "request", "Look for less than 200 characters.");
    return edits
        .before(sequence, before, touching, find.strip().toLowerCase(Locale.ROOT), Limit.of(PAGE))
        .stream()
        .map(e -> new Made(e.revision, e.id, e.author, e.madeAt, e.label, e.touched))
        .toList();
  }

  /** The document as it was at a revision: the present one with all taken back that came since. */
  @Transactional(readOnly = true)
  String at(UUID sequence, long revision) {
    SequenceRow row = sequences.findById(sequence).orElseThrow(() -> Problem.missing("sequence"));
    if (revision < 0 || revision > row.revision)
      throw new Problem(
          HttpStatus.NOT_FOUND, "missing", "The sequence never had revision " + revision + ".");
    Sequence s = open.at(row).sequence();
    long now = row.revision;
    while (now > revision) {
      List<EditRow> step = edits.before(sequence, now + 1, "", "", Limit.of(STEP));
      if (step.isEmpty())
        throw new IllegalStateException("The journal of " + sequence + " begins after " + now);
      for (EditRow e : step) {
        if (now == revision) break;
        if (e.revision != now)
          throw new IllegalStateException("The journal of " + sequence + " lacks " + now);
        s = DeltaJson.read(e.change).turned().after(s);
        now--;
      }
    }
    return SequenceJson.write(s);
  }
}
