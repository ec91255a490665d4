package kite.server.beginning;

import java.util.List;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.GivenPassword;
import kite.server.account.OpenSessions;
import kite.server.rights.RightsChanged;
import kite.server.sequence.Library;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ends the demonstration: its accounts, whose passwords everybody knows, and its production. */
@Service
class Demonstration {
  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final Library library;
  private final OpenSessions sessions;
  private final ApplicationEventPublisher events;

  Demonstration(
      Accounts accounts,
      PasswordEncoder passwords,
      Library library,
      OpenSessions sessions,
      ApplicationEventPublisher events) {
    this.events = events;
    this.accounts = accounts;
    this.passwords = passwords;
    this.library = library;
    this.sessions = sessions;
  }

  /**
   * Takes the demonstration's accounts away, wherever they are signed in.
   *
   * @param who who asks; one of those accounts makes an account of its own with it
   * @param production whether the production goes as well
   */
  @Transactional
  void end(String who, String name, String password, boolean production) {
    Account asks = accounts.findByName(who).orElseThrow(() -> Problem.missing("account"));
    List<Account> all = accounts.findByDemoTrue();
    if (asks.demo()) {
      String named = GivenNames.person("name", name);
      if (accounts.existsByNameIgnoreCase(named))
        throw new Problem(
            HttpStatus.CONFLICT, "taken", "name", "“" + named + "” is taken. Choose another name.");
      accounts.save(
          new Account(UUID.randomUUID(), named, passwords.encode(GivenPassword.checked(password)))
              .administering());
    }
    accounts.deleteAll(all);
    accounts.flush();
    if (production) library.removeDemonstration();
    for (Account a : all) sessions.end(a.name());
    events.publishEvent(new RightsChanged());
  }
}
