package kite.server.watch;

import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** How long it is waited after an address did not take what it was told. */
@Component
class Waits {
  /**
   * Of the first wait: with 5 s that is 5 s, 30 s, 2 min, 10 min, 30 min, and an hour from then on.
   */
  private static final int[] TIMES = {1, 6, 24, 120, 360, 720};

  private final Duration first;

  Waits(@Value("${kite.watchers.first-wait}") Duration first) {
    this.first = first;
  }

  /**
   * @param tries how often it has failed, from 1
   */
  Duration after(int tries) {
    return first.multipliedBy(TIMES[Math.min(tries, TIMES.length) - 1]);
  }
}
