package kite.server.sequence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.UUID;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.demo.SaltWind;
import kite.server.Problem;
import kite.server.live.Happened;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.context.ApplicationEventPublisher;

class VersionStoreTest {
  private static final Instant NOW = Instant.parse("2031-05-04T10:00:00Z");
  private final Sequences sequences = mock(Sequences.class);
  private final Versions versions = mock(Versions.class);
  private final HeldSequences held = mock(HeldSequences.class);
  private final OpenSequences open = mock(OpenSequences.class);
  private final ApplicationEventPublisher events = mock(ApplicationEventPublisher.class);
  private final VersionStore store =
      new VersionStore(
          sequences,
          held,
          versions,
          open,
          mock(EntityManager.class),
          events,
          Clock.fixed(NOW, ZoneOffset.UTC));
  private final Sequence document = new SaltWind().sw010();
  private final SequenceRow row = new SequenceRow();

  @BeforeEach
  void aSequence() {
    row.id = UUID.randomUUID();
    row.revision = 7;
    when(open.at(row)).thenReturn(new OpenSequences.Open(7, null, document, 0, 0));
    when(held.findById(row.id)).thenReturn(Optional.of(row));
    when(versions.last(row.id)).thenReturn(3);
  }

  @Test
  void aVersionHasTheNextNumberAndSaysWhoAndWhen() {
    VersionStore.Kept kept = store.keep(row.id, 7, "  First pass ", null, "pim");
    assertEquals(new VersionStore.Kept(4, "First pass", "", "pim", NOW, 7), kept);
    ArgumentCaptor<VersionRow> saved = ArgumentCaptor.forClass(VersionRow.class);
    verify(versions).save(saved.capture());
    assertEquals(document, SequenceJson.read(saved.getValue().document));
    ArgumentCaptor<Happened> told = ArgumentCaptor.forClass(Happened.class);
    verify(events).publishEvent(told.capture());
    assertEquals(Happened.Kind.VERSION, told.getValue().kind());
    assertEquals(4, told.getValue().more().get("number"));
  }

  @Test
  void whatNobodySawIsNotKept() {
    Problem p = assertThrows(Problem.class, () -> store.keep(row.id, 6, "x", "", "pim"));
    assertEquals(409, p.status().value());
    assertTrue(p.getMessage().contains("changed meanwhile"));
    verify(versions, never()).save(any());
  }

  @Test
  void tooMuchTextIsRefused() {
    assertThrows(Problem.class, () -> store.keep(row.id, 7, "x".repeat(81), "", "pim"));
    assertThrows(Problem.class, () -> store.keep(row.id, 7, "x", "y".repeat(2001), "pim"));
    assertThrows(Problem.class, () -> store.keep(UUID.randomUUID(), 7, "x", "", "pim"));
    assertThrows(Problem.class, () -> store.document(row.id, 9));
    verify(versions, never()).save(any());
  }
}
