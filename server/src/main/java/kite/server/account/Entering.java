package kite.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;

/** Signs a browser in for an account that it is known to come for. */
@Component
public class Entering {
  private final Audit audit;

  Entering(Audit audit) {
    this.audit = audit;
  }

  /**
   * @param how that is known, for the list of what happened
   */
  public void as(String name, String how, HttpServletRequest rq, HttpServletResponse rs) {
    if (rq.getSession(false) != null) rq.changeSessionId(); // one that was planted is worth nothing
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(name, null, List.of()));
    SecurityContextHolder.setContext(context);
    new HttpSessionSecurityContextRepository().saveContext(context, rq, rs);
    audit.note(name, "signed in", how, rq.getRemoteAddr());
  }
}
