package kite.core.cutting;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.cut.Programme;
import kite.core.cutting.NewShot.How;
import kite.core.document.Sequence;
import org.junit.jupiter.api.Test;

class NewShotTest {
  /** Three shots of 19, 21 and 12 frames from frame 1 on. */
  private static final Sequence S = RandomDocuments.of(1);

  private static List<String> after(double frame, How how) {
    Sequence now = Edit.apply(S, NewShot.at(S, frame, how, "cam1", 30, 6, "new", "rest"));
    return Programme.of(now).placed().stream().map(p -> p.shot() + " " + p.frames()).toList();
  }

  @Test
  void whatIsThereComesLater() {
    assertEquals(
        List.of("RND_0010 4", "RND_0015 6", "RND_0018 15", "RND_0020 21", "RND_0030 12"),
        after(5, How.INSERT));
    assertEquals(
        List.of("RND_0010 19", "RND_0015 6", "RND_0020 21", "RND_0030 12"), after(20, How.INSERT));
  }

  @Test
  void orIsCovered() {
    assertEquals(
        List.of("RND_0010 4", "RND_0015 6", "RND_0018 9", "RND_0020 21", "RND_0030 12"),
        after(5, How.OVERWRITE));
    assertEquals(
        List.of("RND_0010 15", "RND_0015 6", "RND_0020 19", "RND_0030 12"),
        after(16, How.OVERWRITE));
    assertEquals(
        List.of("RND_0010 19", "RND_0020 21", "RND_0030 8", "RND_0040 6"),
        after(49, How.OVERWRITE),
        "it goes on behind the last");
  }

  @Test
  void boardsComeBehindAllInTheirOrder() {
    List<String> pictures = List.of("ab".repeat(32), "cd".repeat(32));
    Sequence now = Edit.apply(S, NewShot.boards(S, pictures, List.of("one", "two"), 48));
    Programme p = Programme.of(now);
    assertEquals(
        List.of("RND_0040 48", "RND_0050 48"),
        p.placed().subList(3, 5).stream().map(x -> x.shot() + " " + x.frames()).toList());
    assertEquals(pictures, p.placed().subList(3, 5).stream().map(Programme.Placed::board).toList());
    assertEquals(null, p.of("one").camera());
  }

  @Test
  void orItComesBehindAll() {
    List<String> behind = List.of("RND_0010 19", "RND_0020 21", "RND_0030 12", "RND_0040 6");
    assertEquals(behind, after(5, How.APPEND));
    assertEquals(behind, after(900, How.INSERT), "there is nothing on this frame");
  }
}
