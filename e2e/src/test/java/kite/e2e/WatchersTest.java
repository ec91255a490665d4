package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import kite.core.command.EntityCommand;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Other programs are told of what happens, by a stand-in that fails, hangs and comes back. */
class WatchersTest {
  private static final List<String> ALL =
      List.of("edit", "version", "render", "approval", "handover");

  private static ServerProcess server;
  private static Person pim;
  private static String production;
  private static String sequence;
  private StandInListener there;
  private String watcher;
  private String secret;

  @BeforeAll
  static void aServer() throws Exception {
    server =
        Application.server(
            "watchers",
            Map.of(
                "KITE_DEMO", "true",
                "KITE_WATCHERS", "127.0.0.1",
                "KITE_WATCHERS_WAIT", "200ms",
                "KITE_WATCHERS_PATIENCE", "1s"));
    server.start();
    pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
    for (JsonNode s : Person.json(pim.get("api/sequences")))
      if (s.get("code").asString().equals("SW010")) {
        sequence = s.get("id").asString();
        production = s.get("productionId").asString();
      }
  }

  @AfterAll
  static void end() throws Exception {
    server.kill();
  }

  @BeforeEach
  void aWatcher() throws Exception {
    there = new StandInListener();
    JsonNode made = ok(pim.post(path(), given(there.address(), true, ALL)));
    watcher = made.get("watcher").get("id").asString();
    secret = made.get("secret").asString();
  }

  @AfterEach
  void without() throws Exception {
    assertEquals(204, pim.delete(path() + "/" + watcher).statusCode());
    there.close();
  }

  private static String path() {
    return "api/productions/" + production + "/watchers";
  }

  private static Map<String, ?> given(String address, boolean active, List<String> kinds) {
    return Map.of("name", "Tracker", "address", address, "kinds", kinds, "active", active);
  }

  private static JsonNode ok(HttpResponse<String> r) {
    assertEquals(200, r.statusCode(), r.body());
    return Person.json(r);
  }

  private static JsonNode document() throws Exception {
    return Person.json(pim.get("api/sequences/" + sequence));
  }

  private static String first(String kind) throws Exception {
    for (JsonNode e : document().get("document").get("entities"))
      if (e.get("kind").asString().equals(kind)) return e.get("id").asString();
    throw new AssertionError("no " + kind);
  }

  private static long revision() throws Exception {
    return document().get("revision").asLong();
  }

  /** An edit that changes something; gives its revision. */
  private static long edit(String name) throws Exception {
    String piece = first("piece");
    return ok(pim.edit(
            sequence, UUID.randomUUID(), revision(), new EntityCommand.Rename(piece, name)))
        .get("revision")
        .asLong();
  }

  private static JsonNode shown(String id) throws Exception {
    for (JsonNode w : ok(pim.get(path()))) if (w.get("id").asString().equals(id)) return w;
    throw new AssertionError("no watcher " + id);
  }

  private StandInListener.Heard heard(String type) throws Exception {
    StandInListener.Heard h = there.next(type);
    assertEquals(type, h.type(), h.text());
    assertTrue(h.isSignedWith(secret), "signed");
    assertEquals(sequence, h.data().get("sequence").get("id").asString());
    assertEquals("SW010", h.data().get("sequence").get("code").asString());
    assertEquals(production, h.data().get("production").get("id").asString());
    return h;
  }

  @Test
  void eachKindIsToldOnceAndSigned() throws Exception {
    long revision = edit("Crate");
    StandInListener.Heard edited = heard("edit");
    assertEquals(revision, edited.data().get("revision").asLong());
    assertEquals("pim", edited.data().get("by").asString());
    assertFalse(edited.isSignedWith("whsec_AAAA"), "by this secret alone");

    ok(
        pim.post(
            "api/sequences/" + sequence + "/versions",
            Map.of("revision", revision, "name", "First", "note", "Look at the pier")));
    assertEquals("First", heard("version").data().get("name").asString());

    String shot = first("shot");
    String approvals = "api/sequences/" + sequence + "/approvals/" + shot;
    assertEquals(204, pim.post(approvals, Map.of("note", "Lovely")).statusCode());
    JsonNode approved = heard("approval").data();
    assertTrue(approved.get("approved").asBoolean());
    assertEquals("Lovely", approved.get("note").asString());
    assertEquals("shot", approved.get("of").asString());
    assertEquals(204, pim.delete(approvals).statusCode());
    assertFalse(heard("approval").data().get("approved").asBoolean());

    Map<String, Object> render = new HashMap<>();
    render.putAll(Map.of("what", "frame", "frame", 1001, "camera", first("camera"), "percent", 5));
    render.put("samples", 1);
    String asked =
        ok(pim.post("api/sequences/" + sequence + "/renders", render)).get("id").asString();
    JsonNode rendered = heard("render").data();
    assertEquals(asked, rendered.get("render").asString());
    assertEquals("DONE", rendered.get("state").asString());
    assertEquals(1, rendered.get("done").asInt());

    ok(
        pim.post(
            "api/sequences/" + sequence + "/packages",
            Map.of("shots", List.of(), "parts", List.of("CUT"), "marks", List.of())));
    assertEquals(1, heard("handover").data().get("number").asInt());
    assertEquals(0, there.more());
    JsonNode now = shown(watcher);
    long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(2);
    while (now.get("waiting").asInt() > 0 && System.nanoTime() < end) now = shown(watcher);
    assertEquals(0, now.get("waiting").asInt(), "all of it was taken");
    assertFalse(now.get("toldAt").isNull());
  }

  @Test
  void itFailsHangsAndComesBackAndNothingIsLost() throws Exception {
    there.answers(500, StandInListener.HANGS, 429);
    List<Long> made = new ArrayList<>();
    for (int i = 0; i < 5; i++) made.add(edit("Crate " + i));
    String first = null;
    for (int answer : new int[] {500, StandInListener.HANGS, 429, 204}) {
      StandInListener.Heard h = heard("edit");
      if (first == null) first = h.id();
      assertEquals(first, h.id(), "the same is told until it is taken");
      assertEquals(answer, h.answered());
      assertEquals(made.get(0), h.data().get("revision").asLong());
    }
    for (int i = 1; i < 5; i++)
      assertEquals(made.get(i), heard("edit").data().get("revision").asLong(), "in order");
    assertEquals(0, there.more());
  }

  @Test
  void whatItRefusesIsSaidAndHoldsUpNothing() throws Exception {
    there.answers(422);
    edit("One");
    assertEquals(422, heard("edit").answered());
    long second = edit("Two");
    assertEquals(second, heard("edit").data().get("revision").asLong());
    JsonNode told = ok(pim.get(path() + "/" + watcher + "/tellings"));
    JsonNode refused = told.get(told.size() - 1);
    assertEquals("REFUSED", refused.get("state").asString());
    assertEquals("It answered 422.", refused.get("says").asString());
    String again = path() + "/" + watcher + "/tellings/" + refused.get("id").asString() + "/again";
    assertEquals(204, pim.post(again, Map.of()).statusCode());
    assertEquals(refused.get("id").asString(), heard("edit").id());
  }

  @Test
  void aServerThatIsKilledWhileItTellsTellsAgain() throws Exception {
    there.answers(StandInListener.HANGS);
    long revision = edit("Held");
    StandInListener.Heard lost = heard("edit");
    long second = edit("Then");
    server.kill();
    server.start();
    pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
    StandInListener.Heard again = heard("edit");
    assertEquals(lost.id(), again.id());
    assertEquals(revision, again.data().get("revision").asLong());
    assertEquals(second, heard("edit").data().get("revision").asLong());
  }

  @Test
  void oneThatIsGoneOrSwitchedOffIsToldNothing() throws Exception {
    there.answers(410);
    edit("Gone");
    heard("edit");
    JsonNode off = shown(watcher);
    long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(2);
    while (off.get("active").asBoolean() && System.nanoTime() < end) off = shown(watcher);
    assertFalse(off.get("active").asBoolean());
    assertTrue(off.get("says").asString().contains("switched off"), off.toString());
    edit("Unheard");
    assertEquals(
        409, pim.post(path() + "/" + watcher + "/hello", Map.of()).statusCode(), "it is off");
    ok(pim.put(path() + "/" + watcher, given(there.address(), true, List.of("version"))));
    edit("Not wanted");
    ok(pim.post(path() + "/" + watcher + "/hello", Map.of()));
    StandInListener.Heard hello = there.next("hello");
    assertEquals("hello", hello.type());
    String renewed =
        ok(pim.post(path() + "/" + watcher + "/secret", Map.of())).get("secret").asString();
    assertNotEquals(secret, renewed);
    ok(pim.post(path() + "/" + watcher + "/hello", Map.of()));
    StandInListener.Heard second = there.next("hello");
    assertTrue(second.isSignedWith(renewed));
    assertFalse(second.isSignedWith(secret));
  }

  @Test
  void oneThatHangsHoldsUpNobodyElse() throws Exception {
    try (StandInListener other = new StandInListener()) {
      JsonNode made = ok(pim.post(path(), given(other.address(), true, List.of("edit"))));
      there.answers(StandInListener.HANGS, StandInListener.HANGS, StandInListener.HANGS);
      long revision = edit("Both");
      StandInListener.Heard h = other.next("edit");
      assertEquals(revision, h.data().get("revision").asLong());
      assertEquals(
          204, pim.delete(path() + "/" + made.get("watcher").get("id").asString()).statusCode());
    }
  }

  @Test
  void whatCannotBeToldIsRefusedInWords() throws Exception {
    for (String bad : List.of("http://169.254.169.254/", "ftp://127.0.0.1/", "nonsense", "")) {
      HttpResponse<String> r = pim.post(path(), given(bad, true, ALL));
      assertEquals(422, r.statusCode(), bad);
      assertEquals("address", Person.json(r).get("refusal").get("field").asString());
    }
    assertEquals(422, pim.post(path(), given(there.address(), true, List.of())).statusCode());
    assertEquals(
        422, pim.post(path(), given(there.address(), true, List.of("gossip"))).statusCode());
    assertFalse(pim.get(path()).body().contains(secret.substring(6)), "a secret is told once");
  }
}
