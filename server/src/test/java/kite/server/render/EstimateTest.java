package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class EstimateTest {
  @Test
  void framesBetweenTwoTakeWhatLiesBetween() {
    // 1, 5 and 9 are there: 2, 3, 4 take 3, 4, 5 and 6, 7, 8 take 5, 4, 3; 10 takes what 9 took
    TreeMap<Integer, Double> took = new TreeMap<>(Map.of(1, 2.0, 5, 6.0, 9, 2.0));
    assertEquals(12 + 12 + 2, Estimate.ofTheRest(took, 10), 1e-12);
  }

  @Test
  void nothingIsKnownOfNothing() {
    assertEquals(0, Estimate.ofTheRest(new TreeMap<>(), 10));
  }

  /**
   * A shot that grows dearer towards its end: in early order it is known soon what it will take.
   */
  @Test
  void itGetsBetterSoonestInEarlyOrder() {
    List<Shot> shots = List.of(new Shot("a", 1, 100, "", null));
    double early = error(Order.of(shots, true), 8), inOrder = error(Order.of(shots, false), 8);
    assertTrue(early < 0.1, "off by " + early);
    assertTrue(inOrder > 0.5, "off by " + inOrder);
    assertTrue(error(Order.of(shots, true), 40) < early);
  }

  private static double error(List<Integer> order, int there) {
    TreeMap<Integer, Double> took = new TreeMap<>();
    for (int n : order.subList(0, there)) took.put(n, cost(n));
    double left = order.subList(there, order.size()).stream().mapToDouble(EstimateTest::cost).sum();
    return Math.abs(Estimate.ofTheRest(took, order.size()) - left) / left;
  }

  private static double cost(int n) {
    return 1 + n * n / 500.0;
  }
}
