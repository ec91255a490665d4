package kite.server.beginning;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import kite.server.Problem;
import kite.server.account.SignInLimit;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Making a studio's first account, and ending the demonstration. */
@RestController
@RequestMapping("/api")
class BeginningApi {
  private final SetUp setUp;
  private final Demonstration demonstration;
  private final SignInLimit limit;

  BeginningApi(SetUp setUp, Demonstration demonstration, SignInLimit limit) {
    this.setUp = setUp;
    this.demonstration = demonstration;
    this.limit = limit;
  }

  /**
   * @param code what stands in the terminal
   */
  record FirstAsked(String code, String name, String password) {}

  @PostMapping("/set-up")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.BeAnyone
  void first(@RequestBody FirstAsked asked, HttpServletRequest rq) {
    if (!limit.begins("the set-up code", rq.getRemoteAddr(), null))
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          "Too many attempts. Wait two minutes and try again.");
    setUp.first(asked.code(), asked.name(), asked.password());
  }

  /**
   * @param name of the account that is made instead, when the one that asks goes too
   * @param production whether Salt Wind goes as well
   */
  record EndAsked(String name, String password, boolean production) {}

  @PostMapping("/demonstration/end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.Administer
  void end(@RequestBody EndAsked asked, Principal who) {
    demonstration.end(who.getName(), asked.name(), asked.password(), asked.production());
  }
}
