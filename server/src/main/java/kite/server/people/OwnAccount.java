package kite.server.people;

import kite.core.begin.GivenNames;
import kite.core.rules.Refusal;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import kite.server.account.GivenPassword;
import kite.server.account.MailAddress;
import kite.server.account.OpenSessions;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What somebody does with their own account. */
@Service
class OwnAccount {
  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final OpenSessions sessions;
  private final Audit audit;

  OwnAccount(Accounts accounts, PasswordEncoder passwords, OpenSessions sessions, Audit audit) {
    this.accounts = accounts;
    this.passwords = passwords;
    this.sessions = sessions;
    this.audit = audit;
  }

  /** What somebody may be called; "" for their name. */
  static String shown(String text) {
    String s = GivenNames.title("shown", text);
    return s.isEmpty() ? s : GivenNames.person("shown", s);
  }

  /** An e-mail address, or "" for none. */
  static String email(String text) {
    String s = GivenNames.title("email", text);
    if (s.isEmpty() || MailAddress.looksRight(s)) return s;
    throw new Refusal(
        "email", "", "email", "An e-mail address looks as nell@example.org. Check it.");
  }

  private Account of(String name) {
    return accounts.findByName(name).orElseThrow(() -> Problem.missing("account"));
  }

  /** What is shown of it. */
  record Shown(String name, String shown, String email) {}

  @Transactional(readOnly = true)
  Shown look(String name) {
    Account a = of(name);
    return new Shown(a.name(), a.shown(), a.email());
  }

  @Transactional
  Shown become(String name, String shown, String email) {
    of(name).become(shown(shown), email(email));
    return look(name);
  }

  /**
   * Changes the password and signs out everywhere else.
   *
   * @param session that stays
   */
  @Transactional
  void changePassword(String name, String old, String password, String session, String address) {
    Account a = of(name);
    if (old == null || !passwords.matches(old, a.passwordHash()))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "password",
          "old",
          "That is not the password you have now. Check it and try again.");
    a.takePassword(passwords.encode(GivenPassword.checked(password)));
    audit.note(name, "changed the password", "", address);
    sessions.endOthers(name, session);
  }

  @Transactional
  void signOutEverywhere(String name, String address) {
    audit.note(name, "signed out everywhere", "", address);
    sessions.end(name);
  }
}
