package kite.server.sequence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.UUID;
import kite.core.codec.SavedRigJson;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.readyrig.SavedRig;
import kite.core.rules.Refusal;
import kite.demo.SaltWind;
import kite.server.Problem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class SavedRigStoreTest {
  private static final Instant NOW = Instant.parse("2031-05-04T10:00:00Z");
  private final Sequences sequences = mock(Sequences.class);
  private final SavedRigs rigs = mock(SavedRigs.class);
  private final SavedRigStore store =
      new SavedRigStore(sequences, rigs, Clock.fixed(NOW, ZoneOffset.UTC));
  private final UUID sequence = UUID.randomUUID();
  private final UUID production = UUID.randomUUID();
  private static final String RIG = rig();

  private static String rig() {
    Sequence s = new SaltWind().sw010();
    return SavedRigJson.write(SavedRig.of(s, s.all(Camera.class).get(1)));
  }

  @BeforeEach
  void aProduction() {
    SequenceRow row = new SequenceRow();
    row.production = new Production(production, "Salt Wind", "SW", "{}");
    when(sequences.findById(sequence)).thenReturn(Optional.of(row));
    when(rigs.saveAndFlush(any())).thenAnswer(i -> i.getArgument(0));
  }

  private SavedRigRow taken() {
    SavedRigRow row = new SavedRigRow();
    row.id = UUID.randomUUID();
    row.productionId = production;
    row.name = "Stall rail";
    row.rig = "old";
    when(rigs.findByProductionIdAndName(production, "Stall rail")).thenReturn(Optional.of(row));
    when(rigs.findById(row.id)).thenReturn(Optional.of(row));
    return row;
  }

  @Test
  void aRigIsSavedUnderItsName() {
    SavedRigStore.Saved saved = store.save(sequence, " Stall rail ", RIG, false, "pim");
    assertEquals("Stall rail", saved.name());
    assertEquals(RIG, saved.rig().text());
    assertEquals(NOW, saved.savedAt());
  }

  @Test
  void aTakenNameIsNotOverwrittenUnasked() {
    SavedRigRow row = taken();
    Problem p =
        assertThrows(Problem.class, () -> store.save(sequence, "Stall rail", RIG, false, "pim"));
    assertEquals(409, p.status().value());
    assertEquals("old", row.rig);
    assertEquals(row.id, store.save(sequence, "Stall rail", RIG, true, "pim").id());
    assertEquals(RIG, row.rig);
  }

  @Test
  void whatIsNoRigIsRefused() {
    assertThrows(Refusal.class, () -> store.save(sequence, "x", "{\"rig\":7}", false, "pim"));
    assertThrows(Problem.class, () -> store.save(sequence, " ", RIG, false, "pim"));
    assertThrows(Problem.class, () -> store.save(sequence, "x", null, false, "pim"));
    verify(rigs, never()).saveAndFlush(any());
  }

  @Test
  void onlyTheProductionsOwnRigsAreForgotten() {
    SavedRigRow row = taken();
    store.forget(sequence, row.id);
    verify(rigs).delete(row);
    row.productionId = UUID.randomUUID();
    assertThrows(Problem.class, () -> store.forget(sequence, row.id));
  }
}
