package kite.server.account;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class SignInLimitTest {
  private final Clock clock = mock(Clock.class);
  private final SignInLimit limit = new SignInLimit(clock);
  private final Instant start = Instant.parse("2026-01-01T10:00:00Z");

  @Test
  void aNameMayBeTriedSoOftenAndAgainAfterAWhile() {
    when(clock.instant()).thenReturn(start);
    for (int i = 0; i < SignInLimit.TRIES; i++) {
      assertFalse(limit.tooMany("here pim"));
      limit.failed("here pim");
    }
    assertTrue(limit.tooMany("here pim"));
    assertFalse(limit.tooMany("there pim"), "another address is another matter");
    when(clock.instant()).thenReturn(start.plus(SignInLimit.WHILE).plusSeconds(1));
    assertFalse(limit.tooMany("here pim"));
  }

  @Test
  void comingInForgetsTheFailures() {
    when(clock.instant()).thenReturn(start);
    for (int i = 0; i < SignInLimit.TRIES; i++) limit.failed("here oda");
    limit.cameIn("here oda");
    assertFalse(limit.tooMany("here oda"));
  }
}
