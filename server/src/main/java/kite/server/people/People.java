package kite.server.people;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import kite.server.rights.Member;
import kite.server.rights.Members;
import kite.server.rights.RightsChanged;
import kite.server.rights.Role;
import kite.server.sequence.Library;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who is in a production, with which role. */
@Service
class People {
  private final Accounts accounts;
  private final Members members;
  private final Invitations invitations;
  private final Library library;
  private final Mails mails;
  private final Audit audit;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  People(
      Accounts accounts,
      Members members,
      Invitations invitations,
      Library library,
      Mails mails,
      Audit audit,
      ApplicationEventPublisher events,
      Clock clock) {
    this.accounts = accounts;
    this.members = members;
    this.invitations = invitations;
    this.library = library;
    this.mails = mails;
    this.audit = audit;
    this.events = events;
    this.clock = clock;
  }

  /** Somebody in a production. */
  record Person(UUID account, String name, String shown, Role role) {}

  /** An invitation nobody has used yet. */
  record Invited(UUID id, Role role, String note, String by, Instant endsAt) {}

  /**
   * Everybody in a production.
   *
   * @param administrators what those are called who lead every production
   * @param invited for leads; empty for others
   * @param mails whether links can be sent by mail from here
   */
  record All(
      List<Person> people, List<String> administrators, List<Invited> invited, boolean mails) {}

  @Transactional(readOnly = true)
  All in(UUID production, boolean leads) {
    List<Member> here = members.of(production);
    Map<UUID, Account> known =
        accounts.findAllById(here.stream().map(Member::account).toList()).stream()
            .collect(Collectors.toMap(Account::id, Function.identity()));
    List<Person> people =
        here.stream()
            .filter(m -> known.get(m.account()).endedAt() == null)
            .map(
                m -> {
                  Account a = known.get(m.account());
                  return new Person(a.id(), a.name(), a.shown(), m.role());
                })
            .sorted(
                Comparator.comparing(Person::role)
                    .reversed()
                    .thenComparing(Person::shown, String.CASE_INSENSITIVE_ORDER))
            .toList();
    List<Invited> invited =
        leads
            ? invitations.open(production, clock.instant()).stream()
                .map(i -> new Invited(i.id, i.role, i.note, i.madeBy, i.endsAt))
                .toList()
            : List.of();
    List<String> administrators =
        accounts.findByAdministersTrueAndEndedAtIsNullOrderByName().stream()
            .map(Account::shown)
            .toList();
    return new All(people, administrators, invited, mails.areSent());
  }

  /** Gives somebody who has an account a role in a production. */
  @Transactional
  void add(UUID production, String name, Role role, String by) {
    Account a =
        accounts
            .findByName(name == null ? "" : name.strip())
            .filter(x -> x.endedAt() == null)
            .orElseThrow(() -> Problem.missing("account"));
    give(production, a, role, by);
  }

  /** Changes somebody's role. */
  @Transactional
  void change(UUID production, UUID account, Role role, String by) {
    members
        .findById(new Member.Key(account, production))
        .orElseThrow(() -> Problem.missing("person in this production"));
    give(production, accounts.findById(account).orElseThrow(), role, by);
  }

  private void give(UUID production, Account a, Role role, String by) {
    Member m = members.findById(new Member.Key(a.id(), production)).orElse(null);
    if (m == null) members.save(new Member(a.id(), production, role));
    else m.become(role);
    audit.note(by, "made " + role.words(), a.name() + " in " + library.nameOf(production), "");
    events.publishEvent(new RightsChanged());
  }

  /** Takes somebody out of a production; what they made stays. */
  @Transactional
  void takeOut(UUID production, UUID account, String by) {
    Member m =
        members
            .findById(new Member.Key(account, production))
            .orElseThrow(() -> Problem.missing("person in this production"));
    members.delete(m);
    String name = accounts.findById(account).map(Account::name).orElse("");
    audit.note(by, "took out", name + " of " + library.nameOf(production), "");
    events.publishEvent(new RightsChanged());
  }
}
