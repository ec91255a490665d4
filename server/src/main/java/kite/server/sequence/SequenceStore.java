package kite.server.sequence;

import java.time.Clock;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import kite.core.codec.CommandJson;
import kite.core.codec.SequenceJson;
import kite.core.codec.StandardsJson;
import kite.core.command.Change;
import kite.core.command.Edit;
import kite.core.document.Sequence;
import kite.server.Problem;
import kite.server.live.EditMade;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps sequences and takes edits: journal row, document and revision in one transaction. */
@Service
public class SequenceStore {
  private final Productions productions;
  private final Sequences sequences;
  private final Edits edits;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  SequenceStore(
      Productions productions,
      Sequences sequences,
      Edits edits,
      ApplicationEventPublisher events,
      Clock clock) {
    this.productions = productions;
    this.sequences = sequences;
    this.edits = edits;
    this.events = events;
    this.clock = clock;
  }

  /** What a list of sequences shows. */
  public record Listed(UUID id, String production, String code, String title, long revision) {}

  @Transactional
  public UUID create(String production, Sequence s) {
    SequenceRow row = new SequenceRow();
    row.id = UUID.randomUUID();
    row.production =
        productions
            .findByName(production)
            .orElseGet(
                () ->
                    productions.save(
                        new Production(
                            UUID.randomUUID(),
                            production,
                            StandardsJson.write(s.header().standards()).toString())));
    row.code = s.header().code();
    row.title = s.header().title();
    row.document = SequenceJson.write(s);
    sequences.save(row);
    return row.id;
  }

  @Transactional(readOnly = true)
  public List<Listed> list() {
    return sequences.findAll().stream()
        .map(r -> new Listed(r.id, r.production.name(), r.code, r.title, r.revision))
        .sorted(Comparator.comparing(Listed::code))
        .toList();
  }

  @Transactional(readOnly = true)
  public SequenceRow get(UUID id) {
    return sequences.findById(id).orElseThrow(() -> Problem.missing("sequence"));
  }

  @Transactional(readOnly = true)
  List<EditMade> since(UUID id, long revision) {
    return edits.findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(id, revision).stream()
        .map(SequenceStore::made)
        .toList();
  }

  @Transactional(readOnly = true)
  EditMade made(UUID sequence, UUID edit) {
    return edits
        .findByIdAndSequenceId(edit, sequence)
        .map(SequenceStore::made)
        .orElseThrow(() -> Problem.missing("edit"));
  }

  private static EditMade made(EditRow e) {
    return new EditMade(e.sequenceId, e.revision, e.id, e.author, e.label, e.change);
  }

  /**
   * Takes an edit made on a revision. An id that was taken before gives its first answer again. An
   * edit on an older revision is taken when nothing it touches has changed since.
   *
   * @param commands JSON {@code {"commands": [...]}}
   */
  @Transactional
  public EditMade edit(
      UUID sequence, UUID id, long revision, String author, String label, String commands) {
    SequenceRow row = sequences.hold(sequence).orElseThrow(() -> Problem.missing("sequence"));
    EditRow before = edits.findByIdAndSequenceId(id, sequence).orElse(null);
    if (before != null) return made(before);
    if (revision > row.revision)
      throw new Problem(
          HttpStatus.CONFLICT,
          "revision",
          "The page is ahead of the server (revision "
              + revision
              + " of "
              + row.revision
              + "). Reload the page.");
    Sequence now = SequenceJson.read(row.document);
    Edit.Made done = Edit.make(now, CommandJson.readAll(commands));
    Sequence next = done.sequence();
    Change change = done.change();
    if (revision < row.revision) refuseOverlap(sequence, revision, change);
    row.document = SequenceJson.write(next);
    row.revision++;
    row.title = next.header().title();
    EditRow e = new EditRow();
    e.id = id;
    e.sequenceId = sequence;
    e.revision = row.revision;
    e.author = author;
    e.madeAt = clock.instant();
    e.label = label;
    e.change = SequenceJson.write(change);
    e.touched = change.touched().toArray(new String[0]);
    edits.save(e);
    EditMade made = made(e);
    events.publishEvent(made);
    return made;
  }

  private void refuseOverlap(UUID sequence, long revision, Change change) {
    Set<String> changedSince = new TreeSet<>();
    for (EditRow e :
        edits.findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(sequence, revision))
      changedSince.addAll(Arrays.asList(e.touched));
    changedSince.retainAll(change.touched());
    if (!changedSince.isEmpty())
      throw new Problem(
          HttpStatus.CONFLICT,
          "changed",
          "Someone changed " + String.join(", ", changedSince) + " meanwhile.");
  }
}
