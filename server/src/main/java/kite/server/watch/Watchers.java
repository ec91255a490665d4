package kite.server.watch;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Audit;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The watchers of productions: added, changed, tried and removed by their leads. */
@Service
class Watchers {
  /** More than a studio has programs; each event is written once for each. */
  private static final int MOST = 20;

  private static final int MOST_SHOWN = 50;

  private final WatcherRows watchers;
  private final TellingRows tellings;
  private final Outbox outbox;
  private final Reach reach;
  private final SecureRandom random;
  private final Audit audit;
  private final Clock clock;

  Watchers(
      WatcherRows watchers,
      TellingRows tellings,
      Outbox outbox,
      Reach reach,
      SecureRandom random,
      Audit audit,
      Clock clock) {
    this.watchers = watchers;
    this.tellings = tellings;
    this.outbox = outbox;
    this.reach = reach;
    this.random = random;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * What a person decides about a watcher.
   *
   * @param kinds of things it is told, as {@code edit}
   * @param active whether it is told
   */
  record Given(String name, String address, List<String> kinds, boolean active) {}

  /**
   * A watcher as a list shows it.
   *
   * @param waiting how much is still to be told
   * @param tries how often it failed since it last answered
   * @param says what came of the last try; "" before the first
   * @param nextAt when it is tried again, where it failed
   */
  record Shown(
      UUID id,
      String name,
      String address,
      List<String> kinds,
      boolean active,
      String madeBy,
      Instant madeAt,
      int waiting,
      int tries,
      String says,
      Instant toldAt,
      Instant nextAt) {}

  /**
   * A watcher whose secret was just made.
   *
   * @param secret what its tellings are signed with; said once, and never again
   */
  record Made(Shown watcher, String secret) {}

  /**
   * One thing that a watcher was or is to be told, by number.
   *
   * @param message what it is told, to the letter
   */
  record Told(
      UUID id,
      long number,
      String kind,
      String message,
      Instant happenedAt,
      String state,
      int tries,
      Instant endedAt,
      String says) {}

  @Transactional(readOnly = true)
  public List<Shown> of(UUID production) {
    return watchers.findByProductionIdOrderByMadeAt(production).stream().map(this::shown).toList();
  }

  private Shown shown(Watcher w) {
    return new Shown(
        w.id,
        w.name,
        w.address,
        Stream.of(w.kinds).map(k -> Words.of(Words.named(k))).toList(),
        w.active,
        w.madeBy,
        w.madeAt,
        tellings.countByWatcherIdAndState(w.id, Telling.State.WAITING),
        w.tries,
        w.says,
        w.toldAt,
        w.active && w.tries > 0 ? w.nextAt : null);
  }

  @Transactional
  public Made add(UUID production, Given given, String by, String from) {
    if (watchers.countByProductionId(production) >= MOST)
      throw new Problem(
          HttpStatus.CONFLICT,
          "many",
          "A production has at most " + MOST + " watchers. Remove one first.");
    Watcher w = new Watcher();
    w.id = UUID.randomUUID();
    w.productionId = production;
    w.secret = Signature.secret(random);
    w.madeBy = by;
    w.madeAt = clock.instant();
    w.says = "";
    w.nextAt = w.madeAt;
    take(w, given);
    watchers.save(w);
    audit.note(by, "added a watcher", w.name + ": " + w.address, from);
    return new Made(shown(w), w.secret);
  }

  @Transactional
  public Shown change(UUID production, UUID id, Given given, String by, String from) {
    Watcher w = one(production, id);
    boolean elsewhere = !w.address.equals(given.address()), on = given.active() && !w.active;
    if (w.active && !given.active()) tellings.giveUp(id, clock.instant());
    take(w, given);
    if (on || elsewhere) tryNow(w);
    audit.note(by, "changed a watcher", w.name + ": " + w.address, from);
    return shown(w);
  }

  private void take(Watcher w, Given given) {
    w.name = GivenNames.name("name", given.name());
    w.address = reach.checked(given.address());
    if (given.kinds() == null || given.kinds().isEmpty())
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT, "kinds", "kinds", "Choose what it is told of.");
    w.kinds =
        given.kinds().stream().distinct().map(k -> Words.kind(k).name()).toArray(String[]::new);
    w.active = given.active();
  }

  private void tryNow(Watcher w) {
    w.tries = 0;
    w.failingSince = null;
    w.nextAt = clock.instant();
  }

  /** Makes another secret: what is sent from now on is signed with it. */
  @Transactional
  public Made renew(UUID production, UUID id, String by, String from) {
    Watcher w = one(production, id);
    w.secret = Signature.secret(random);
    audit.note(by, "made a watcher another secret", w.name, from);
    return new Made(shown(w), w.secret);
  }

  /** Tells it something to see whether it hears, and what waits with it; gives its id. */
  @Transactional
  public UUID hello(UUID production, UUID id, String by) {
    Watcher w = one(production, id);
    refuseOff(w);
    w.nextAt = clock.instant();
    return outbox.add(id, Words.HELLO, Map.of("watcher", w.name, "by", by));
  }

  /** The newest things it was or is to be told, the newest first. */
  @Transactional(readOnly = true)
  public List<Told> told(UUID production, UUID id) {
    one(production, id);
    return tellings.findByWatcherIdOrderByNumberDesc(id, Limit.of(MOST_SHOWN)).stream()
        .map(
            t ->
                new Told(
                    t.id,
                    t.number,
                    t.kind,
                    t.body,
                    t.happenedAt,
                    t.state.name(),
                    t.tries,
                    t.endedAt,
                    t.says))
        .toList();
  }

  /** Tells something again that was told, refused or given up. */
  @Transactional
  public void again(UUID production, UUID id, UUID telling) {
    Watcher w = one(production, id);
    refuseOff(w);
    Telling t =
        tellings.findByIdAndWatcherId(telling, id).orElseThrow(() -> Problem.missing("message"));
    t.state = Telling.State.WAITING;
    t.endedAt = null;
    w.nextAt = clock.instant();
  }

  @Transactional
  public void remove(UUID production, UUID id, String by, String from) {
    Watcher w = one(production, id);
    watchers.delete(w);
    audit.note(by, "removed a watcher", w.name + ": " + w.address, from);
  }

  private static void refuseOff(Watcher w) {
    if (!w.active)
      throw new Problem(
          HttpStatus.CONFLICT, "state", w.name + " is switched off. Switch it on first.");
  }

  private Watcher one(UUID production, UUID id) {
    return watchers
        .findByIdAndProductionId(id, production)
        .orElseThrow(() -> Problem.missing("watcher"));
  }
}
