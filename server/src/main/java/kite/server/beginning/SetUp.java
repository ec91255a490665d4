package kite.server.beginning;

import jakarta.persistence.EntityManager;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Locale;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.GivenPassword;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The first account: made by whoever has the code that stands in the terminal, once, while there is
 * no other.
 */
@Service
public class SetUp {
  private static final Logger LOG = LoggerFactory.getLogger(SetUp.class);

  /** Letters and digits that are not taken for each other. */
  private static final String ALPHABET = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";

  private static final int LENGTH = 8;

  /** Two who come at once wait for each other; any number that nothing else uses. */
  private static final long LOCK = 4_711_001;

  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final EntityManager database;
  private final boolean demo;
  private final String code;

  SetUp(
      Accounts accounts,
      PasswordEncoder passwords,
      EntityManager database,
      SecureRandom random,
      @Value("${kite.demo}") boolean demo,
      @Value("${kite.set-up-code}") String given) {
    this.accounts = accounts;
    this.passwords = passwords;
    this.database = database;
    this.demo = demo;
    code = given.isBlank() ? madeUp(random) : given;
    if (given.isBlank() && isNeeded())
      LOG.warn("Nobody has an account yet. The first is made in the page with the code {}", code);
  }

  private static String madeUp(SecureRandom random) {
    StringBuilder s = new StringBuilder();
    for (int i = 0; i < LENGTH; i++) s.append(ALPHABET.charAt(random.nextInt(ALPHABET.length())));
    return s.toString();
  }

  public boolean isNeeded() {
    return !demo && accounts.count() == 0;
  }

  /** Makes the first account. */
  @Transactional
  void first(String typed, String name, String password) {
    database
        .createNativeQuery("select pg_advisory_xact_lock(:lock)", Object.class)
        .setParameter("lock", LOCK)
        .getSingleResult();
    if (!isNeeded())
      throw new Problem(
          HttpStatus.CONFLICT, "made", "The first account is made already. Sign in with it.");
    if (!MessageDigest.isEqual(compared(typed), compared(code)))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "code",
          "code",
          "That is not the code. It stands in the terminal where Jolly Kite was started.");
    accounts.save(
        new Account(
                UUID.randomUUID(),
                GivenNames.person("name", name),
                passwords.encode(GivenPassword.checked(password)))
            .administering());
  }

  /** Capitals, spaces and strokes do not matter. */
  private static byte[] compared(String text) {
    String s = text == null ? "" : text.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
    return s.getBytes(StandardCharsets.UTF_8);
  }
}
