package kite.server.live;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import kite.server.rights.RightsChanged;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * Carries stored edits to the pages that have their sequence open, here and on other servers on the
 * same database (PostgreSQL's LISTEN and NOTIFY). One thread does it, so that each page hears of
 * revisions in order; what it missed it reads from the journal. It is told after the commit, apart
 * from it: commits that notify wait for each other.
 */
@Component
@Lazy(false)
public class Announcing implements SmartLifecycle {
  private static final Logger LOG = LoggerFactory.getLogger(Announcing.class);
  private static final String CHANNEL = "kite_edit", MOVED = "kite_moved", HERE = "kite_here";
  private static final int LISTEN_MS = 1000, RETRY_MS = 1000;

  /** How often it is looked whether those who listen are still signed in. */
  private static final long RIGHTS_MS = 10_000;

  private final LiveUpdates live;
  private final Journal journal;
  private final DataSource database;
  private final String self = UUID.randomUUID().toString();
  private final LinkedBlockingQueue<EditMade> made = new LinkedBlockingQueue<>();
  private final LinkedBlockingQueue<Heard> heard = new LinkedBlockingQueue<>();
  private final LinkedBlockingQueue<Moved> moved = new LinkedBlockingQueue<>();
  private final LinkedBlockingQueue<Here> people = new LinkedBlockingQueue<>();
  private final Map<UUID, Long> told = new HashMap<>();
  private final Semaphore changed = new Semaphore(0);
  private volatile boolean running;

  /** A revision of a sequence that is stored; with its edit where that was made here. */
  private record Heard(UUID sequence, long revision, EditMade edit) {}

  Announcing(LiveUpdates live, @Lazy Journal journal, DataSource database) {
    this.live = live;
    this.journal = journal;
    this.database = database;
  }

  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  public void stored(EditMade edit) {
    heard.add(new Heard(edit.sequence(), edit.revision(), edit));
    made.add(edit);
  }

  /** Told after the commit: a page asks at once, and would else be told of what was before. */
  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT, fallbackExecution = true)
  public void moved(Moved what) {
    moved.add(what);
  }

  @EventListener
  public void isHere(Here here) {
    people.add(here);
  }

  /** Rights are others now: it is looked at once who may go on listening. */
  @Order(1)
  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT, fallbackExecution = true)
  public void changed(RightsChanged rights) {
    changed.release();
  }

  @Override
  public void start() {
    running = true;
    thread("live others", this::tellOfOthers);
    thread("live people", this::tellOfPeople);
    thread("live updates", this::tellPages);
    thread("live notify", this::tellServers);
    thread("live listen", this::listen);
    thread("live rights", this::endOfRights);
  }

  private static void thread(String name, Runnable work) {
    Thread t = new Thread(work, name);
    t.setDaemon(true);
    t.start();
  }

  @Override
  public void stop() {
    running = false;
  }

  @Override
  public boolean isRunning() {
    return running;
  }

  private void tellPages() {
    while (running) {
      try {
        Heard h = heard.poll(LISTEN_MS, TimeUnit.MILLISECONDS);
        if (h != null) tell(h);
      } catch (InterruptedException e) {
        return;
      } catch (RuntimeException e) {
        LOG.warn("Pages could not be told of an edit; they catch up with the next", e);
      }
    }
  }

  private void tell(Heard h) {
    if (!live.watched(h.sequence)) {
      told.remove(h.sequence);
      return;
    }
    // a page that comes reads what it lacks by itself; from then on it is told
    if (live.takeJoined(h.sequence)) told.remove(h.sequence);
    Long last = told.get(h.sequence);
    if (last != null && h.revision <= last) return;
    if (h.edit != null && (last == null || h.revision == last + 1)) {
      live.tell(h.sequence, List.of(h.edit));
      told.put(h.sequence, h.revision);
      return;
    }
    List<EditMade> missed = journal.since(h.sequence, last == null ? h.revision - 1 : last);
    live.tell(h.sequence, missed);
    if (!missed.isEmpty()) told.put(h.sequence, missed.get(missed.size() - 1).revision());
  }

  private void tellServers() {
    gather(
        made,
        "an edit; their pages look for it themselves",
        all -> {
          Map<UUID, Long> last = new LinkedHashMap<>();
          for (EditMade e : all) last.merge(e.sequence(), e.revision(), Math::max);
          send(
              CHANNEL, last.entrySet().stream().map(e -> e.getKey() + " " + e.getValue()).toList());
        });
  }

  /** Of each thing the last alone. */
  private void tellOfOthers() {
    gather(
        moved,
        "a render or an approval",
        all -> {
          Map<List<Object>, Moved> last = new LinkedHashMap<>();
          for (Moved m : all) last.put(List.of(m.sequence(), m.about()), m);
          for (Moved m : last.values()) live.tell(m);
          send(MOVED, last.values().stream().map(m -> m.sequence() + " " + m.json()).toList());
        });
  }

  /** Of each page the last place alone. */
  private void tellOfPeople() {
    gather(
        people,
        "where people are",
        all -> {
          Map<String, Here> last = new LinkedHashMap<>();
          for (Here h : all) last.put(h.page(), h);
          for (Here h : last.values()) live.tell(h);
          send(HERE, last.values().stream().map(Here::json).toList());
        });
  }

  /** What is done with all that has come since the last time. */
  private interface Telling<T> {
    void tell(List<T> all) throws SQLException;
  }

  private <T> void gather(LinkedBlockingQueue<T> queue, String what, Telling<T> telling) {
    while (running) {
      try {
        T first = queue.poll(LISTEN_MS, TimeUnit.MILLISECONDS);
        if (first == null) continue;
        List<T> all = new ArrayList<>(List.of(first));
        queue.drainTo(all);
        telling.tell(all);
      } catch (InterruptedException e) {
        return;
      } catch (SQLException | RuntimeException e) {
        LOG.warn("Other servers could not be told of {}", what, e);
      }
    }
  }

  /** Nothing is lost with a notice: it does not wait for the disk. */
  private static final String NOTIFY =
      "select set_config('synchronous_commit', 'off', true), pg_notify(?, ?)";

  private void send(String channel, List<String> texts) throws SQLException {
    try (Connection c = database.getConnection();
        PreparedStatement p = c.prepareStatement(NOTIFY)) {
      for (String text : texts) {
        p.setString(1, channel);
        p.setString(2, self + " " + text);
        p.execute();
      }
    }
  }

  private void listen() {
    while (running) {
      try (Connection c = database.getConnection();
          Statement s = c.createStatement()) {
        s.execute("listen " + CHANNEL);
        s.execute("listen " + MOVED);
        s.execute("listen " + HERE);
        PGConnection pg = c.unwrap(PGConnection.class);
        while (running) {
          PGNotification[] all = pg.getNotifications(LISTEN_MS);
          if (all != null) for (PGNotification n : all) hear(n.getName(), n.getParameter());
        }
      } catch (SQLException | RuntimeException e) {
        LOG.info("The line to other servers broke and is made again: {}", e.getMessage());
        if (!paused()) return;
      }
    }
  }

  private void hear(String channel, String text) {
    if (channel.equals(HERE)) {
      String[] p = text.split(" ", 2);
      if (!p[0].equals(self)) live.tell(Here.read(p[1]));
      return;
    }
    String[] p = text.split(" ", 3);
    if (p[0].equals(self)) return;
    if (channel.equals(MOVED) && p.length == 3)
      live.tell(new Moved(UUID.fromString(p[1]), "", p[2]));
    else if (channel.equals(CHANNEL) && p.length == 3)
      heard.add(new Heard(UUID.fromString(p[1]), Long.parseLong(p[2]), null));
  }

  /** Ends the sockets of sessions that are no more: signed out elsewhere, run out, taken away. */
  private void endOfRights() {
    while (running) {
      try {
        changed.tryAcquire(RIGHTS_MS, TimeUnit.MILLISECONDS);
        changed.drainPermits();
        List<String> here = live.sessions();
        if (here.isEmpty()) continue;
        Set<String> there = new HashSet<>();
        try (Connection c = database.getConnection();
            PreparedStatement p =
                c.prepareStatement(
                    "select session_id from spring_session where session_id = any (?)"
                        + " and expiry_time > ?")) {
          p.setArray(1, c.createArrayOf("text", here.toArray()));
          p.setLong(2, System.currentTimeMillis());
          try (ResultSet r = p.executeQuery()) {
            while (r.next()) there.add(r.getString(1).trim());
          }
        }
        for (String s : here) if (!there.contains(s)) live.end(s);
        live.endOfRights();
      } catch (InterruptedException e) {
        return;
      } catch (SQLException | RuntimeException e) {
        LOG.info("It could not be looked who is still signed in: {}", e.getMessage());
      }
    }
  }

  private static boolean paused() {
    try {
      Thread.sleep(RETRY_MS);
      return true;
    } catch (InterruptedException e) {
      return false;
    }
  }
}
