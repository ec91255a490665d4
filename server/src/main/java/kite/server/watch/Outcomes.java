package kite.server.watch;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes down what came of telling a watcher, and when it is told again. */
@Service
class Outcomes {
  /** A watcher that has not answered for so long is switched off. */
  private static final Duration LONGEST_SILENCE = Duration.ofDays(3);

  /** What ended is shown for so long. */
  private static final Duration KEPT = Duration.ofDays(7);

  private static final int MOST_WAITING = 50_000;

  private final WatcherRows watchers;
  private final TellingRows tellings;
  private final Waits waits;
  private final Clock clock;

  Outcomes(WatcherRows watchers, TellingRows tellings, Waits waits, Clock clock) {
    this.watchers = watchers;
    this.tellings = tellings;
    this.waits = waits;
    this.clock = clock;
  }

  /** A watcher and what it is told next. */
  record Next(Watcher watcher, Telling telling) {}

  /** The next thing a watcher is told; null where there is none, or it is switched off. */
  @Transactional(readOnly = true)
  public Next next(UUID watcher) {
    Watcher w = watchers.findById(watcher).orElse(null);
    if (w == null || !w.active) return null;
    return tellings
        .findFirstByWatcherIdAndStateOrderByNumber(watcher, Telling.State.WAITING)
        .map(t -> new Next(w, t))
        .orElse(null);
  }

  /**
   * @param until how long whoever tells has the watcher for itself from now on
   * @return whether it is told more at once
   */
  @Transactional
  public boolean came(Next told, Telephone.Answer answer, Instant until) {
    Watcher w = watchers.findById(told.watcher.id).orElse(null);
    Telling t = tellings.findById(told.telling.id).orElse(null);
    if (w == null || t == null) return false; // removed meanwhile
    Instant now = clock.instant();
    t.tries++;
    t.says = answer.says();
    w.says = answer.says();
    switch (answer.outcome()) {
      case TOOK, REFUSED -> {
        boolean took = answer.outcome() == Telephone.Outcome.TOOK;
        t.state = took ? Telling.State.TOLD : Telling.State.REFUSED;
        t.endedAt = now;
        if (took) w.toldAt = now;
        w.tries = 0;
        w.failingSince = null;
        w.heldUntil = until;
        return w.active;
      }
      case FAILED -> {
        w.tries++;
        if (w.failingSince == null) w.failingSince = now;
        if (w.failingSince.isBefore(now.minus(LONGEST_SILENCE)))
          off(w, now, answer.says() + " It was switched off after three days of that.");
        Duration pause = answer.pause() == null ? waits.after(w.tries) : answer.pause();
        w.nextAt = now.plus(pause);
        return false;
      }
      case GONE -> {
        off(w, now, answer.says() + " So it was switched off.");
        return false;
      }
    }
    throw new IllegalStateException("Not handled: " + answer.outcome());
  }

  private void off(Watcher w, Instant now, String why) {
    w.active = false;
    w.says = why;
    tellings.giveUp(w.id, now);
  }

  /** Removes what ended long ago, and switches off who is too far behind. */
  @Transactional
  public void tidy() {
    Instant now = clock.instant();
    tellings.forget(now.minus(KEPT));
    for (Watcher w : watchers.behind(MOST_WAITING))
      off(w, now, "More happened than it took, so it was switched off. " + w.says);
  }
}
