package kite.core.cut;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

class RanksTest {
  @Test
  void betweenAnyTwoThereIsAnother() {
    Random r = new Random(1);
    List<String> all = new ArrayList<>(Ranks.spread(3));
    for (int i = 0; i < 3000; i++) {
      int at = r.nextInt(all.size() + 1);
      String before = at == 0 ? null : all.get(at - 1);
      String after = at == all.size() ? null : all.get(at);
      all.add(at, Ranks.between(before, after));
    }
    assertEquals(List.copyOf(new TreeSet<>(all)), all, "in order, each once");
    assertTrue(all.stream().allMatch(w -> w.length() <= 12), "none grows long by chance");
  }

  @Test
  void aThousandBehindOneAnotherStayShort() {
    String last = null;
    for (int i = 0; i < 1000; i++) last = Ranks.between(last, null);
    assertEquals(3, last.length());
    String first = Ranks.between(null, last);
    for (int i = 0; i < 1000; i++) first = Ranks.between(null, first);
    assertTrue(first.length() <= 3, first);
  }

  @Test
  void alwaysInTheSamePlaceEndsWithNoRoomRatherThanAWrongOrder() {
    String before = "i00", after = "i01";
    int made = 0;
    for (String next; (next = Ranks.between(before, after)) != null; made++) {
      assertTrue(before.compareTo(next) < 0 && next.compareTo(after) < 0, next);
      after = next;
    }
    assertTrue(made > 900, made + " before the order is made anew");
    assertNull(Ranks.between("i00", "i00"), "between two alike there is none");
  }

  @Test
  void manyAreSpreadInOrder() {
    for (int n : new int[] {0, 1, 2, 1000, 20000, 60000}) {
      List<String> all = Ranks.spread(n);
      assertEquals(n, all.size());
      assertEquals(all, List.copyOf(new TreeSet<>(all)), n + " in order, each once");
    }
  }
}
