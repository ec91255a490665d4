package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URI;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.util.UUID;
import kite.demo.SaltWind;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Who is let in, under which name it answers, and what is said to what is asked wrongly. */
class DoorTest {
  private static final int TRIES = 8;
  private static final String PASSWORD = "hold-on-tight";
  private static Application application;
  private static String address, sequence;

  @BeforeAll
  static void start() throws Exception {
    application = Application.get();
    address = application.address();
    sequence = application.reset(new SaltWind().sw010());
  }

  /** An account that no other test signs in with, with pim's password. */
  private static String account() throws Exception {
    String name = "guest-" + UUID.randomUUID();
    Application.sql(
        "insert into account (id, name, password_hash, version)"
            + " select gen_random_uuid(), '"
            + name
            + "', password_hash, 0 from account where name = 'pim'");
    return name;
  }

  @Test
  void triesAreCountedHoweverTheyAreSpelledAndThoseWhoWereHereBeforeComeIn() throws Exception {
    String name = account();
    Person before = Person.signedIn(address, name, PASSWORD);
    Person stranger = Person.stranger(address);
    String[] paths = {"api/sign-in", "api/%73ign-in"};
    String[] names = {name, name + " ", name.toUpperCase()};
    for (int i = 0; i < TRIES; i++)
      assertEquals(
          401, stranger.signIn(paths[i % 2], names[i % 3], "guess" + i), "try number " + i);
    for (String path : paths)
      for (String n : names) assertEquals(429, stranger.signIn(path, n, PASSWORD), path + " " + n);
    assertEquals(204, before.signIn("api/sign-in", name, PASSWORD), "the browser is known");
    assertEquals(204, Person.stranger(address).signIn("api/sign-in", account(), PASSWORD));
  }

  @Test
  void aSignInLongerThanOneIsNotRead() throws Exception {
    assertEquals(
        413, Person.stranger(address).signIn("api/sign-in", "x".repeat(2_000_000), "guess"));
  }

  @Test
  void anotherHostIsToldNothing() throws Exception {
    String port = ":" + URI.create(address).getPort();
    try (RawHttp foreign =
            new RawHttp(
                address,
                0,
                "GET /api/session HTTP/1.1",
                "Host: films.example" + port,
                "Connection: close");
        RawHttp own =
            new RawHttp(
                address,
                0,
                "GET /api/session HTTP/1.1",
                "Host: localhost" + port,
                "Connection: close")) {
      assertEquals(421, foreign.status());
      assertFalse(new String(foreign.rest()).contains(PASSWORD));
      assertEquals(200, own.status());
      assertTrue(new String(own.rest()).contains(PASSWORD), "the demonstration's, to its own page");
    }
  }

  @Test
  void theLiveLineIsForOwnPages() throws Exception {
    String cookies = Person.signedIn(address, "pim", PASSWORD).cookies();
    String host = URI.create(address).getAuthority();
    assertEquals(403, line(host, "http://films.example", cookies));
    assertEquals(101, line(host, "http://" + host, cookies));
    assertEquals(401, line(host, "http://" + host, "KITE_SESSION=none"));
  }

  private static int line(String host, String origin, String cookies) throws Exception {
    try (RawHttp r = new RawHttp(address, 0, RawHttp.handshake(host, origin, sequence, cookies))) {
      return r.status();
    }
  }

  @Test
  void whatIsAskedWronglyIsAnsweredWithASentence() throws Exception {
    Person pim = Person.signedIn(address, "pim", PASSWORD);
    String edits = "api/sequences/" + sequence + "/edits";
    refused(405, pim.send(pim.request("api/sequences").PUT(BodyPublishers.ofString("{}"))));
    refused(
        415,
        pim.send(
            pim.request(edits)
                .header("Content-Type", "text/plain")
                .POST(BodyPublishers.ofString("{}"))));
    refused(400, pim.get("api/sequences/no-number"));
    refused(400, pim.get(edits + "?after=soon"));
    refused(400, pim.get(edits));
    refused(
        400,
        pim.send(
            pim.request(edits)
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString("{\"id\":"))));
    refused(404, pim.get("api/sequences/" + UUID.randomUUID()));
    refused(404, pim.get("api/nothing-of-the-kind"));
  }

  private static void refused(int status, HttpResponse<String> r) {
    assertEquals(status, r.statusCode(), r.uri() + " " + r.body());
    String text = Person.json(r).get("refusal").get("text").asString();
    assertTrue(text.matches("(?s)[A-Z“].*[.]"), text);
    assertFalse(text.matches("(?s).*(Exception|java\\.|kite\\.|springframework).*"), text);
  }
}
