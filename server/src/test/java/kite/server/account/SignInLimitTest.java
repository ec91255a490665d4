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
    for (int i = 0; i < times; i++) assertTrue(limit.begins(name, address, null));
  }

  @Test
  void aNameIsTriedSoOftenFromOneAddressHoweverItIsWritten() {
    fail("pim", "a", SignInLimit.TRIES);
    for (String same : List.of("pim", " pim ", "PIM", "pim\u00a0", "\uff50im"))
      assertFalse(limit.begins(same, "a", null), "“" + same + "”");
    assertTrue(limit.begins("pim", "b", null), "not for those at another address");
    assertTrue(limit.begins("oda", "a", null), "nor for another name");
  }

  @Test
  void spreadingOverNamesOrAddressesIsLimitedToo() {
    for (int i = 0; i < SignInLimit.FROM_ADDRESS; i++)
      assertTrue(limit.begins("name" + i, "a", null));
    assertFalse(limit.begins("another", "a", null));
    for (int i = 0; i < SignInLimit.FOR_NAME; i++) assertTrue(limit.begins("pim", "b" + i, null));
    assertFalse(limit.begins("pim", "c", null));
  }

  @Test
  void aHundredAtOnceAreAHundred() {
    AtomicInteger passed = new AtomicInteger();
    IntStream.range(0, 100)
        .parallel()
        .forEach(
            i -> {
              if (limit.begins("pim", "a", null)) passed.incrementAndGet();
            });
    assertTrue(passed.get() == SignInLimit.TRIES, passed + " passed");
  }

  @Test
  void whatWasRightDoesNotCountAndTimePasses() {
    fail("pim", "a", SignInLimit.TRIES - 1);
    assertTrue(limit.begins("pim", "a", null));
    limit.cameIn("pim", "a", null);
    fail("pim", "a", SignInLimit.TRIES);
    assertFalse(limit.begins("pim", "a", null));
    when(clock.instant()).thenReturn(START.plus(SignInLimit.WHILE).plusSeconds(1));
    assertTrue(limit.begins("pim", "a", null));
  }

  @Test
  void namesWithoutEndFillNothing() {
    String endless = "x".repeat(2_000_000);
    for (int i = 0; i < 3000; i++) limit.begins(endless + i, "address" + i, null);
    assertTrue(limit.begins(null, "a", null), "no name is a name as well");
  }

  @Test
  void aBrowserInWhichTheNameHasSignedInIsNotLockedByOthers() {
    fail("pim", "a", SignInLimit.TRIES);
    assertFalse(limit.begins("pim", "a", null));
    for (int i = 0; i < SignInLimit.TRIES; i++) assertTrue(limit.begins("pim", "a", "number"));
    assertFalse(limit.begins("pim", "a", "number"), "but it has no more tries than others");
    limit.cameIn("pim", "a", "number");
    assertTrue(limit.begins("pim", "a", "number"));
  }
}
