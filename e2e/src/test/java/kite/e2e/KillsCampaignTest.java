package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import kite.core.codec.Digest;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.curve.Channel;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Two servers on one database, people editing through both, and kills: whatever was acknowledged is
 * there once, in its place, and the document is what the journal says. Run by ./kite campaign.
 */
@Tag("campaign")
class KillsCampaignTest {
  private static final int PEOPLE = 8;

  /** Between two edits of a person: a server that starts beside them needs room on the machine. */
  private static final int PAUSE_MS = 60;

  private static final int SERVER_KILLS = Integer.getInteger("kills.server", 100);
  private static final int DATABASE_KILLS = Integer.getInteger("kills.database", 40);
  private static final String[] PIECES = {
    "oda", "pim", "biscuit", "lantern", "kite", "windmill", "stall1", "stall2"
  };

  /** An acknowledged edit: what was set, and the revision that it was told. */
  private record Acknowledged(UUID id, String piece, double value, long revision) {}

  private final Map<UUID, Acknowledged> acknowledged = new ConcurrentHashMap<>();
  private final AtomicBoolean over = new AtomicBoolean();
  private final ServerProcess[] servers = new ServerProcess[2];
  private String sequence;

  @Test
  void nothingAcknowledgedIsLostOrDoubled() throws Exception {
    Cluster cluster = new Cluster();
    var output = Files.createTempDirectory("kite-output");
    for (int i = 0; i < servers.length; i++) {
      servers[i] =
          new ServerProcess(
              cluster.url(), Cluster.role(), "", output, new File("target/campaign-" + i + ".log"));
      servers[i].start();
    }
    sequence = one(cluster, "select id from sequence where code = 'SW010'");
    ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
    List<Future<?>> work = new ArrayList<>();
    for (int p = 0; p < PEOPLE; p++) {
      int person = p;
      work.add(
          people.submit(
              () -> {
                edit(person);
                return null;
              }));
    }
    Random r = new Random(7);
    List<Integer> when = new ArrayList<>();
    for (int i = 0; i < SERVER_KILLS; i++) when.add(i % 2);
    for (int i = 0; i < DATABASE_KILLS; i++) when.add(2);
    java.util.Collections.shuffle(when, r);
    int said = 0;
    for (int who : when) {
      Thread.sleep(200 + r.nextInt(1500));
      if (who == 2) {
        cluster.kill();
        Thread.sleep(r.nextInt(500));
        cluster.start();
      } else {
        servers[who].kill();
        servers[who].start();
      }
      for (Future<?> f : work) if (f.isDone()) f.get(); // a person who gave up says why
      if (++said % 20 == 0)
        System.out.printf("%d kills, %d edits acknowledged%n", said, acknowledged.size());
    }
    over.set(true);
    for (Future<?> f : work) f.get();
    people.shutdown();
    check(cluster);
    System.out.printf(
        "%d kills of servers and %d of the database; %d edits acknowledged, none lost, none"
            + " doubled%n",
        SERVER_KILLS, DATABASE_KILLS, acknowledged.size());
  }

  /** Turns one piece again and again, each edit sent until it is acknowledged, as a page does. */
  private void edit(int person) throws Exception {
    String piece = PIECES[person];
    Person at = null;
    int server = person % 2;
    for (double value = 1; !over.get(); value++) {
      UUID id = UUID.randomUUID();
      while (true) {
        try {
          if (at == null) at = Person.signedIn(servers[server].address(), "pim", "hold-on-tight");
          HttpResponse<String> answer =
              at.edit(sequence, id, revision(at), new SetValue(piece, "roll", 1001, value, false));
          if (answer.statusCode() == 200) {
            long revision = Person.json(answer).get("revision").asLong();
            acknowledged.put(id, new Acknowledged(id, piece, value, revision));
            Thread.sleep(PAUSE_MS);
            break;
          }
          if (answer.statusCode() < 500 && answer.statusCode() != 401)
            throw new IllegalStateException(answer.statusCode() + " " + answer.body());
        } catch (IOException | AssertionError gone) {
          server = 1 - server; // the other one goes on
        }
        at = null;
        Thread.sleep(50);
      }
    }
  }

  private long revision(Person p) throws Exception {
    HttpResponse<String> r = p.get("api/sequences/" + sequence + "/digest");
    if (r.statusCode() != 200) throw new IOException("no digest: " + r.statusCode());
    return Person.json(r).get("revision").asLong();
  }

  private void check(Cluster cluster) throws Exception {
    Map<UUID, Long> stored = new ConcurrentHashMap<>();
    long rows = 0, last = 0;
    Sequence now;
    try (Connection c = cluster.connect();
        Statement s = c.createStatement()) {
      try (ResultSet r =
          s.executeQuery(
              "select id, revision from edit where sequence_id = '"
                  + sequence
                  + "' order by revision")) {
        while (r.next()) {
          stored.put(r.getObject(1, UUID.class), r.getLong(2));
          assertEquals(++rows, r.getLong(2), "revisions follow one another without a gap");
          last = r.getLong(2);
        }
      }
      now = Application.stored(c, "SW010");
    }
    assertTrue(acknowledged.size() > 10 * PEOPLE, "edits were made: " + acknowledged.size());
    for (Acknowledged a : acknowledged.values())
      assertEquals(a.revision(), stored.get(a.id()), "an acknowledged edit is in its place");
    assertEquals(acknowledged.size(), rows, "each is there once, and nothing else");
    for (String piece : PIECES) {
      double most =
          acknowledged.values().stream()
              .filter(a -> a.piece().equals(piece))
              .mapToDouble(Acknowledged::value)
              .max()
              .orElse(0);
      Channel roll = ((Piece) now.get(piece)).channels().set().get("roll");
      assertEquals(most, roll.at(1001), 1e-9, piece);
    }
    for (ServerProcess server : servers) {
      Person p = Person.signedIn(server.address(), "pim", "hold-on-tight");
      var digest = Person.json(p.get("api/sequences/" + sequence + "/digest"));
      assertEquals(last, digest.get("revision").asLong());
      assertEquals(new Digest().of(now), digest.get("digest").asString());
    }
  }

  private static String one(Cluster cluster, String question) throws Exception {
    try (Connection c = cluster.connect();
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery(question)) {
      r.next();
      return r.getString(1);
    }
  }
}
