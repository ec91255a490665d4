package kite.server.watch;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Duration;
import org.junit.jupiter.api.Test;

class WaitsTest {
  @Test
  void theyGrowToAnHour() {
    Waits waits = new Waits(Duration.ofSeconds(5));
    assertEquals(Duration.ofSeconds(5), waits.after(1));
    assertEquals(Duration.ofMinutes(2), waits.after(3));
    assertEquals(Duration.ofHours(1), waits.after(6));
    assertEquals(Duration.ofHours(1), waits.after(600));
  }
}
