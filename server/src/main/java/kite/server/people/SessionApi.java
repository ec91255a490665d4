package kite.server.account;

import java.security.Principal;
import kite.server.Problem;
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
  private final SetUp setUp;
  private final boolean demo;

  private final ApplicationAvailability availability;

  SessionApi(
      Accounts accounts,
      SetUp setUp,
      ApplicationAvailability availability,
      @Value("${kite.demo}") boolean demo) {
    this.accounts = accounts;
    this.setUp = setUp;
    this.availability = availability;
    this.demo = demo;
  }

  /**
   * @param name null when nobody is signed in
   * @param demoName the account to try the demonstration with, while there is one
   * @param setUp whether nobody has an account yet: the first one is made with the set-up code
   */
  record Session(String name, String role, String demoName, String demoPassword, boolean setUp) {}

  @GetMapping("/session")
  Session session(Principal who, CsrfToken token) {
    token.getToken(); // makes the cookie that the page sends back
    Account a = who == null ? null : accounts.findByName(who.getName()).orElse(null);
    boolean shown = demo && accounts.existsByDemoTrue();
    return new Session(
        a == null ? null : a.name(),
        a == null ? null : a.role().name(),
        shown ? DemoData.ARTIST : null,
        shown ? DemoData.ARTIST_PASSWORD : null,
        a == null && setUp.isNeeded());
  }

  /** Ready once everything has started, the demonstration with it, and the database answers. */
  @GetMapping("/health")
  String health() {
    if (availability.getReadinessState() != ReadinessState.ACCEPTING_TRAFFIC)
      throw new Problem(
          HttpStatus.SERVICE_UNAVAILABLE, "starting", "Jolly Kite is starting. Wait a moment.");
    accounts.count(); // fails where the database is away
    return "ready";
  }
}
