package kite.server.provider;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import kite.server.account.Account;
import kite.server.account.Audit;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;

/** Signs somebody in as an account that is known to be theirs. */
@Component
class Entering {
  private final Audit audit;

  Entering(Audit audit) {
    this.audit = audit;
  }

  void as(Account a, HttpServletRequest rq, HttpServletResponse rs) {
    if (rq.getSession(false) != null) rq.changeSessionId(); // one that was planted is worth nothing
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(a.name(), null, List.of()));
    SecurityContextHolder.setContext(context);
    new HttpSessionSecurityContextRepository().saveContext(context, rq, rs);
    audit.note(a.name(), "signed in", "by the studio's sign-in", rq.getRemoteAddr());
  }
}
