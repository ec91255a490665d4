package kite.server.sequence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import kite.core.document.CameraPackage;
import kite.core.document.Standards;
import kite.core.form.StandardsJson;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.rules.Refusal;
import kite.demo.SaltWind;
import kite.server.Problem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class StandardsStoreTest {
  private final Productions productions = mock(Productions.class);
  private final Sequences sequences = mock(Sequences.class);
  private final SequenceStore edits = mock(SequenceStore.class);
  private final OpenSequences open = mock(OpenSequences.class);
  private final StandardsStore store = new StandardsStore(productions, sequences, edits, open);
  private final UUID id = UUID.randomUUID();
  private final Production production =
      new Production(id, "Salt Wind", "SW", StandardsJson.write(Standards.starting()).toString());
  private final SequenceRow row = new SequenceRow();
  private static final String WIDER =
      StandardsJson.write(
              Standards.of(
                  new Rate(24, 1),
                  new CameraPackage(new FilmBack(24.89, 14, 1), 2048, 858, Fit.WIDTH, 0)))
          .toString();

  @BeforeEach
  void aProduction() {
    row.id = UUID.randomUUID();
    row.code = "SW010";
    row.title = "The kite gets away";
    row.revision = 7;
    when(open.at(row)).thenReturn(new OpenSequences.Open(7, null, new SaltWind().sw010(), 0, 0));
    when(productions.hold(id)).thenReturn(Optional.of(production));
    when(sequences.idsOf(id)).thenReturn(List.of(row.id));
    when(sequences.findByProductionIdOrderByCode(id)).thenReturn(List.of(row));
  }

  @Test
  void lookingChangesNothing() {
    List<StandardsStore.Effect> effects = store.effects(id, WIDER);
    assertEquals(List.of("Delivery 1920 × 1080 → 2048 × 858"), effects.get(0).changes());
    verify(edits, never()).editNow(any(), any(), any(), any());
  }

  @Test
  void agreeingIsAnEditOfEverySequence() {
    StandardsStore.Agreed agreed = store.agree(id, 0, WIDER, "pim");
    assertEquals(WIDER, agreed.standards().text());
    verify(edits).editNow(eq(row.id), eq("pim"), any(), any());
  }

  @Test
  void whoComesLateOrBringsNonsenseIsToldAndNothingIsAgreed() {
    assertTrue(
        assertThrows(Problem.class, () -> store.agree(id, 3, WIDER, "oda"))
            .getMessage()
            .contains("Someone changed the standards"));
    String bad = WIDER.replace("\"nearClipM\":0.1", "\"nearClipM\":-1");
    assertThrows(Refusal.class, () -> store.agree(id, 0, bad, "pim"));
    assertThrows(Refusal.class, () -> store.effects(id, "{\"rate\":1}"));
    assertEquals(StandardsJson.write(Standards.starting()).toString(), production.standards());
    verify(edits, never()).editNow(any(), any(), any(), any());
  }
}
