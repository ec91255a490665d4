package kite.core.cutting;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.cut.Programme;
import kite.core.cutting.Switching.Press;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class SwitchingTest {
  /** cut0: cam0 over frames 1 to 19, cut1 over 20 to 40, cut2: cam2 slowly. */
  private static final Sequence S = RandomDocuments.of(1);

  private static List<String> cut(Sequence s) {
    return Programme.of(s).placed().stream().map(p -> p.camera() + " " + p.frames()).toList();
  }

  private static Sequence after(Sequence s, List<Command> commands) {
    return Edit.apply(s, commands);
  }

  @Test
  void whatWasPressedIsAnOrdinaryCut() {
    Sequence now =
        after(
            S,
            Switching.all(
                S,
                List.of(
                    new Press(5.3, "cam2", "a"),
                    new Press(9, "cam2", "b"), // live already
                    new Press(12.9, "cam1", "c"),
                    new Press(12.95, "cam0", "d"), // on the same frame: the later one
                    new Press(41, "cam1", "e"))));
    List<String> was = cut(S), is = cut(now);
    assertEquals(List.of("cam0 4", "cam2 7", "cam0 8"), is.subList(0, 3));
    assertEquals(was.get(1), is.get(3));
    assertEquals("cam1 12", is.get(4));
    // what happens on each frame is as it was
    Programme before = Programme.of(S), then = Programme.of(now);
    assertEquals(before.lastFrame(), then.lastFrame());
    for (int f = 1; f <= before.lastFrame(); f++) assertEquals(before.scene(f), then.scene(f));
    List<String> codes = Programme.of(now).placed().stream().map(Programme.Placed::shot).toList();
    assertEquals(codes.size(), codes.stream().distinct().count(), "each has a code: " + codes);
    assertEquals(List.of("RND_0010", "RND_0015"), codes.subList(0, 2));
  }

  @Test
  void aFrameOfTheSceneIsCutWhereItIsSeen() {
    assertEquals(
        List.of("cam0 9", "cam2 10"),
        cut(after(S, Switching.here(S, 10, null, "cam2", "n"))).subList(0, 2));
    // frame 12 is seen in the first shot, and in the slow one: there where one is
    List<String> slow = cut(after(S, Switching.here(S, 12, "cut2", "cam1", "n")));
    assertEquals(List.of("cam2 3", "cam1 9"), slow.subList(2, 4));
  }

  @Test
  void whereNothingIsSeenAShotBegins() {
    Sequence empty =
        after(S, List.of(new EntityCommand.Remove(List.of("cut0", "cut1", "cut2"), true)));
    assertThrows(Refusal.class, () -> Switching.all(empty, List.of(new Press(4, "cam0", "n"))));
    Sequence one = after(empty, Switching.here(empty, 11, null, "cam0", "n"));
    assertEquals(List.of("cam0 30"), cut(one), "to the sequence's end");
    Sequence two = after(one, Switching.here(one, 5, null, "cam1", "m"));
    assertEquals(List.of("cam1 6", "cam0 30"), cut(two), "to where the next begins");
    assertEquals(5, ((Shot) two.get("m")).take().first());
    assertTrue(cut(after(two, Switching.here(two, 5, null, "cam1", "again"))).equals(cut(two)));
  }
}
