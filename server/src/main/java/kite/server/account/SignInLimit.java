package kite.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Lets a name be tried so many times from one address within a while, and no more. */
@Component
public class SignInLimit {
  static final int TRIES = 8;
  static final Duration WHILE = Duration.ofMinutes(2);
  private static final int MOST_REMEMBERED = 10_000;
  private final Clock clock;
  private final Map<String, Deque<Instant>> failures = new LinkedHashMap<>();

  public SignInLimit(Clock clock) {
    this.clock = clock;
  }

  synchronized boolean tooMany(String who) {
    Deque<Instant> f = failures.get(who);
    if (f == null) return false;
    Instant old = clock.instant().minus(WHILE);
    while (!f.isEmpty() && f.peekFirst().isBefore(old)) f.removeFirst();
    return f.size() >= TRIES;
  }

  synchronized void failed(String who) {
    if (failures.size() >= MOST_REMEMBERED) failures.remove(failures.keySet().iterator().next());
    failures.computeIfAbsent(who, k -> new ArrayDeque<>()).addLast(clock.instant());
  }

  synchronized void cameIn(String who) {
    failures.remove(who);
  }
}
