package kite.server.people;

import java.security.Principal;
import java.util.UUID;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Accounts;
import kite.server.beginning.DemoData;
import kite.server.beginning.SetUp;
import kite.server.provider.Provider;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Who;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Who is signed in. */
@RestController
@RequestMapping("/api")
class SessionApi {
  private final Accounts accounts;
  private final Rights rights;
  private final SetUp setUp;
  private final Provider provider;
  private final boolean demo;

  private final ApplicationAvailability availability;

  SessionApi(
      Accounts accounts,
      Rights rights,
      SetUp setUp,
      Provider provider,
      ApplicationAvailability availability,
      @Value("${kite.demo}") boolean demo) {
    this.accounts = accounts;
    this.rights = rights;
    this.setUp = setUp;
    this.provider = provider;
    this.availability = availability;
    this.demo = demo;
  }

  /**
   * @param name null when nobody is signed in
   * @param shown what they are called
   * @param guestOf the sequence that a guest looks at, or null
   * @param demoName the account to try the demonstration with, while there is one
   * @param provider what the studio's own sign-in is called, or null
   * @param setUp whether nobody has an account yet: the first one is made with the set-up code
   */
  record Session(
      String name,
      String shown,
      boolean administers,
      UUID guestOf,
      String demoName,
      String demoPassword,
      String provider,
      boolean setUp) {}

  @GetMapping("/session")
  @May.BeAnyone
  Session session(Principal who, CsrfToken token) {
    token.getToken(); // makes the cookie that the page sends back
    Who now = who == null ? null : Who.now();
    UUID guestOf = now == null ? null : rights.guestOf();
    Account a = now == null || now.isGuest() ? null : accounts.findByName(now.name()).orElse(null);
    boolean demonstrates = demo && accounts.existsByDemoTrue();
    return new Session(
        a == null ? null : a.name(),
        a == null ? null : a.shown(),
        a != null && a.administers(),
        guestOf,
        demonstrates ? DemoData.ARTIST : null,
        demonstrates ? DemoData.ARTIST_PASSWORD : null,
        provider.shown(),
        a == null && setUp.isNeeded());
  }

  /** Ready once everything has started, the demonstration with it, and the database answers. */
  @GetMapping("/health")
  @May.BeAnyone
  String health() {
    if (availability.getReadinessState() != ReadinessState.ACCEPTING_TRAFFIC)
      throw new Problem(
          HttpStatus.SERVICE_UNAVAILABLE, "starting", "Jolly Kite is starting. Wait a moment.");
    accounts.count(); // fails where the database is away
    return "ready";
  }
}
