package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class OrderTest {
  private static final List<Shot> SHOTS =
      List.of(new Shot("a", 1001, 1009, "0010"), new Shot("b", 1010, 1012, "0020"));

  @Test
  void firstThenLastThenMiddleThenQuartersOfEveryShot() {
    assertEquals(List.of(1, 10, 9, 12, 5, 11, 3, 7, 2, 4, 6, 8), Order.of(SHOTS, true));
  }

  @Test
  void orOneAfterTheOther() {
    assertEquals(IntStream.rangeClosed(1, 12).boxed().toList(), Order.of(SHOTS, false));
  }

  @Test
  void everyFrameComesOnceHoweverLongTheShots() {
    for (int n = 1; n < 70; n++) {
      List<Integer> all =
          Order.of(List.of(new Shot("a", 1, n, ""), new Shot("b", 1, 1, ""), SHOTS.get(0)), true);
      assertEquals(n + 10, all.size());
      assertEquals(
          new HashSet<>(IntStream.rangeClosed(1, n + 10).boxed().toList()), new HashSet<>(all));
    }
  }

  @Test
  void aNumberLeadsToItsFrameAndCamera() {
    assertEquals(new Shot.At("a", 1001, "0010"), Shot.at(SHOTS, 1));
    assertEquals(new Shot.At("a", 1009, "0010"), Shot.at(SHOTS, 9));
    assertEquals(new Shot.At("b", 1010, "0020"), Shot.at(SHOTS, 10));
    assertEquals(new Shot.At("b", 1012, "0020"), Shot.at(SHOTS, 12));
  }
}
