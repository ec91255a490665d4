package kite.server.account;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.springframework.session.MapSession;
import org.springframework.session.MapSessionRepository;

class RestedSessionsTest {
  private final MapSessionRepository kept = new MapSessionRepository(new ConcurrentHashMap<>());
  private final RestedSessions<MapSession> sessions = new RestedSessions<>(kept);

  @Test
  void itsUseIsNotedOnceAMinute() {
    var s = sessions.createSession();
    Instant begun = s.getLastAccessedTime();
    s.setAttribute("who", "pim");
    sessions.save(s);
    for (int seconds : new int[] {1, 30, 59}) {
      var again = sessions.findById(s.getId());
      again.setLastAccessedTime(begun.plusSeconds(seconds));
      sessions.save(again);
      assertEquals(begun, kept.findById(s.getId()).getLastAccessedTime());
    }
    var later = sessions.findById(s.getId());
    later.setLastAccessedTime(begun.plus(RestedSessions.REST));
    sessions.save(later);
    assertEquals(begun.plus(Duration.ofMinutes(1)), kept.findById(s.getId()).getLastAccessedTime());
    assertEquals("pim", sessions.findById(s.getId()).getAttribute("who"));
  }

  @Test
  void aSessionGetsANewNameAndEnds() {
    var s = sessions.createSession();
    String before = s.getId();
    sessions.save(s);
    s.changeSessionId();
    sessions.save(s);
    assertNull(sessions.findById(before));
    sessions.deleteById(s.getId());
    assertNull(sessions.findById(s.getId()));
  }
}
