package kite.server.sequence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyBoolean;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import kite.core.form.StandardsJson;
import kite.core.rules.Refusal;
import kite.server.Problem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;

class LibraryTest {
  private static final Instant NOW = Instant.parse("2026-03-01T10:00:00Z");
  private final Productions productions = mock(Productions.class);
  private final Sequences sequences = mock(Sequences.class);
  private final HeldSequences held = mock(HeldSequences.class);
  private final SequenceStore store = mock(SequenceStore.class);
  private final Removing removing = mock(Removing.class);
  private final Clock clock = mock(Clock.class);
  private final Library library = new Library(productions, sequences, held, store, removing, clock);
  private final UUID film = UUID.randomUUID();
  private final SequenceRow row = new SequenceRow();

  @BeforeEach
  void aProductionWithASequence() {
    when(clock.instant()).thenReturn(NOW);
    String standards = StandardsJson.write(Standards.starting()).toString();
    Production p = new Production(film, "Salt Wind", "SW", standards);
    when(productions.findById(film)).thenReturn(Optional.of(p));
    when(productions.hold(film)).thenReturn(Optional.of(p));
    when(productions.saveAndFlush(any())).thenAnswer(i -> i.getArgument(0));
    when(sequences.codesOf(film)).thenReturn(List.of("SW010"));
    row.id = UUID.randomUUID();
    row.production = p;
    row.code = "SW010";
    when(held.findById(row.id)).thenReturn(Optional.of(row));
  }

  private static void refused(String code, String field, Runnable work) {
    Problem p = assertThrows(Problem.class, work::run);
    assertEquals(code, p.body().code(), p.getMessage());
    assertEquals(field, p.body().field(), p.getMessage());
  }

  @Test
  void aProductionBeginsWithAStartingPointOrAnothersStandards() {
    ArgumentCaptor<Production> made = ArgumentCaptor.forClass(Production.class);
    library.begin(" Lee Shore ", "LS", "hd-25", null, null);
    library.begin("Long Swell", "LG", null, film, null);
    verify(productions, times(2)).saveAndFlush(made.capture());
    assertEquals("Lee Shore", made.getAllValues().get(0).name());
    assertEquals(
        25, StandardsJson.read(made.getAllValues().get(0).standards()).rate().perSecond(), 1e-12);
    assertEquals(Standards.starting(), StandardsJson.read(made.getAllValues().get(1).standards()));
  }

  @Test
  void namesAndCodesThatAreTakenOrNoneAreRefusedAtTheirField() {
    when(productions.existsByNameIgnoreCase("salt wind")).thenReturn(true);
    when(productions.existsByCodeIgnoreCase("sw")).thenReturn(true);
    refused("taken", "name", () -> library.begin("salt wind", "X", "hd-25", null, null));
    refused("taken", "code", () -> library.begin("Other", "sw", "hd-25", null, null));
    assertEquals(
        "name",
        assertThrows(Refusal.class, () -> library.begin("", "X", "hd-25", null, null)).field());
    refused("missing", "", () -> library.begin("Other", "X", "none", null, null));
    verify(productions, never()).saveAndFlush(any());
  }

  @Test
  void aSequenceBeginsUnderTheProductionsStandards() {
    ArgumentCaptor<Sequence> made = ArgumentCaptor.forClass(Sequence.class);
    library.begin(film, "SW020", "Next", Library.Begin.FIRST_SET, null, null);
    verify(store).create(any(UUID.class), made.capture());
    assertEquals(Standards.starting(), made.getValue().header().standards());
    assertEquals("SW020", made.getValue().header().code());
    assertEquals("SW020", library.nextCode(film));
  }

  @Test
  void whatIsInTheBinIsKeptForItsTimeAndGoneOnlyWithItsCode() {
    refused("kept", "", () -> library.remove(row.id, "SW010"));
    library.move(row.id, Sequences.Where.ARCHIVE);
    assertNotNull(row.archivedAt);
    library.move(row.id, Sequences.Where.BIN);
    assertEquals(NOW, row.binnedAt);
    when(clock.instant()).thenReturn(NOW.plus(Duration.ofDays(29)));
    refused("kept", "", () -> library.remove(row.id, "SW010"));
    when(clock.instant()).thenReturn(NOW.plus(Library.KEPT_IN_BIN));
    refused("code", "code", () -> library.remove(row.id, "SW020"));
    verify(removing, never()).forGood(any());
    library.remove(row.id, " SW010 ");
    verify(removing).forGood(row.id);
    library.move(row.id, Sequences.Where.HERE);
    assertNull(row.binnedAt);
    assertNull(row.archivedAt);
  }

  @Test
  void whatIsLookedForIsNoPattern() {
    ArgumentCaptor<String> find = ArgumentCaptor.forClass(String.class);
    library.list(
        Set.of(UUID.randomUUID()),
        " 50%_Gale! ",
        Sequences.Where.HERE,
        null,
        false,
        "pim",
        true,
        0);
    verify(sequences)
        .lastFirst(
            any(),
            find.capture(),
            anyString(),
            any(),
            anyBoolean(),
            anyString(),
            anyInt(),
            anyInt());
    assertEquals("%50!%!_gale!!%", find.getValue());
  }

  @Test
  void aPageIsLookedForOnlyInTheProductionsThatItLiesIn() {
    UUID a = new UUID(0, 1), b = new UUID(0, 2), c = new UUID(0, 3), d = new UUID(0, 4);
    Set<UUID> all = Set.of(a, b, c, d);
    when(sequences.wanted(all, "", "HERE", null, false, "pim"))
        .thenReturn(
            List.of(
                new Object[] {a, 50L},
                new Object[] {b, 40L},
                new Object[] {c, 100L},
                new Object[] {d, 9L}));
    library.list(all, "", Sequences.Where.HERE, null, false, "pim", false, 1);
    verify(sequences).byCode(List.of(b, c), "", "HERE", null, false, "pim", 10, Library.PAGE);
    library.list(all, "", Sequences.Where.HERE, null, false, "pim", false, 3);
    verify(sequences).byCode(List.of(c, d), "", "HERE", null, false, "pim", 90, Library.PAGE);
    assertEquals(
        List.of(), library.list(all, "", Sequences.Where.HERE, null, false, "pim", false, 4));
  }
}
