package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class OrderTest {
  private static final List<Shot> SHOTS =
      List.of(new Shot("a", 1001, 1009, "0010", null), new Shot("b", 1010, 1012, "0020", null));

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
          Order.of(
              List.of(new Shot("a", 1, n, "", null), new Shot("b", 1, 1, "", null), SHOTS.get(0)),
              true);
      assertEquals(n + 10, all.size());
      assertEquals(
          new HashSet<>(IntStream.rangeClosed(1, n + 10).boxed().toList()), new HashSet<>(all));
    }
  }

  @Test
  void aNumberLeadsToItsFrameAndCamera() {
    assertEquals(new Shot.At("a", 1001, 1001, 1002, "0010"), Shot.at(SHOTS, 1));
    assertEquals(new Shot.At("a", 1009, 1009, 1010, "0010"), Shot.at(SHOTS, 9));
    assertEquals(new Shot.At("b", 1010, 1010, 1011, "0020"), Shot.at(SHOTS, 10));
    assertEquals(new Shot.At("b", 1012, 1012, 1013, "0020"), Shot.at(SHOTS, 12));
  }

  @Test
  void aRetimedRunShowsFramesOfTheSceneBetweenItsNumbers() {
    List<Shot> slow = List.of(new Shot("a", 1001, 1003, "0010", List.of(20.0, 20.5, 21.0)));
    assertEquals(new Shot.At("a", 1001, 20, 20.5, "0010"), Shot.at(slow, 1));
    assertEquals(new Shot.At("a", 1003, 21, 21.5, "0010"), Shot.at(slow, 3));
    assertEquals(0.5, Shot.at(slow, 3).rate());
    assertEquals(slow, Shot.read(Shot.write(slow)));
    String earlier = "[{\"camera\":\"a\",\"first\":5,\"last\":6,\"code\":null}]";
    assertEquals(new Shot.At("a", 6, 6, 7, null), Shot.at(Shot.read(earlier), 2));
  }
}
