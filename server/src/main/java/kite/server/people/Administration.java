package kite.server.people;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import kite.server.account.OpenSessions;
import kite.server.rights.Member;
import kite.server.rights.Members;
import kite.server.rights.RightsChanged;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All accounts of a studio, and what is done with them. */
@Service
class Administration {
  private final Accounts accounts;
  private final Members members;
  private final Coming coming;
  private final OpenSessions sessions;
  private final Audit audit;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Administration(
      Accounts accounts,
      Members members,
      Coming coming,
      OpenSessions sessions,
      Audit audit,
      ApplicationEventPublisher events,
      Clock clock) {
    this.accounts = accounts;
    this.members = members;
    this.coming = coming;
    this.sessions = sessions;
    this.audit = audit;
    this.events = events;
    this.clock = clock;
  }

  /**
   * An account.
   *
   * @param endedAt since when nobody can sign in with it; null when one can
   */
  record Shown(
      UUID id,
      String name,
      String shown,
      String email,
      boolean administers,
      Instant endedAt,
      boolean demo,
      int productions) {}

  @Transactional(readOnly = true)
  List<Shown> all() {
    Map<UUID, Integer> counts = new HashMap<>();
    for (Member m : members.findAll()) counts.merge(m.account(), 1, Integer::sum);
    return accounts.findAllByOrderByName().stream()
        .map(
            a ->
                new Shown(
                    a.id(),
                    a.name(),
                    a.shown(),
                    a.email(),
                    a.administers(),
                    a.endedAt(),
                    a.demo(),
                    counts.getOrDefault(a.id(), 0)))
        .toList();
  }

  private Account of(UUID id) {
    return accounts.findById(id).orElseThrow(() -> Problem.missing("account"));
  }

  /** Lets an account administer the studio, or no longer. */
  @Transactional
  void administer(UUID id, boolean does, String by) {
    Account a = of(id);
    if (!does) refuseLast(a);
    a.administer(does);
    audit.note(by, does ? "made an administrator" : "made no administrator", a.name(), "");
    events.publishEvent(new RightsChanged());
  }

  /** Ends an account, signed out everywhere at once, or opens it again. What it made stays. */
  @Transactional
  void end(UUID id, boolean ended, String by) {
    Account a = of(id);
    if (ended) {
      refuseLast(a);
      if (a.endedAt() == null) a.end(clock.instant());
      sessions.end(a.name());
    } else a.end(null);
    audit.note(by, ended ? "ended the account" : "opened the account again", a.name(), "");
    events.publishEvent(new RightsChanged());
  }

  private void refuseLast(Account a) {
    if (a.administers() && a.endedAt() == null && accounts.administering() <= 1)
      throw new Problem(
          HttpStatus.CONFLICT,
          "last",
          a.shown() + " is the only administrator. Make somebody else one first.");
  }

  /** A link by which the account's owner chooses a new password. */
  @Transactional
  Coming.Made newPassword(UUID id, String by) {
    Account a = of(id);
    if (a.endedAt() != null)
      throw new Problem(
          HttpStatus.CONFLICT,
          "ended",
          "The account of " + a.shown() + " is ended. Open it again first.");
    return coming.newPassword(a, by);
  }
}
