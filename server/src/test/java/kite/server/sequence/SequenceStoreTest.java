package kite.server.sequence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import kite.core.codec.CommandJson;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import kite.demo.SaltWind;
import kite.server.Problem;
import kite.server.asset.ProductionAssets;
import kite.server.live.EditMade;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.context.ApplicationEventPublisher;

class SequenceStoreTest {
  private final Sequences sequences = mock(Sequences.class);
  private final Edits edits = mock(Edits.class);
  private final ApplicationEventPublisher events = mock(ApplicationEventPublisher.class);
  private final HeldSequences held = mock(HeldSequences.class);
  private final Snapshots snapshots = mock(Snapshots.class);
  private final SequenceStore store =
      new SequenceStore(
          mock(Productions.class),
          sequences,
          held,
          snapshots,
          edits,
          new OpenSequences(snapshots, edits),
          mock(ProductionAssets.class),
          mock(Approvals.class),
          events,
          Clock.fixed(Instant.parse("2026-01-01T10:00:00Z"), ZoneOffset.UTC));
  private final SequenceRow row = new SequenceRow();
  private final List<EditRow> journal = new ArrayList<>();

  @BeforeEach
  void aStoredSequence() {
    row.id = UUID.randomUUID();
    SnapshotRow first = new SnapshotRow();
    first.document = SequenceJson.write(new SaltWind().sw010());
    when(snapshots.findById(row.id)).thenReturn(Optional.of(first));
    when(sequences.findById(row.id)).thenReturn(Optional.of(row));
    when(held.findById(row.id)).thenReturn(Optional.of(row));
    when(edits.save(any()))
        .thenAnswer(
            i -> {
              journal.add(i.getArgument(0));
              return i.getArgument(0);
            });
    when(edits.findById(any()))
        .thenAnswer(i -> journal.stream().filter(e -> e.id.equals(i.getArgument(0))).findFirst());
    when(edits.findBySequenceIdAndRevision(any(), anyLong()))
        .thenAnswer(
            i -> journal.stream().filter(e -> e.revision == i.<Long>getArgument(1)).findFirst());
    when(edits.since(any(), anyLong(), any()))
        .thenAnswer(
            i -> {
              List<String> ids = List.of(i.<String[]>getArgument(2));
              return journal.stream()
                  .filter(e -> e.revision > i.<Long>getArgument(1))
                  .filter(e -> List.of(e.touched).stream().anyMatch(ids::contains))
                  .toList();
            });
    when(edits.findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(any(), anyLong()))
        .thenAnswer(
            i ->
                journal.stream()
                    .filter(e -> e.revision > i.<Long>getArgument(1))
                    .limit(500)
                    .toList());
  }

  private static Editor by(String name) {
    return new Editor(name, false);
  }

  private EditMade move(String id, double x, long revision, UUID edit) {
    List<Command> commands = List.of(new ChannelCommand.SetValue(id, "x", 1001, x, false));
    return store.edit(row.id, edit, revision, by("pim"), "Move", CommandJson.writeAll(commands));
  }

  private double x(String id) {
    return store.get(row.id).sequence().get(id).channel("x").at(1001);
  }

  @Test
  void anEditBecomesARevisionAJournalRowAndALiveUpdate() {
    EditMade made = move("oda", 2.5, 0, UUID.randomUUID());
    assertEquals(1, made.revision());
    assertEquals(1, row.revision);
    assertEquals(2.5, x("oda"));
    assertEquals(List.of("oda"), List.of(journal.get(0).touched));
    verify(events).publishEvent(made);
  }

  @Test
  void theSameEditSentAgainIsNotAppliedTwice() {
    UUID id = UUID.randomUUID();
    EditMade first = move("oda", 2.5, 0, id);
    move("oda", 3, 1, UUID.randomUUID());
    assertEquals(first, move("oda", 2.5, 0, id));
    assertEquals(3, x("oda"));
    verify(edits, times(2)).save(any());
  }

  @Test
  void anOlderRevisionIsTakenWhenItTouchesSomethingElseAndRefusedOtherwise() {
    move("oda", 2.5, 0, UUID.randomUUID());
    assertEquals(2, move("pim", 0.9, 0, UUID.randomUUID()).revision());
    Problem p = assertThrows(Problem.class, () -> move("oda", 7, 0, UUID.randomUUID()));
    assertEquals(409, p.status().value());
    assertEquals(2.5, x("oda"));
  }

  @Test
  void whatTheCoreRefusesChangesNothing() {
    Sequence before = store.get(row.id).sequence();
    List<Command> bad = List.of(new ChannelCommand.SetValue("oda", "scaleX", 1001, -1, false));
    assertThrows(
        Refusal.class,
        () ->
            store.edit(row.id, UUID.randomUUID(), 0, by("pim"), "Bad", CommandJson.writeAll(bad)));
    assertThrows(
        Refusal.class,
        () ->
            store.edit(
                row.id,
                UUID.randomUUID(),
                0,
                by("pim"),
                "Bad",
                "{\"commands\":[{\"kind\":\"nonsense\",\"camera\":\"x\"}]}"));
    assertThrows(Problem.class, () -> move("oda", 1, 5, UUID.randomUUID()));
    assertEquals(before, store.get(row.id).sequence());
    assertEquals(0, journal.size());
  }

  @Test
  void peopleChangeDifferentNumbersOfOneThingAndAConflictNamesTheNumber() {
    move("oda", 2.5, 0, UUID.randomUUID());
    List<Command> z = List.of(new ChannelCommand.SetValue("oda", "z", 1001, -3, false));
    store.edit(row.id, UUID.randomUUID(), 0, by("biscuit"), "Move", CommandJson.writeAll(z));
    assertEquals(2.5, x("oda"), "both stand");
    assertEquals(-3, store.get(row.id).sequence().get("oda").channel("z").at(1001));
    Problem p = assertThrows(Problem.class, () -> move("oda", 7, 0, UUID.randomUUID()));
    assertEquals("pim changed X of “Oda” meanwhile.", p.getMessage());
  }

  @Test
  void anEditIsHeldAgainstAllThatCameSinceHoweverMuchThatIs() {
    move("oda", 2.5, 0, UUID.randomUUID());
    for (int i = 1; i <= 1200; i++) move("pim", i / 1000.0, i, UUID.randomUUID());
    assertThrows(Problem.class, () -> move("oda", 7, 0, UUID.randomUUID()));
    assertEquals(2.5, x("oda"));
  }

  /** What one server keeps in memory is worth nothing where the database says otherwise. */
  @Test
  void whatIsInMemoryIsBroughtUpToTheJournalOrMadeAnew() {
    OpenSequences other = new OpenSequences(snapshots, edits);
    assertEquals(0, other.at(row).revision());
    for (int i = 0; i < 700; i++) move("pim", i / 1000.0, i, UUID.randomUUID());
    assertEquals(store.get(row.id).sequence(), other.at(row).sequence(), "another made 700");
    assertEquals(
        store.get(row.id).sequence(), new OpenSequences(snapshots, edits).at(row).sequence());
    // a last revision that was made differently after all
    EditRow last = journal.remove(journal.size() - 1);
    row.revision--;
    row.head = journal.get(journal.size() - 1).id;
    move("oda", 4, row.revision, UUID.randomUUID());
    assertEquals(last.revision, row.revision);
    Sequence now = other.at(row).sequence();
    assertEquals(4, now.get("oda").channel("x").at(1001));
    assertEquals(0.698, now.get("pim").channel("x").at(1001), 1e-12);
    verify(snapshots, org.mockito.Mockito.timeout(5000).atLeastOnce())
        .renew(any(), anyLong(), any());
  }

  /** Edits of builds before this one are in the journal as changes of whole things. */
  @Test
  void aJournalOfAnEarlierBuildIsRead() {
    Sequence before = store.get(row.id).sequence();
    Sequence after =
        Edit.apply(before, List.of(new ChannelCommand.SetValue("oda", "x", 1001, 9, false)));
    EditRow old = new EditRow();
    old.id = row.head = UUID.randomUUID();
    old.sequenceId = row.id;
    old.revision = row.revision = 1;
    old.change = SequenceJson.write(Change.between(before, after));
    old.touched = new String[] {"oda"};
    journal.add(old);
    assertEquals(
        9, new OpenSequences(snapshots, edits).at(row).sequence().get("oda").channel("x").at(1));
    assertThrows(Problem.class, () -> move("oda", 7, 0, UUID.randomUUID()));
  }

  @Test
  void aStatePutBackByHandIsReadOnceAndEditsGoOnFromIt() {
    for (int i = 1; i <= 3; i++) move("oda", i, i - 1, UUID.randomUUID());
    journal.clear();
    row.revision = 0;
    row.head = null;
    for (int i = 1; i <= 3; i++) {
      move("oda", 10 + i, i - 1, UUID.randomUUID());
      assertEquals(10 + i, x("oda"));
    }
    verify(snapshots, times(2)).findById(row.id); // once before, once since
  }
}
