package kite.server.token;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.account.Audit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes tokens, takes them back, and tells whose one is. */
@Service
class Tokens {
  private static final int BYTES = 32, MOST = 50;

  /** What each begins with, so that one that leaks is recognised for what it is. */
  static final String BEGINS = "kite_";

  private static final Duration USED_EVERY = Duration.ofMinutes(1);

  private final TokenRows rows;
  private final Accounts accounts;
  private final SecureRandom random;
  private final Audit audit;
  private final Clock clock;

  Tokens(TokenRows rows, Accounts accounts, SecureRandom random, Audit audit, Clock clock) {
    this.rows = rows;
    this.accounts = accounts;
    this.random = random;
    this.audit = audit;
    this.clock = clock;
  }

  /** A token as a list shows it. */
  record Shown(UUID id, String name, Instant madeAt, Instant usedAt) {}

  /**
   * A token that was just made.
   *
   * @param token told once, and never again
   */
  record Made(UUID id, String name, String token) {}

  @Transactional(readOnly = true)
  List<Shown> of(String who) {
    return rows.findByAccountIdOrderByMadeAtDesc(account(who).id()).stream()
        .map(t -> new Shown(t.id, t.name, t.madeAt, t.usedAt))
        .toList();
  }

  @Transactional
  Made make(String who, String name, String address) {
    Account a = account(who);
    if (rows.countByAccountId(a.id()) >= MOST)
      throw new Problem(
          HttpStatus.CONFLICT, "many", "You have " + MOST + " tokens. Take one back first.");
    byte[] bytes = new byte[BYTES];
    random.nextBytes(bytes);
    String token = BEGINS + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    Token t = new Token();
    t.id = UUID.randomUUID();
    t.accountId = a.id();
    t.name = GivenNames.name("name", name);
    t.sha256 = sha256(token);
    t.madeAt = clock.instant();
    rows.save(t);
    audit.note(who, "made a token", t.name, address);
    return new Made(t.id, t.name, token);
  }

  @Transactional
  void takeBack(String who, UUID id, String address) {
    Token t =
        rows.findById(id)
            .filter(x -> x.accountId.equals(account(who).id()))
            .orElseThrow(() -> Problem.missing("token"));
    rows.delete(t);
    audit.note(who, "took a token back", t.name, address);
  }

  /** The name of the account that a token is of. */
  @Transactional
  public Optional<String> ownerOf(String token) {
    String kept = sha256(token);
    Optional<String> owner = rows.ownerOf(kept);
    Instant now = clock.instant();
    if (owner.isPresent()) rows.used(kept, now, now.minus(USED_EVERY));
    return owner;
  }

  private Account account(String who) {
    return accounts.findByName(who).orElseThrow(() -> Problem.missing("account"));
  }

  private static String sha256(String token) {
    try {
      byte[] of = token.getBytes(StandardCharsets.UTF_8);
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(of));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
