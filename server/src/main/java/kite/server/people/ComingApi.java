package kite.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import kite.server.Problem;
import kite.server.account.SignInLimit;
import kite.server.rights.May;
import kite.server.rights.Who;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Coming by a link that is used once. Its secret goes in the body, so that no log has it. */
@RestController
@RequestMapping("/api/invitation")
class ComingApi {
  private static final int LONGEST_SECRET = 200;
  private final Coming coming;
  private final SignInLimit limit;

  ComingApi(Coming coming, SignInLimit limit) {
    this.coming = coming;
    this.limit = limit;
  }

  record Asked(String secret) {}

  @PostMapping
  @May.BeAnyone
  Coming.Shown look(@RequestBody Asked asked, HttpServletRequest rq) {
    return guessed(asked.secret(), rq, () -> coming.look(asked.secret()));
  }

  /**
   * @param name of the account to be made; not looked at for who is signed in, or has one already
   */
  record AcceptAsked(String secret, String name, String shown, String email, String password) {}

  /** The name of the account that it was used for. */
  record Accepted(String name) {}

  @PostMapping("/accept")
  @May.BeAnyone
  Accepted accept(@RequestBody AcceptAsked asked, Principal who, HttpServletRequest rq) {
    String account = who == null || Who.now().isGuest() ? null : who.getName();
    Coming.Said said =
        new Coming.Said(asked.name(), asked.shown(), asked.email(), asked.password());
    return guessed(
        asked.secret(),
        rq,
        () -> new Accepted(coming.accept(asked.secret(), account, said, rq.getRemoteAddr())));
  }

  private interface Work<T> {
    T done();
  }

  /** What is not known counts as a try to sign in: links are not found by guessing. */
  private <T> T guessed(String secret, HttpServletRequest rq, Work<T> work) {
    if (secret == null || secret.length() > LONGEST_SECRET) throw Problem.missing("link");
    String address = rq.getRemoteAddr(), key = "a link";
    if (!limit.begins(key, address, null))
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          "Too many attempts. Wait two minutes and try again.");
    try {
      T t = work.done();
      limit.cameIn(key, address, null);
      return t;
    } catch (Problem p) {
      if (p.status() != HttpStatus.NOT_FOUND) limit.cameIn(key, address, null);
      throw p;
    } catch (kite.core.rules.Refusal r) {
      limit.cameIn(key, address, null);
      throw r;
    }
  }
}
