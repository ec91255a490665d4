package kite.render.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class SpreadTest {
  /** Of 2^k samples each box of 2^-k area holds exactly one, however the area is shaped. */
  @Test
  void theFirstPowersOfTwoFillEveryElementaryBoxOnce() {
    for (int choice = 0; choice < 5; choice++)
      for (int k = 1; k <= 8; k++) {
        Spread s = new Spread(256);
        int n = 1 << k;
        for (int across = 0; across <= k; across++) {
          Set<Integer> boxes = new HashSet<>();
          for (int i = 0; i < n; i++) {
            s.at(17, 5, i);
            s.pair(choice);
            assertTrue(s.x >= 0 && s.x < 1 && s.y >= 0 && s.y < 1);
            int x = (int) (s.x * (1 << across)), y = (int) (s.y * (1 << (k - across)));
            boxes.add(x << 16 | y);
          }
          assertEquals(n, boxes.size(), n + " samples, " + across + " halvings across");
        }
      }
  }

  @Test
  void pixelsChoicesAndSamplesDifferAndComeAgainTheSame() {
    Spread s = new Spread(16);
    s.at(3, 4, 5);
    s.pair(1);
    double x = s.x, y = s.y;
    s.pair(2);
    assertNotEquals(x, s.x);
    s.at(4, 4, 5);
    s.pair(1);
    assertNotEquals(x, s.x);
    s.at(3, 4, 5);
    s.pair(1);
    assertEquals(x, s.x);
    assertEquals(y, s.y);
  }

  @Test
  void theErrorFallsFasterThanThatOfRandomSampling() {
    double[] even = new double[2], random = new double[2];
    int[] counts = {16, 256};
    for (int c = 0; c < 2; c++) {
      Random r = new Random(1);
      for (int pixel = 0; pixel < 200; pixel++) {
        Spread s = new Spread(counts[c]);
        double a = 0, b = 0;
        for (int i = 0; i < counts[c]; i++) {
          s.at(pixel, 0, i);
          s.pair(0);
          a += inQuarter(s.x, s.y);
          b += inQuarter(r.nextDouble(), r.nextDouble());
        }
        even[c] += Math.pow(a / counts[c] - Math.PI / 4, 2);
        random[c] += Math.pow(b / counts[c] - Math.PI / 4, 2);
      }
    }
    // sixteen times the samples: a quarter of the error at random, less than an eighth when spread
    assertEquals(4, Math.sqrt(random[0] / random[1]), 1.2);
    assertTrue(Math.sqrt(even[0] / even[1]) > 6.5, "falls by " + Math.sqrt(even[0] / even[1]));
    assertTrue(even[0] < random[0] / 3);
  }

  private static double inQuarter(double x, double y) {
    return x * x + y * y < 1 ? 1 : 0;
  }

  @Test
  void samplesHaveBounds() {
    assertThrows(IllegalArgumentException.class, () -> new Spread(0));
    assertThrows(IllegalArgumentException.class, () -> new Spread(Spread.MOST + 1));
    Spread one = new Spread(1);
    one.at(0, 0, 0);
    one.pair(0);
    assertTrue(one.x >= 0 && one.x < 1);
  }

  @Test
  void aDiscIsFilledEvenly() {
    Disc d = new Disc();
    Spread s = new Spread(1024);
    int inner = 0;
    for (int i = 0; i < 1024; i++) {
      s.at(0, 0, i);
      s.pair(0);
      d.at(s.x, s.y);
      double r = Math.hypot(d.x, d.y);
      assertTrue(r <= 1);
      if (r < Math.sqrt(0.5)) inner++;
    }
    assertEquals(512, inner, 12);
    d.at(0.5, 0.5);
    assertEquals(0, d.x);
  }
}
