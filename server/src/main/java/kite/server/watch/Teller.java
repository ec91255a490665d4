package kite.server.watch;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Lazy;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Tells watchers what waits for them, each its own in the order in which it happened. One that does
 * not answer holds up nobody else. A server that ends while it tells leaves it to another, which
 * tells it once more, with the same id.
 */
@Component
@Lazy(false)
class Teller implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(Teller.class);
  private static final int LOOK_MS = 1000;

  /** Watchers that are told at the same time. */
  private static final int AT_ONCE = 8;

  /** A watcher with much to hear gives way to others after so many. */
  private static final int IN_A_ROW = 100;

  /** By how much one keeps a watcher longer than an address may take. */
  private static final Duration SPARE = Duration.ofSeconds(20);

  private final WatcherRows watchers;
  private final ObjectProvider<Outcomes> outcomes;
  private final Telephone telephone;
  private final Clock clock;
  private final Duration hold;
  private final Set<UUID> atIt = ConcurrentHashMap.newKeySet();
  private final ExecutorService callers =
      Executors.newFixedThreadPool(
          AT_ONCE,
          r -> {
            Thread t = new Thread(r, "watchers");
            t.setDaemon(true);
            return t;
          });

  Teller(
      @Lazy WatcherRows watchers,
      ObjectProvider<Outcomes> outcomes,
      @Lazy Telephone telephone,
      Clock clock,
      @Value("${kite.watchers.patience}") Duration patience) {
    this.watchers = watchers;
    this.outcomes = outcomes;
    this.telephone = telephone;
    this.clock = clock;
    this.hold = patience.plus(SPARE);
  }

  @Scheduled(fixedDelay = LOOK_MS)
  void look() {
    try {
      for (UUID id : watchers.due(clock.instant(), AT_ONCE))
        if (atIt.size() < AT_ONCE && atIt.add(id)) callers.execute(() -> tell(id));
    } catch (DataAccessException | TransactionException e) {
      LOG.info("It could not be looked what watchers are to be told: {}", e.getMessage());
    }
  }

  @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.HOURS)
  void tidy() {
    try {
      outcomes.getObject().tidy();
    } catch (DataAccessException | TransactionException e) {
      LOG.info("What watchers were told could not be tidied: {}", e.getMessage());
    }
  }

  private Instant until() {
    return clock.instant().plus(hold);
  }

  private void tell(UUID watcher) {
    try {
      if (watchers.take(watcher, clock.instant(), until()) == 0) return;
      try {
        Outcomes here = outcomes.getObject();
        boolean more = true;
        for (int i = 0; more && i < IN_A_ROW; i++) {
          Outcomes.Next next = here.next(watcher);
          more =
              next != null
                  && here.came(next, telephone.tell(next.watcher(), next.telling()), until());
        }
      } finally {
        watchers.letGo(watcher);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (DataAccessException | TransactionException e) {
      LOG.info("A watcher could not be told; it is tried again: {}", e.getMessage());
    } catch (RuntimeException e) {
      LOG.error("A watcher could not be told", e);
    } finally {
      atIt.remove(watcher);
    }
  }

  @Override
  public void destroy() {
    callers.shutdownNow();
  }
}
