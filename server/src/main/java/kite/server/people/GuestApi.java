package kite.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import kite.server.Problem;
import kite.server.account.SignInLimit;
import kite.server.rights.May;
import kite.server.rights.Who;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Sending a sequence to somebody without an account, and coming by such a link. */
@RestController
@RequestMapping("/api")
class GuestApi {
  private static final int LONGEST_SECRET = 200;
  private final Guests guests;
  private final SignInLimit limit;

  GuestApi(Guests guests, SignInLimit limit) {
    this.guests = guests;
    this.limit = limit;
  }

  @GetMapping("/sequences/{id}/links")
  @May.EditSequence
  List<Guests.Shown> links(@PathVariable UUID id) {
    return guests.open(id);
  }

  /**
   * @param note for whom it is
   * @param days how long it is good for, 1–365
   */
  record LinkAsked(String note, int days) {}

  @PostMapping("/sequences/{id}/links")
  @May.EditSequence
  Coming.Made make(@PathVariable UUID id, @RequestBody LinkAsked asked, Principal who) {
    return guests.make(id, asked.note(), asked.days(), who.getName());
  }

  @DeleteMapping("/sequences/{id}/links/{link}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @May.EditSequence
  void end(@PathVariable UUID id, @PathVariable UUID link, Principal who) {
    guests.end(id, link, who.getName());
  }

  record Asked(String secret) {}

  /** The sequence that a guest looks at. */
  record Came(UUID sequence) {}

  /** Signs a guest in by a link. Who has an account stays who they are. */
  @PostMapping("/guest")
  @May.BeAnyone
  Came come(
      @RequestBody Asked asked, Principal who, HttpServletRequest rq, HttpServletResponse rs) {
    if (asked.secret() == null || asked.secret().length() > LONGEST_SECRET)
      throw Problem.missing("link");
    if (!limit.begins("a link", rq.getRemoteAddr(), null))
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          "Too many attempts. Wait two minutes and try again.");
    GuestLink g = guests.open(asked.secret(), rq.getRemoteAddr());
    limit.cameIn("a link", rq.getRemoteAddr(), null);
    if (who != null && !Who.now().isGuest()) return new Came(g.sequenceId);
    if (rq.getSession(false) != null) rq.changeSessionId();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(Who.guest(g.id));
    SecurityContextHolder.setContext(context);
    new HttpSessionSecurityContextRepository().saveContext(context, rq, rs);
    return new Came(g.sequenceId);
  }
}
