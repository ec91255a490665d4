package kite.server.sequence;

import java.time.Clock;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import kite.core.begin.GivenNames;
import kite.core.codec.CommandJson;
import kite.core.command.Command;
import kite.core.command.CutCommand;
import kite.core.command.Edit;
import kite.core.cut.EarlierCut;
import kite.core.delta.Delta;
import kite.core.delta.DeltaJson;
import kite.core.delta.FieldChange;
import kite.core.delta.FieldWords;
import kite.core.delta.Footprint;
import kite.core.document.AssetsUsed;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.rules.Change;
import kite.core.rules.Reviewing;
import kite.server.CoreJson;
import kite.server.Problem;
import kite.server.asset.ProductionAssets;
import kite.server.live.EditMade;
import kite.server.live.Journal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Keeps sequences and takes edits: journal row and revision in one transaction. */
@Service
public class SequenceStore implements Journal {
  /** Who makes the edits that nobody asked for. */
  private static final String OURSELVES = "Jolly Kite";

  private final Productions productions;
  private final Sequences sequences;
  private final HeldSequences held;
  private final Snapshots snapshots;
  private final Edits edits;
  private final OpenSequences open;
  private final ProductionAssets assets;
  private final Approvals approvals;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  SequenceStore(
      Productions productions,
      Sequences sequences,
      HeldSequences held,
      Snapshots snapshots,
      Edits edits,
      OpenSequences open,
      ProductionAssets assets,
      Approvals approvals,
      ApplicationEventPublisher events,
      Clock clock) {
    this.productions = productions;
    this.sequences = sequences;
    this.held = held;
    this.snapshots = snapshots;
    this.edits = edits;
    this.open = open;
    this.assets = assets;
    this.approvals = approvals;
    this.events = events;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public String nameOfProduction(UUID production) {
    return productions.findById(production).orElseThrow(() -> Problem.missing("production")).name();
  }

  /** The ids of cameras and shots that are approved. */
  @Transactional(readOnly = true)
  public Set<String> approved(UUID sequence) {
    return approvals.list(sequence).stream()
        .map(Approvals.Shown::entity)
        .collect(Collectors.toSet());
  }

  /** Puts a new sequence into a production; gives its id. */
  @Transactional
  public UUID create(UUID production, Sequence s) {
    refuseTaken(production, s.header().code());
    SequenceRow row = new SequenceRow();
    row.id = UUID.randomUUID();
    row.production = productions.getReferenceById(production);
    row.code = s.header().code();
    row.title = s.header().title();
    sequences.saveAndFlush(row);
    SnapshotRow first = new SnapshotRow();
    first.sequenceId = row.id;
    first.document = SequenceJson.write(s);
    snapshots.save(first);
    assets.give(production, AssetsUsed.of(s));
    return row.id;
  }

  /** A sequence at its present revision. */
  public record Present(UUID id, long revision, Sequence sequence) {}

  @Transactional(readOnly = true)
  public Present get(UUID id) {
    SequenceRow row = sequences.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    OpenSequences.Open now = open.at(row);
    return new Present(id, now.revision(), now.sequence());
  }

  /**
   * Makes the cut of an earlier build into shots, as an edit like any other; nothing without one.
   */
  @Transactional
  public void takeUpEarlierCut(UUID id) {
    SequenceRow row = sequences.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    if (!EarlierCut.isIn(open.at(row).sequence())) return;
    SequenceRow mine = held.findById(id).orElseThrow(() -> Problem.missing("sequence"));
    if (EarlierCut.isIn(open.at(mine).sequence()))
      editNow(id, OURSELVES, "The cut becomes shots", List.of(new CutCommand.ToShots()));
  }

  /** At most 500 edits after a revision, oldest first. */
  @Override
  @Transactional(readOnly = true)
  public List<EditMade> since(UUID id, long revision) {
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
    return new EditMade(e.sequenceId, e.revision, e.id, e.author, e.label, new CoreJson(e.change));
  }

  /**
   * Takes an edit made on a revision. An id that was taken before gives its first answer again. An
   * edit on an older revision is taken when no field it changes has changed since.
   *
   * @param commands JSON of a list of commands
   */
  @Transactional
  public EditMade edit(
      UUID sequence, UUID id, long revision, Editor by, String label, String commands) {
    SequenceRow row = held.findById(sequence).orElseThrow(() -> Problem.missing("sequence"));
    EditRow before = edits.findById(id).filter(e -> e.sequenceId.equals(sequence)).orElse(null);
    if (before != null) return made(before);
    refuseAway(row);
    if (revision > row.revision)
      throw new Problem(
          HttpStatus.CONFLICT,
          "revision",
          "The page is ahead of the server (revision "
              + revision
              + " of "
              + row.revision
              + "). Reload the page.");
    return make(row, id, revision, by, label, CommandJson.list(commands), true);
  }

  /** Makes an edit of a sequence as it is, whatever it came to meanwhile. */
  @Transactional
  EditMade editNow(UUID sequence, String author, String label, List<Command> commands) {
    SequenceRow row = held.findById(sequence).orElseThrow(() -> Problem.missing("sequence"));
    Editor by = new Editor(author, false);
    return make(row, UUID.randomUUID(), row.revision, by, label, commands, false);
  }

  /** What is in the archive or the bin is edited by nobody; it follows the standards there, too. */
  static void refuseAway(SequenceRow row) {
    if (row.archivedAt != null || row.binnedAt != null)
      throw new Problem(
          HttpStatus.LOCKED,
          "away",
          row.code
              + " is "
              + (row.binnedAt != null ? "in the bin" : "in the archive")
              + ". Bring it back on the Home page, then edit it.");
  }

  /** Puts a sequence into another production. Part of the transaction that asks for it. */
  void moveInto(SequenceRow row, Production to) {
    refuseTaken(to.id(), row.code);
    row.production = to;
    assets.give(to.id(), AssetsUsed.of(open.at(row).sequence()));
  }

  private EditMade make(
      SequenceRow row,
      UUID id,
      long revision,
      Editor by,
      String label,
      List<Command> commands,
      boolean ofSomebody) {
    OpenSequences.Open now = open.at(row);
    Edit.Made done = Edit.make(now.sequence(), commands);
    if (by.reviews() && !Reviewing.isAll(done.change()))
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "rights",
          "Reviewers put markers and write notes on shots. Ask an artist to make this edit.");
    if (ofSomebody) approvals.refuseTouched(row, now.sequence(), done.change().touched());
    Delta delta = Delta.of(done.change());
    String[] touched = done.change().touched().toArray(new String[0]);
    if (revision < row.revision) refuseOverlap(now.sequence(), row.id, revision, delta, touched);
    row.revision++;
    row.head = id;
    String was = now.sequence().header().code(), code = done.sequence().header().code();
    if (!code.equals(was)) {
      // also by going back to a version from before it was renamed
      if (!GivenNames.compared(code).equals(GivenNames.compared(was)))
        refuseTaken(row.production.id(), code);
      row.code = code;
    }
    row.title = done.sequence().header().title();
    EditRow e = new EditRow();
    e.id = id;
    e.sequenceId = row.id;
    e.revision = row.revision;
    e.author = by.name();
    e.madeAt = clock.instant();
    e.label = label;
    e.change = DeltaJson.write(delta).toString();
    e.touched = touched;
    edits.save(e);
    giveAssets(row, by.name(), done.change());
    EditMade made = made(e);
    OpenSequences.Open next = now.after(id, done.sequence());
    afterCommit(() -> open.made(row.id, next));
    events.publishEvent(made);
    return made;
  }

  /** What was copied from another production of theirs is looked at here, too. */
  private void giveAssets(SequenceRow row, String author, Change change) {
    Set<String> more = AssetsUsed.of(change.after().values());
    if (more.isEmpty()) return;
    more.removeAll(AssetsUsed.of(change.before().values()));
    assets.giveSeen(row.production.id(), more, author);
  }

  /** Codes are told apart within a production, and not by their capitals. */
  private void refuseTaken(UUID production, String code) {
    for (String c : sequences.codesOf(production))
      if (GivenNames.compared(c).equals(GivenNames.compared(code)))
        throw new Problem(
            HttpStatus.UNPROCESSABLE_CONTENT,
            "taken",
            "code",
            "“" + c + "” is taken already, here, in the archive or in the bin. Choose another.");
  }

  private static void afterCommit(Runnable work) {
    if (!TransactionSynchronizationManager.isSynchronizationActive()) {
      work.run();
      return;
    }
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            work.run();
          }
        });
  }

  private void refuseOverlap(
      Sequence now, UUID sequence, long revision, Delta delta, String[] touched) {
    for (EditRow e : edits.since(sequence, revision, touched)) {
      Footprint theirs = new Footprint();
      theirs.add(DeltaJson.read(e.change));
      FieldChange same = theirs.meets(delta);
      if (same != null)
        throw new Problem(
            HttpStatus.CONFLICT,
            "changed",
            e.author + " changed " + FieldWords.of(now, same) + " meanwhile.");
    }
  }
}
