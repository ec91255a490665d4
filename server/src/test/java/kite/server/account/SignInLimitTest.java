package kite.server.account;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class SignInLimitTest {
  private static final Instant START = Instant.parse("2026-01-01T10:00:00Z");
  private final Clock clock = mock(Clock.class);
  private final SignInLimit limit = new SignInLimit(clock);

  @BeforeEach
  void now() {
    when(clock.instant()).thenReturn(START);
  }

  private void fail(String name, String address, int times) {
    for (int i = 0; i < times; i++) assertTrue(limit.begins(name, address));
  }

  @Test
  void aNameIsTriedSoOftenFromOneAddressHoweverItIsWritten() {
    fail("pim", "a", SignInLimit.TRIES);
    for (String same : List.of("pim", " pim ", "PIM", "pim\u00a0", "\uff50im"))
      assertFalse(limit.begins(same, "a"), "“" + same + "”");
    assertTrue(limit.begins("pim", "b"), "not for those at another address");
    assertTrue(limit.begins("oda", "a"), "nor for another name");
  }

  @Test
  void spreadingOverNamesOrAddressesIsLimitedToo() {
    for (int i = 0; i < SignInLimit.FROM_ADDRESS; i++) assertTrue(limit.begins("name" + i, "a"));
    assertFalse(limit.begins("another", "a"));
    for (int i = 0; i < SignInLimit.FOR_NAME; i++) assertTrue(limit.begins("pim", "b" + i));
    assertFalse(limit.begins("pim", "c"));
  }

  @Test
  void aHundredAtOnceAreAHundred() {
    AtomicInteger passed = new AtomicInteger();
    IntStream.range(0, 100)
        .parallel()
        .forEach(
            i -> {
              if (limit.begins("pim", "a")) passed.incrementAndGet();
            });
    assertTrue(passed.get() == SignInLimit.TRIES, passed + " passed");
  }

  @Test
  void whatWasRightDoesNotCountAndTimePasses() {
    fail("pim", "a", SignInLimit.TRIES - 1);
    assertTrue(limit.begins("pim", "a"));
    limit.cameIn("pim", "a");
    fail("pim", "a", SignInLimit.TRIES);
    assertFalse(limit.begins("pim", "a"));
    when(clock.instant()).thenReturn(START.plus(SignInLimit.WHILE).plusSeconds(1));
    assertTrue(limit.begins("pim", "a"));
  }

  @Test
  void namesWithoutEndFillNothing() {
    String endless = "x".repeat(2_000_000);
    for (int i = 0; i < 3000; i++) limit.begins(endless + i, "address" + i);
    assertTrue(limit.begins(null, "a"), "no name is a name as well");
  }
}
