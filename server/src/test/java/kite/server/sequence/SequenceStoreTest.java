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
import kite.core.codec.SequenceJson;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.Refusal;
import kite.demo.SaltWind;
import kite.server.Problem;
import kite.server.live.EditMade;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.context.ApplicationEventPublisher;

class SequenceStoreTest {
  private final Sequences sequences = mock(Sequences.class);
  private final Edits edits = mock(Edits.class);
  private final ApplicationEventPublisher events = mock(ApplicationEventPublisher.class);
  private final SequenceStore store =
      new SequenceStore(
          mock(Productions.class),
          sequences,
          edits,
          events,
          Clock.fixed(Instant.parse("2026-01-01T10:00:00Z"), ZoneOffset.UTC));
  private final SequenceRow row = new SequenceRow();
  private final List<EditRow> journal = new ArrayList<>();

  @BeforeEach
  void aStoredSequence() {
    row.id = UUID.randomUUID();
    row.document = SequenceJson.write(new SaltWind().sw010());
    when(sequences.hold(row.id)).thenReturn(Optional.of(row));
    when(edits.save(any()))
        .thenAnswer(
            i -> {
              journal.add(i.getArgument(0));
              return i.getArgument(0);
            });
    when(edits.findByIdAndSequenceId(any(), any()))
        .thenAnswer(i -> journal.stream().filter(e -> e.id.equals(i.getArgument(0))).findFirst());
    when(edits.findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(any(), anyLong()))
        .thenAnswer(
            i -> journal.stream().filter(e -> e.revision > i.<Long>getArgument(1)).toList());
  }

  private EditMade move(String id, double x, long revision, UUID edit) {
    List<Command> commands = List.of(new ChannelCommand.SetValue(id, "x", 1001, x, false));
    return store.edit(row.id, edit, revision, "pim", "Move", CommandJson.writeAll(commands));
  }

  private double x(String id) {
    return SequenceJson.read(row.document).get(id).channel("x").at(1001);
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
    String before = row.document;
    List<Command> bad = List.of(new ChannelCommand.SetValue("oda", "scaleX", 1001, -1, false));
    assertThrows(
        Refusal.class,
        () -> store.edit(row.id, UUID.randomUUID(), 0, "pim", "Bad", CommandJson.writeAll(bad)));
    assertThrows(
        Refusal.class,
        () ->
            store.edit(
                row.id,
                UUID.randomUUID(),
                0,
                "pim",
                "Bad",
                "{\"commands\":[{\"kind\":\"nonsense\",\"camera\":\"x\"}]}"));
    assertThrows(Problem.class, () -> move("oda", 1, 5, UUID.randomUUID()));
    assertEquals(before, row.document);
    assertEquals(0, journal.size());
  }
}
