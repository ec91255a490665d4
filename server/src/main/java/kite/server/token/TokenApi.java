package kite.server.token;

import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.rights.May;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** One's own tokens. */
@RestController
@RequestMapping("/api/account/tokens")
class TokenApi {
  private final Tokens tokens;

  TokenApi(Tokens tokens) {
    this.tokens = tokens;
  }

  /**
   * @param name what it is for
   */
  record TokenAsked(String name) {}

  @GetMapping
  @May.HaveAnAccount
  List<Tokens.Shown> list(Principal who) {
    return tokens.of(who.getName());
  }

  @PostMapping
  @May.HaveAnAccount
  Tokens.Made make(@RequestBody TokenAsked asked, Principal who, HttpServletRequest rq) {
    return tokens.make(who.getName(), asked.name(), rq.getRemoteAddr());
  }

  @DeleteMapping("/{token}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.HaveAnAccount
  void takeBack(@PathVariable UUID token, Principal who, HttpServletRequest rq) {
    tokens.takeBack(who.getName(), token, rq.getRemoteAddr());
  }
}
