package kite.server.provider;

import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whose accounts those are whom the provider lets in. */
@Service
class Arrivals {
  private static final int UNKNOWN_PASSWORD_BYTES = 32;

  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final Audit audit;
  private final SecureRandom random;

  Arrivals(Accounts accounts, PasswordEncoder passwords, Audit audit, SecureRandom random) {
    this.accounts = accounts;
    this.passwords = passwords;
    this.audit = audit;
    this.random = random;
  }

  Optional<Account> known(String subject) {
    return accounts.findBySubject(subject);
  }

  /**
   * An account that is there already, shown by its password to be theirs, is found from then on.
   */
  @Transactional
  Account join(Arrival a, String name, String password, String address) {
    Account own =
        accounts
            .findByName(name == null ? "" : name)
            .filter(x -> password != null && passwords.matches(password, x.passwordHash()))
            .orElseThrow(
                () ->
                    new Problem(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "password",
                        "password",
                        "That name and password do not belong together. Check both and try"
                            + " again."));
    refuseEnded(own);
    if (own.subject() != null)
      throw new Problem(
          HttpStatus.CONFLICT,
          "taken",
          "name",
          "The account of "
              + own.shown()
              + " belongs to another sign-in already. Ask who administers the studio.");
    own.comesAs(a.subject());
    audit.note(own.name(), "comes by the studio's sign-in from now on", a.email(), address);
    return own;
  }

  private static void refuseEnded(Account a) {
    if (a.endedAt() != null)
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "ended",
          "The account of " + a.shown() + " is ended. Ask who administers the studio.");
  }

  /** A new account; a password of its own it gets by a link of who administers the studio. */
  @Transactional
  Account begin(Arrival a, String asked, String address) {
    String name = GivenNames.person("name", asked);
    if (accounts.existsByNameIgnoreCase(name))
      throw new Problem(
          HttpStatus.CONFLICT,
          "taken",
          "name",
          "“" + name + "” is taken. Choose another name, or say that the account is yours.");
    byte[] nobodyKnows = new byte[UNKNOWN_PASSWORD_BYTES];
    random.nextBytes(nobodyKnows);
    String hash = passwords.encode(Base64.getEncoder().encodeToString(nobodyKnows));
    Account own = new Account(UUID.randomUUID(), name, hash);
    own.become("", a.email());
    own.comesAs(a.subject());
    accounts.save(own);
    audit.note(name, "began an account by the studio's sign-in", a.email(), address);
    return own;
  }
}
