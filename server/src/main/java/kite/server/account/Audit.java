package kite.server.account;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Notes sign-ins and changes of rights: who did what, about whom or what, and from where. */
@Service
public class Audit {
  /** No name, code or sentence that is noted is longer. */
  private static final int LONGEST = 300;

  private final EntityManager database;
  private final Clock clock;

  Audit(EntityManager database, Clock clock) {
    this.database = database;
    this.clock = clock;
  }

  /**
   * Part of the transaction that asks for it, where there is one.
   *
   * @param address of the machine that asked; "" where it does not matter
   */
  @Transactional
  public void note(String who, String what, String about, String address) {
    database
        .createNativeQuery(
            "insert into audit (at, who, what, about, address)"
                + " values (:at, :who, :what, :about, :address)")
        .setParameter("at", clock.instant())
        .setParameter("who", cut(who))
        .setParameter("what", cut(what))
        .setParameter("about", cut(about))
        .setParameter("address", cut(address))
        .executeUpdate();
  }

  private static String cut(String s) {
    String t = s == null ? "" : s.replace('\0', ' ');
    return t.length() > LONGEST ? t.substring(0, LONGEST) : t;
  }
}
