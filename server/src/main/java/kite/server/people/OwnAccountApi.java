package kite.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import kite.server.Problem;
import kite.server.account.SignInLimit;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** One's own account. */
@RestController
@RequestMapping("/api/account")
class OwnAccountApi {
  private final OwnAccount own;
  private final SignInLimit limit;

  OwnAccountApi(OwnAccount own, SignInLimit limit) {
    this.own = own;
    this.limit = limit;
  }

  @GetMapping
  @May.HaveAnAccount
  OwnAccount.Shown look(Principal who) {
    return own.look(who.getName());
  }

  /**
   * @param shown what one is called; "" for the name
   * @param email "" for none
   */
  record Asked(String shown, String email) {}

  @PostMapping
  @May.HaveAnAccount
  OwnAccount.Shown become(@RequestBody Asked asked, Principal who) {
    return own.become(who.getName(), asked.shown(), asked.email());
  }

  /** The password one has, and the one to have. */
  record PasswordAsked(String old, String password) {}

  @PostMapping("/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.HaveAnAccount
  void changePassword(@RequestBody PasswordAsked asked, Principal who, HttpServletRequest rq) {
    if (!limit.begins(who.getName(), rq.getRemoteAddr(), null))
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          "Too many attempts. Wait two minutes and try again.");
    own.changePassword(
        who.getName(), asked.old(), asked.password(), rq.getSession().getId(), rq.getRemoteAddr());
    limit.cameIn(who.getName(), rq.getRemoteAddr(), null);
  }

  /** Signs out here and wherever else. */
  @PostMapping("/sign-out-everywhere")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.HaveAnAccount
  void signOutEverywhere(Principal who, HttpServletRequest rq) {
    own.signOutEverywhere(who.getName(), rq.getRemoteAddr());
    rq.getSession().invalidate();
  }
}
