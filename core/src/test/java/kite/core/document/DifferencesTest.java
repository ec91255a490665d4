package kite.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import kite.core.RandomDocuments;
import org.junit.jupiter.api.Test;

/** What is another thing in two sequences. */
class DifferencesTest {
  private static final int THINGS = 2000;

  private static Mark mark(int i, double x) {
    return new Mark("m" + i, "Mark " + i, null, null, Channels.NONE.with("x", x));
  }

  private static Sequence many(Random r) {
    Sequence s = new Sequence(RandomDocuments.header(), java.util.Map.of());
    for (int i = 0; i < THINGS; i++) s = s.with(mark(r.nextInt(2 * THINGS), 0));
    return s;
  }

  private static List<String> told(Sequence a, Sequence b) {
    List<String> all = new ArrayList<>();
    a.differences(b, (was, now) -> all.add(said(was, now)));
    return all;
  }

  private static String said(Entity was, Entity now) {
    if (was != null && now != null) assertEquals(was.id(), now.id());
    String id = (was == null ? now : was).id();
    return id + (was == null ? " came" : now == null ? " went" : " changed");
  }

  /** By asking each of the two for everything. */
  private static List<String> looked(Sequence a, Sequence b) {
    TreeSet<String> ids = new TreeSet<>(a.entities().keySet());
    ids.addAll(b.entities().keySet());
    List<String> all = new ArrayList<>();
    for (String id : ids) if (a.get(id) != b.get(id)) all.add(said(a.get(id), b.get(id)));
    return all;
  }

  @Test
  void areThoseThatAreFoundByLookingAtEverything() {
    Random r = new Random(3);
    Sequence a = many(r);
    for (int edits : new int[] {0, 1, 2, 17, 300, 5000}) {
      Sequence b = a;
      for (int i = 0; i < edits; i++) {
        int which = r.nextInt(2 * THINGS);
        b = r.nextInt(3) == 0 ? b.without("m" + which) : b.with(mark(which, i));
      }
      assertEquals(looked(a, b), told(a, b));
      assertEquals(looked(b, a), told(b, a));
    }
    Sequence other = many(r);
    assertEquals(looked(a, other), told(a, other), "two that share nothing");
    Sequence none = new Sequence(a.header(), java.util.Map.of());
    assertEquals(looked(none, a), told(none, a));
    assertEquals(looked(a, none), told(a, none));
    assertTrue(told(a, a).isEmpty());
  }
}
