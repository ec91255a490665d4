package kite.server.provider;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import kite.server.Problem;
import kite.server.account.Account;
import kite.server.account.Entering;
import kite.server.account.SignInLimit;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Where somebody whom the provider has let in says who they are here. */
@RestController
@RequestMapping("/api/arrival")
class ArrivalApi {
  /** Where a session keeps it. */
  static final String ARRIVAL = "arrival";

  private final Provider provider;
  private final Arrivals arrivals;
  private final Entering entering;
  private final SignInLimit limit;

  ArrivalApi(Provider provider, Arrivals arrivals, Entering entering, SignInLimit limit) {
    this.provider = provider;
    this.arrivals = arrivals;
    this.entering = entering;
    this.limit = limit;
  }

  /**
   * @param provider who let them in
   * @param name what they might be called
   * @param begins whether they may begin an account
   */
  record Shown(String provider, String name, String email, boolean begins) {}

  @GetMapping
  @May.BeAnyone
  Shown look(HttpServletRequest rq) {
    Arrival a = here(rq);
    return new Shown(provider.shown(), a.name(), a.email(), provider.beginsAccounts());
  }

  /**
   * @param password of the account that is theirs; null to begin one
   */
  record Asked(String name, String password) {}

  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.BeAnyone
  void enter(@RequestBody Asked asked, HttpServletRequest rq, HttpServletResponse rs) {
    Arrival a = here(rq);
    String address = rq.getRemoteAddr();
    Account own;
    if (asked.password() == null) {
      if (!provider.beginsAccounts())
        throw new Problem(
            HttpStatus.FORBIDDEN,
            "rights",
            "Accounts are made by invitation here. Ask somebody who leads a production.");
      own = arrivals.begin(a, asked.name(), address);
    } else {
      if (!limit.begins(asked.name(), address, null))
        throw new Problem(
            HttpStatus.TOO_MANY_REQUESTS,
            "limit",
            "Too many attempts. Wait two minutes and try again.");
      own = arrivals.join(a, asked.name(), asked.password(), address);
      limit.cameIn(asked.name(), address, null);
    }
    rq.getSession().removeAttribute(ARRIVAL);
    entering.as(own.name(), "by the studio's sign-in", rq, rs);
  }

  private static Arrival here(HttpServletRequest rq) {
    HttpSession s = rq.getSession(false);
    if (s != null && s.getAttribute(ARRIVAL) instanceof Arrival a) return a;
    throw new Problem(
        HttpStatus.NOT_FOUND, "missing", "Nobody has been let in yet. Begin at the front page.");
  }
}
