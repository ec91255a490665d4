package kite.core.command;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import kite.core.RandomDocuments;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.evaluate.Plan;
import kite.core.model.Models;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class CopyInTest {
  /** A camera that came into a full sequence sees what it saw, frame by frame. */
  @Test
  void aCameraComesWithWhatItLeansOnAndMovesAsItDid() {
    int cameras = 0;
    for (int seed = 0; seed < 12; seed++) {
      Sequence from = RandomDocuments.of(seed);
      Sequence into = RandomDocuments.of(seed + 500).with(from.header());
      for (Camera c : from.all(Camera.class)) {
        Change change = CopyIn.of(into, from, List.of(c.id()));
        assertTrue(change.before().isEmpty(), "nothing that is here changes");
        Sequence now = Edit.apply(into, List.of(SequenceCommand.Restore.to(change)));
        Camera copy =
            change.after().values().stream()
                .filter(e -> e.id().matches(Pattern.quote(c.id()) + "(-\\d+)?"))
                .map(e -> (Camera) e)
                .findFirst()
                .orElseThrow();
        Plan was = new Plan(from, Models.NONE), is = new Plan(now, Models.NONE);
        for (int frame : new int[] {from.header().firstFrame(), 1010, 1033}) {
          was.evaluate(frame);
          is.evaluate(frame);
          assertArrayEquals(place(was, c.id()), place(is, copy.id()), 1e-9, "seed " + seed);
        }
        cameras++;
      }
    }
    assertTrue(cameras > 15, "cameras: " + cameras);
  }

  private static double[] place(Plan plan, String id) {
    double[] m = new double[3];
    for (int i = 0; i < 3; i++) m[i] = plan.world()[plan.slot(id) * 16 + 12 + i];
    return m;
  }

  @Test
  void idsNamesAndLettersAreFreeAndTheCutStays() {
    Sequence s = RandomDocuments.of(3);
    List<String> all = List.copyOf(s.entities().keySet());
    Sequence twice = Edit.apply(s, List.of(SequenceCommand.Restore.to(CopyIn.of(s, s, all))));
    assertEquals(s.all(Shot.class).size(), twice.all(Shot.class).size());
    Set<String> names = new HashSet<>();
    for (Entity e : twice.entities().values())
      if (!(e instanceof Shot)) assertTrue(names.add(e.name()), e.name());
    Set<String> letters = new HashSet<>();
    for (Camera c : twice.all(Camera.class)) assertTrue(letters.add(c.letter()), c.letter());
    assertTrue(CopyIn.of(s, s, List.of()).isEmpty());
    assertThrows(
        Refusal.class, () -> CopyIn.of(new Sequence(s.header(), Map.of()), s, List.of("no")));
  }
}
