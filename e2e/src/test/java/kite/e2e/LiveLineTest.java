package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URI;
import java.net.http.WebSocket;
import java.sql.Connection;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.demo.SaltWind;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** What pages hear of each other's edits. */
class LiveLineTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final String[] PIECES = {"oda", "pim", "biscuit", "lantern", "kite", "windmill"};
  private static final int PATIENCE_S = 60;

  /** What is told too early comes at once; told late it is no fault. */
  private static final int BEFORE_MS = 700;

  private static final ExecutorService PEOPLE = Executors.newFixedThreadPool(PIECES.length);

  private Application application;
  private String sequence;

  @BeforeEach
  void start() throws Exception {
    application = Application.get();
    sequence = application.reset(new SaltWind().sw010());
  }

  @AfterAll
  static void end() {
    PEOPLE.shutdown();
  }

  private Person pim() throws Exception {
    return Person.signedIn(application.address(), "pim", "hold-on-tight");
  }

  /** A page's ear: revisions as they come, and how the line ended. */
  private static final class Ear implements WebSocket.Listener {
    final LinkedBlockingQueue<Long> heard = new LinkedBlockingQueue<>();
    final LinkedBlockingQueue<String> approvals = new LinkedBlockingQueue<>();
    final CompletableFuture<Integer> ended = new CompletableFuture<>();
    private final StringBuilder text = new StringBuilder();

    /** Held, or what is no longer reached would be taken away with its line. */
    private WebSocket line;

    @Override
    public void onOpen(WebSocket s) {
      line = s;
      line.request(1);
    }

    @Override
    public CompletionStage<?> onText(WebSocket s, CharSequence data, boolean last) {
      text.append(data);
      if (last) {
        var message = JSON.readTree(text.toString());
        if (message.has("revision")) heard.add(message.get("revision").asLong());
        if (message.has("approvals")) approvals.add(text.toString());
        text.setLength(0);
      }
      s.request(1);
      return null;
    }

    @Override
    public CompletionStage<?> onClose(WebSocket s, int status, String reason) {
      ended.complete(status);
      return null;
    }

    @Override
    public void onError(WebSocket s, Throwable e) {
      ended.completeExceptionally(e);
    }

    List<Long> next(int many) throws InterruptedException {
      List<Long> all = new ArrayList<>();
      while (all.size() < many) {
        Long r = heard.poll(PATIENCE_S, TimeUnit.SECONDS);
        if (r == null) throw new AssertionError("only " + all + " came");
        all.add(r);
      }
      return all;
    }
  }

  private static long edited(Person p, String sequence, long revision, Command c) throws Exception {
    var answer = p.edit(sequence, UUID.randomUUID(), revision, c);
    assertEquals(200, answer.statusCode(), answer.body());
    return Person.json(answer).get("revision").asLong();
  }

  @Test
  void everyPageHearsOfAllEditsInTheirOrder() throws Exception {
    int each = 15;
    Person listener = pim();
    List<Ear> ears = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      ears.add(new Ear());
      listener.listen(sequence, ears.get(i));
    }
    List<Callable<Void>> all = new ArrayList<>();
    for (String piece : PIECES) {
      Person p = pim();
      all.add(
          () -> {
            long revision = 0;
            for (int i = 0; i < each; i++)
              revision = edited(p, sequence, revision, new SetValue(piece, "roll", 1001, i, false));
            return null;
          });
    }
    for (Future<Void> f : PEOPLE.invokeAll(all)) f.get();
    List<Long> expected = new ArrayList<>();
    for (long r = 1; r <= (long) each * PIECES.length; r++) expected.add(r);
    for (Ear e : ears) assertEquals(expected, e.next(expected.size()));
  }

  /** A curve of many keys: a long message. */
  private static Command longOne(int shift) {
    Key[] keys = new Key[1500];
    for (int i = 0; i < keys.length; i++) keys[i] = Key.smooth(1001 + i, (i + shift) % 7 / 7.0);
    return new SetChannel("oda", "roll", Channel.curve(keys));
  }

  @Test
  void aPageThatDoesNotReadIsDroppedAndHoldsNobodyUp() throws Exception {
    Person p = pim();
    Ear reader = new Ear();
    p.listen(sequence, reader);
    String host = URI.create(application.address()).getAuthority();
    try (RawHttp deaf =
        new RawHttp(
            application.address(),
            4096,
            RawHttp.handshake(host, "http://" + host, sequence, p.cookies()))) {
      assertEquals(101, deaf.status());
      int edits = 80; // more than wait for a page, and than what lies between can hold
      long revision = 0;
      for (int i = 0; i < edits; i++) revision = edited(p, sequence, revision, longOne(i));
      assertEquals(edits, revision);
      assertEquals(edits, reader.next(edits).get(edits - 1), "others heard of all of them");
      long sent = deaf.rest().length; // ends when the line was closed
      assertTrue(sent > 0, "sent " + sent);
    }
  }

  @Test
  void whatIsApprovedIsToldOfWhenItIsStoredAndNotBefore() throws Exception {
    Person lead = pim();
    Ear ear = new Ear();
    lead.listen(sequence, ear);
    String camera = application.stored().all(Camera.class).get(0).id();
    String path = "api/sequences/" + sequence + "/approvals/" + camera;
    assertEquals(204, lead.post(path, java.util.Map.of("note", "")).statusCode());
    assertNotNull(ear.approvals.poll(PATIENCE_S, TimeUnit.SECONDS));
    Future<Integer> reopened;
    try (Connection c = Application.connect(Application.DATABASE)) {
      c.setAutoCommit(false);
      c.createStatement()
          .execute("select 1 from approval for update"); // what is stored waits for us
      reopened = PEOPLE.submit(() -> lead.delete(path).statusCode());
      String waiting =
          "select 1 from pg_stat_activity where wait_event_type = 'Lock' and datname = current_database()";
      while (!c.createStatement().executeQuery(waiting).next())
        assertFalse(reopened.isDone(), "stored without waiting for us");
      assertNull(ear.approvals.poll(BEFORE_MS, TimeUnit.MILLISECONDS), "told before it is so");
    }
    assertEquals(204, reopened.get());
    assertNotNull(ear.approvals.poll(PATIENCE_S, TimeUnit.SECONDS));
    assertEquals("[]", lead.get("api/sequences/" + sequence + "/approvals").body());
  }

  @Test
  void aLineEndsWithTheSession() throws Exception {
    Person leaves = pim(), stays = pim();
    Ear one = new Ear(), other = new Ear();
    leaves.listen(sequence, one);
    stays.listen(sequence, other);
    assertEquals(204, leaves.post("api/sign-out", java.util.Map.of()).statusCode());
    assertEquals(1008, one.ended.get(PATIENCE_S, TimeUnit.SECONDS));
    edited(stays, sequence, 0, new SetValue("oda", "x", 1001, 1, false));
    assertEquals(List.of(1L), other.next(1));
    assertTrue(one.heard.isEmpty(), "nothing after that: " + one.heard);
  }
}
