package kite.server.people;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import kite.server.account.GivenPassword;
import kite.server.account.OpenSessions;
import kite.server.rights.Member;
import kite.server.rights.Members;
import kite.server.rights.RightsChanged;
import kite.server.rights.Role;
import kite.server.sequence.Library;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links that are used once: made by who may, and used by who has them. */
@Service
class Coming {
  /** How long one has to come. */
  static final Duration STAYS = Duration.ofDays(7);

  /** How long a new password may be chosen. */
  static final Duration STAYS_FOR_PASSWORD = Duration.ofHours(24);

  private final Invitations invitations;
  private final Accounts accounts;
  private final Members members;
  private final Library library;
  private final PasswordEncoder passwords;
  private final OpenSessions sessions;
  private final Mails mails;
  private final Audit audit;
  private final ApplicationEventPublisher events;
  private final SecureRandom random;
  private final Clock clock;

  Coming(
      Invitations invitations,
      Accounts accounts,
      Members members,
      Library library,
      PasswordEncoder passwords,
      OpenSessions sessions,
      Mails mails,
      Audit audit,
      ApplicationEventPublisher events,
      SecureRandom random,
      Clock clock) {
    this.invitations = invitations;
    this.accounts = accounts;
    this.members = members;
    this.library = library;
    this.passwords = passwords;
    this.sessions = sessions;
    this.mails = mails;
    this.audit = audit;
    this.events = events;
    this.random = random;
    this.clock = clock;
  }

  /** A link's secret, told this once. */
  record Made(UUID id, String secret, Instant endsAt) {}

  /**
   * Invites somebody into a production.
   *
   * @param email where the link is sent, too; blank for nowhere. What cannot be sent is not made
   * @param page the address of the page, before what stands behind the #
   */
  @Transactional
  Made invite(UUID production, Role role, String note, String email, String page, String by) {
    String to = OwnAccount.email(email);
    if (!to.isEmpty() && !mails.areSent())
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "mail",
          "email",
          "No mail server is given here. Send the link yourself.");
    Invitation i = new Invitation();
    i.productionId = production;
    i.role = role;
    i.note = GivenNames.title("note", note);
    Made made = made(i, by, STAYS);
    String name = library.nameOf(production);
    audit.note(by, "invited " + role.words(), name + ": " + i.note, "");
    if (!to.isEmpty())
      mails.send(
          to,
          "Come into " + name,
          accounts.findByName(by).map(Account::shown).orElse(by)
              + " asks you into "
              + name
              + ", as "
              + role.words()
              + ".\n\n"
              + page
              + "#invited="
              + made.secret
              + "\n\nThe link works once, until "
              + made.endsAt.toString().substring(0, 10)
              + ".\n");
    return made;
  }

  /** Lets somebody choose a new password. */
  @Transactional
  Made newPassword(Account account, String by) {
    Invitation i = new Invitation();
    i.accountId = account.id();
    i.note = "";
    audit.note(by, "made a link for a new password", account.name(), "");
    return made(i, by, STAYS_FOR_PASSWORD);
  }

  private Made made(Invitation i, String by, Duration stays) {
    String secret = Secret.made(random);
    i.id = UUID.randomUUID();
    i.secretSha256 = Secret.kept(secret);
    i.madeBy = by;
    i.madeAt = clock.instant();
    i.endsAt = i.madeAt.plus(stays);
    invitations.save(i);
    return new Made(i.id, secret, i.endsAt);
  }

  /**
   * What a link is for.
   *
   * @param production its name; null where a password is chosen
   * @param name whose password is chosen, else null
   */
  record Shown(String production, Role role, String by, Instant endsAt, String name) {}

  @Transactional(readOnly = true)
  Shown look(String secret) {
    Invitation i =
        good(invitations.findBySecretSha256(Secret.kept(secret)).orElseThrow(Coming::unknown));
    String by = accounts.findByName(i.madeBy).map(Account::shown).orElse(i.madeBy);
    return i.accountId != null
        ? new Shown(null, null, by, i.endsAt, whose(i).name())
        : new Shown(library.nameOf(i.productionId), i.role, by, i.endsAt, null);
  }

  private Account whose(Invitation i) {
    return accounts.findById(i.accountId).orElseThrow(Coming::unknown);
  }

  private Invitation good(Invitation i) {
    if (i.usedAt != null)
      throw new Problem(
          HttpStatus.GONE,
          "used",
          "This link has been used already. Sign in with what was chosen then, or ask for another"
              + " link.");
    if (i.endsAt.isBefore(clock.instant()))
      throw new Problem(
          HttpStatus.GONE, "ended", "This link has ended. Ask who sent it for another one.");
    return i;
  }

  private static Problem unknown() {
    return new Problem(
        HttpStatus.NOT_FOUND,
        "missing",
        "This link is not known here. Check that all of it was copied, or ask for another one.");
  }

  /**
   * What somebody who comes says of themselves.
   *
   * @param name not looked at where a password is chosen for an account that is there
   */
  record Said(String name, String shown, String email, String password) {}

  /**
   * Uses a link.
   *
   * @param who the name of the account that comes with it; null for somebody without one
   * @return the name of the account to sign in with
   */
  @Transactional
  String accept(String secret, String who, Said said, String address) {
    Invitation i = good(invitations.hold(Secret.kept(secret)).orElseThrow(Coming::unknown));
    Account a;
    if (i.accountId != null) {
      a = whose(i);
      a.takePassword(passwords.encode(GivenPassword.checked(said.password())));
      sessions.end(a.name());
      audit.note(a.name(), "chose a new password", "by a link of " + i.madeBy, address);
    } else {
      a =
          who != null
              ? accounts.findByName(who).orElseThrow(Coming::unknown)
              : accounts.save(account(said));
      Member.Key key = new Member.Key(a.id(), i.productionId);
      Member had = members.findById(key).orElse(null);
      if (had == null) members.save(new Member(a.id(), i.productionId, i.role));
      else if (i.role.may(had.role())) had.become(i.role);
      audit.note(a.name(), "came as " + i.role.words(), library.nameOf(i.productionId), address);
    }
    i.usedAt = clock.instant();
    i.usedBy = a.name();
    events.publishEvent(new RightsChanged());
    return a.name();
  }

  private Account account(Said said) {
    String name = GivenNames.person("name", said.name());
    if (accounts.existsByNameIgnoreCase(name))
      throw new Problem(
          HttpStatus.CONFLICT,
          "taken",
          "name",
          "“" + name + "” is taken. Choose another name, or sign in as them first.");
    Account a =
        new Account(
            UUID.randomUUID(), name, passwords.encode(GivenPassword.checked(said.password())));
    a.become(OwnAccount.shown(said.shown()), OwnAccount.email(said.email()));
    return a;
  }

  /** Takes a link back that was not used. */
  @Transactional
  void takeBack(UUID production, UUID invitation, String by) {
    Invitation i =
        invitations
            .findById(invitation)
            .filter(x -> production.equals(x.productionId))
            .orElseThrow(() -> Problem.missing("invitation"));
    invitations.delete(i);
    audit.note(by, "took an invitation back", library.nameOf(production) + ": " + i.note, "");
  }
}
