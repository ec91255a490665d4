package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class UrgencyTest {
  @Test
  void whatIsUrgentComesBeforeAllElseHoweverFarBackInItsRow() {
    long far = 3_000_000_000L;
    assertTrue(Urgency.URGENT.priority(far) > Urgency.NORMAL.priority(0));
    assertTrue(Urgency.NORMAL.priority(far) > Urgency.LATER.priority(0));
    assertTrue(Urgency.NORMAL.priority(3) > Urgency.NORMAL.priority(4));
  }
}
