package kite.core.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.codec.SequenceJson;
import kite.core.delta.Delta;
import kite.core.document.Rate;
import kite.core.document.Sequence;
import kite.core.document.Standards;
import org.junit.jupiter.api.Test;

class BackToTest {
  @Test
  void aVersionComesBackWholeAndCanBeUndone() {
    for (int seed = 0; seed < 25; seed++) {
      Sequence kept = RandomDocuments.of(seed), now = RandomDocuments.of(seed + 100);
      Standards agreed = Standards.of(new Rate(25, 1), now.header().standards().cameraPackage());
      now = now.with(now.header().following(agreed));
      Change back = BackTo.version(now, kept);
      Sequence restored = Edit.apply(now, List.of(back.restore()));
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
}
