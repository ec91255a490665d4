package kite.core.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.delta.Delta;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import kite.core.form.SequenceJson;
import kite.core.number.Rate;
import kite.core.rules.Change;
import kite.core.rules.Reference;
import kite.core.rules.References;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class BackToTest {
  @Test
  void aVersionComesBackWholeAndCanBeUndone() {
    for (int seed = 0; seed < 25; seed++) {
      Sequence kept = RandomDocuments.of(seed), now = RandomDocuments.of(seed + 100);
      Standards agreed = Standards.of(new Rate(25, 1), now.header().standards().cameraPackage());
      now = now.with(now.header().withStandards(agreed));
      Change back = BackTo.version(now, kept);
      Sequence restored = Edit.apply(now, List.of(SequenceCommand.Restore.to(back)));
      assertEquals(kept.entities(), restored.entities());
      assertEquals(agreed, restored.header().standards(), "the production's standards stay");
      assertEquals(kept.header().title(), restored.header().title());
      Sequence undone =
          Edit.apply(restored, List.of(new SequenceCommand.Amend(Delta.of(back).turned())));
      assertEquals(SequenceJson.write(now), SequenceJson.write(undone));
    }
  }

  @Test
  void itSaysWhatWillBeDifferent() {
    Sequence kept = RandomDocuments.of(5);
    assertTrue(BackTo.sentences(BackTo.version(kept, kept)).isEmpty());
    Sequence now = Edit.apply(kept, List.of(new EntityCommand.Remove(List.of("mark"), true)));
    List<String> says = BackTo.sentences(BackTo.version(now, kept));
    assertTrue(says.stream().anyMatch(t -> t.startsWith("Comes back: ")), says.toString());
    List<String> other = BackTo.sentences(BackTo.version(kept, now));
    assertTrue(other.stream().anyMatch(t -> t.startsWith("Goes: ")), other.toString());
  }

  /** One thing comes back as it was, with what is gone that it leans on; all else stays. */
  @Test
  void oneThingComesBackAlone() {
    int back = 0;
    for (int seed = 0; seed < 120; seed++) {
      Sequence then = RandomDocuments.of(seed), now = RandomDocuments.of(seed + 7);
      now = now.with(then.header());
      for (Entity e : then.entities().values()) {
        Change c = BackTo.thing(now, then, e.id());
        Sequence after;
        try {
          after = c.isEmpty() ? now : Edit.apply(now, List.of(SequenceCommand.Restore.to(c)));
        } catch (Refusal r) {
          continue; // what stays does not go with it, as a loop; that is said
        }
        back++;
        assertEquals(e, after.get(e.id()));
        for (Reference r : References.of(e))
          assertTrue(after.get(r.to()) != null || then.get(r.to()) == null, e.id());
        for (Entity had : now.entities().values())
          if (!had.id().equals(e.id())) assertEquals(had, after.get(had.id()));
      }
    }
    assertTrue(back > 300, "most can come back: " + back);
    Sequence now = RandomDocuments.of(1);
    assertThrows(Refusal.class, () -> BackTo.thing(now, now, "never there"));
  }
}
