package kite.server.account;

import java.util.Map;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;

/** Where somebody is signed in. */
@Service
public class OpenSessions {
  private final FindByIndexNameSessionRepository<? extends Session> sessions;
  private final ApplicationEventPublisher events;

  OpenSessions(
      FindByIndexNameSessionRepository<? extends Session> sessions,
      ApplicationEventPublisher events) {
    this.sessions = sessions;
    this.events = events;
  }

  /** Signs somebody out wherever they are signed in. */
  public void end(String name) {
    endOthers(name, "");
  }

  /**
   * Signs somebody out wherever they are signed in but in one place.
   *
   * @param kept id of the session that stays
   */
  public void endOthers(String name, String kept) {
    Map<String, ? extends Session> all = sessions.findByPrincipalName(name);
    for (String id : all.keySet()) {
      if (id.equals(kept)) continue;
      sessions.deleteById(id);
      events.publishEvent(new SignedOut(id));
    }
  }
}
