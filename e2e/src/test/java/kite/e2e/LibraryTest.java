package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.SequenceCommand.SetHeader;
import kite.core.document.Camera;
import kite.core.document.Header;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Standards;
import kite.core.form.SequenceJson;
import kite.core.form.StandardsJson;
import kite.core.number.Rate;
import kite.demo.SaltWind;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Productions and sequences over the wire, in the real database. */
class LibraryTest {
  private static Person pim;
  private static String sw010;

  @BeforeAll
  static void start() throws Exception {
    Application application = Application.get();
    sw010 = application.reset(new SaltWind().sw010());
    pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
  }

  /** A production that no other test has. */
  private static String production() throws Exception {
    String code = "T" + UUID.randomUUID().toString().substring(0, 8);
    var r =
        pim.post("api/productions", Map.of("name", "Test " + code, "code", code, "start", "hd-25"));
    assertEquals(200, r.statusCode(), r.body());
    return Person.json(r).get("id").asString();
  }

  private static int begin(String production, String code, String how, Map<String, ?> more)
      throws Exception {
    Map<String, Object> asked =
        new HashMap<>(Map.of("code", code, "title", "A title", "begin", how));
    asked.putAll(more);
    return pim.post("api/productions/" + production + "/sequences", asked).statusCode();
  }

  private static JsonNode list(String production, String where) throws Exception {
    return Person.json(pim.get("api/sequences?production=" + production + "&where=" + where));
  }

  private static Sequence opened(String id) throws Exception {
    return SequenceJson.read(
        Person.json(pim.get("api/sequences/" + id)).get("document").toString());
  }

  @Test
  void aFilmBeginsAndGoesOnFromWhatIsThere() throws Exception {
    String film = production();
    String code =
        Person.json(pim.get("api/productions/" + film + "/next-code")).get("code").asString();
    assertTrue(code.endsWith("010"), code);
    assertEquals(200, begin(film, code, "firstSet", Map.of()));
    Map<String, ?> taken = Map.of("set", true, "cameras", false, "cut", true);
    assertEquals(200, begin(film, "FROM-SW", "another", Map.of("another", sw010, "taken", taken)));
    JsonNode all = list(film, "here");
    assertEquals(2, all.size(), all.toString());
    Sequence first = null;
    for (JsonNode s : all) {
      Sequence doc = opened(s.get("id").asString());
      assertEquals(25, doc.header().rate().perSecond(), 1e-12, "the production's rate");
      if (!s.get("code").asString().equals("FROM-SW")) first = doc;
      else {
        assertEquals(new SaltWind().sw010().all(Piece.class).size(), doc.all(Piece.class).size());
        assertTrue(doc.all(Camera.class).isEmpty() && doc.all(Shot.class).isEmpty());
      }
    }
    assertEquals(1, first.all(Camera.class).size());
  }

  @Test
  void oneCodeIsGivenOnceHoweverManyAskForIt() throws Exception {
    String film = production();
    ExecutorService people = Executors.newFixedThreadPool(8);
    List<Callable<Integer>> all = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      String code = i % 2 == 0 ? "SAME" : "same";
      all.add(() -> begin(film, code, "empty", Map.of()));
    }
    int made = 0;
    for (Future<Integer> f : people.invokeAll(all)) {
      assertTrue(f.get() == 200 || f.get() == 422, "answered " + f.get());
      if (f.get() == 200) made++;
    }
    people.shutdown();
    assertEquals(1, made);
    assertEquals(1, list(film, "here").size());
  }

  @Test
  void aSequenceIsRenamedPutAwayBroughtBackAndDeletedForGood() throws Exception {
    String film = production();
    begin(film, "AA010", "firstSet", Map.of());
    String id = list(film, "here").get(0).get("id").asString(), at = "api/sequences/" + id;
    assertEquals(
        204, pim.post(at + "/names", Map.of("code", "AA020", "title", "Another")).statusCode());
    assertEquals("AA020", opened(id).header().code());
    JsonNode shown = list(film, "here").get(0);
    assertEquals("AA020", shown.get("code").asString());
    assertEquals("pim", shown.get("author").asString());

    assertEquals(204, pim.post(at + "/place", Map.of("to", "archive")).statusCode());
    assertEquals(0, list(film, "here").size());
    assertEquals(1, list(film, "archive").size());
    var edit = pim.edit(id, UUID.randomUUID(), 1, new SetValue("adult", "x", 1001, 1, false));
    assertEquals(423, edit.statusCode(), edit.body());
    assertTrue(edit.body().contains("Bring it back"), edit.body());
    assertEquals(200, pim.get(at).statusCode(), "but it can be looked at");
    assertEquals(204, pim.post(at + "/place", Map.of("to", "here")).statusCode());
    edit = pim.edit(id, UUID.randomUUID(), 1, new SetValue("adult", "x", 1001, 1, false));
    assertEquals(200, edit.statusCode(), edit.body());
    var asked =
        pim.post(
            at + "/renders",
            Map.of(
                "what", "frame", "camera", "cameraA", "frame", 1001, "percent", 5, "samples", 1));
    assertEquals(200, asked.statusCode(), asked.body());

    assertEquals(204, pim.post(at + "/place", Map.of("to", "bin")).statusCode());
    assertEquals(409, pim.delete(at + "?code=AA020").statusCode(), "kept for its time");
    Application.sql(
        "update sequence set binned_at = now() - interval '31 days' where id = '" + id + "'");
    assertEquals(422, pim.delete(at + "?code=AA010").statusCode());
    assertEquals(204, pim.delete(at + "?code=AA020").statusCode());
    assertEquals(404, pim.get(at).statusCode());
    assertEquals(0, list(film, "bin").size());
  }

  @Test
  void goingBackToACodeThatIsTakenMeanwhileIsRefused() throws Exception {
    String film = production();
    begin(film, "BB010", "empty", Map.of());
    String id = list(film, "here").get(0).get("id").asString();
    Sequence before = opened(id);
    pim.post("api/sequences/" + id + "/names", Map.of("code", "BB020", "title", ""));
    assertEquals(200, begin(film, "bb010", "empty", Map.of()));
    var back = pim.edit(id, UUID.randomUUID(), 1, new SetHeader(before.header()));
    assertEquals(422, back.statusCode(), back.body());
    assertTrue(back.body().contains("is taken already"), back.body());
    assertEquals("BB020", opened(id).header().code());
  }

  @Test
  void aListIsGivenInPagesAndSearched() throws Exception {
    String film = production();
    for (int i = 0; i < 65; i++) begin(film, "P" + (100 + i), "empty", Map.of());
    String of = "api/sequences?production=" + film;
    assertEquals(60, Person.json(pim.get(of)).size());
    JsonNode rest = Person.json(pim.get(of + "&page=1"));
    assertEquals(5, rest.size());
    assertEquals("P164", rest.get(4).get("code").asString());
    assertEquals(1, Person.json(pim.get(of + "&find=p12" + "7")).size());
    assertEquals(0, Person.json(pim.get(of + "&find=P%25")).size(), "a sign is itself");
    assertEquals(400, pim.get(of + "&where=nowhere").statusCode());
    assertEquals(200, pim.get(of + "&sort=recent").statusCode());
  }

  @Test
  void whatCannotBeACodeOrATitleIsASentenceAtItsField() throws Exception {
    String film = production();
    for (String[] bad :
        new String[][] {
          {"", "x", "code"},
          {"a/../b", "x", "code"},
          {"\u0405W010", "x", "code"},
          {"OK010", "turned \u202e round", "title"},
          {"OK010", "x".repeat(10_000), "title"}
        }) {
      var r =
          pim.post(
              "api/productions/" + film + "/sequences",
              Map.of("code", bad[0], "title", bad[1], "begin", "empty"));
      assertEquals(422, r.statusCode(), r.body());
      JsonNode refusal = Person.json(r).get("refusal");
      assertEquals(bad[2], refusal.get("field").asString());
      assertTrue(refusal.get("text").asString().endsWith("."), r.body());
    }
    assertEquals(0, list(film, "here").size());
  }

  @Test
  void aReviewerLooksButBeginsNothing() throws Exception {
    Person oda = Person.signedIn(Application.get().address(), "oda", "keep-the-light");
    assertEquals(200, oda.get("api/productions").statusCode());
    assertEquals(
        403,
        oda.post("api/productions", Map.of("name", "N", "code", "N", "start", "hd-25"))
            .statusCode());
    assertEquals(
        403, oda.post("api/sequences/" + sw010 + "/place", Map.of("to", "bin")).statusCode());
    assertEquals(403, oda.delete("api/sequences/" + sw010 + "?code=SW010").statusCode());
    assertEquals(404, pim.get("api/sequences?production=" + UUID.randomUUID()).statusCode());
  }

  @Test
  void aProductionSaysWhatItsSequencesBeginWith() throws Exception {
    String code = "B" + UUID.randomUUID().toString().substring(0, 8);
    Map<String, Object> asked =
        new HashMap<>(Map.of("name", "Begun " + code, "code", code, "start", "hd-25"));
    asked.put(
        "beginning",
        Map.of("displayUnit", "ft", "gridM", 0, "firstFrame", 101, "handleFrames", 12));
    var bad = pim.post("api/productions", asked);
    assertEquals(422, bad.statusCode());
    assertTrue(bad.body().contains("beginning/gridM"), bad.body());
    asked.put(
        "beginning",
        Map.of("displayUnit", "ft", "gridM", 0.5, "firstFrame", 101, "handleFrames", 12));
    String film = Person.json(pim.post("api/productions", asked)).get("id").asString();
    assertEquals(200, begin(film, "B010", "firstSet", Map.of()));
    Header h = opened(list(film, "here").get(0).get("id").asString()).header();
    assertEquals("ft", h.displayUnit());
    assertEquals(0.5, h.gridM());
    assertEquals(101, h.firstFrame());
    assertEquals(12, h.standards().beginning().handleFrames());
    // asked as it was before there were handles
    asked.put("name", "Before " + code);
    asked.put("code", "A" + code);
    asked.put("beginning", Map.of("displayUnit", "m", "gridM", 1, "firstFrame", 1001));
    var before = pim.post("api/productions", asked);
    assertEquals(200, before.statusCode(), before.body());
    String earlier = Person.json(before).get("id").asString();
    assertEquals(200, begin(earlier, "A010", "firstSet", Map.of()));
    Header usual = opened(list(earlier, "here").get(0).get("id").asString()).header();
    assertEquals(8, usual.standards().beginning().handleFrames());
    assertEquals(350, h.lastFrame(), "ten seconds at 25");
  }

  /**
   * What is put away follows the standards there, too, and agreeing on them is not held up by it.
   */
  @Test
  void standardsAreAgreedOnWhileASequenceIsInTheArchive() throws Exception {
    String film = production();
    assertEquals(200, begin(film, "A010", "firstSet", Map.of()));
    String id = list(film, "here").get(0).get("id").asString();
    assertEquals(
        204, pim.post("api/sequences/" + id + "/place", Map.of("to", "archive")).statusCode());
    JsonNode agreed = Person.json(pim.get("api/sequences/" + id + "/standards"));
    Standards s = StandardsJson.read(agreed.get("standards").toString());
    String next =
        StandardsJson.write(
                new Standards(
                    new Rate(30, 1),
                    s.cameraPackage(),
                    s.nearClipM(),
                    s.farClipM(),
                    s.kits(),
                    s.naming(),
                    s.beginning()))
            .toString();
    assertEquals(
        200,
        pim.post(
                "api/productions/" + film + "/standards",
                Map.of("version", agreed.get("version").asInt(), "standards", next))
            .statusCode());
    assertEquals(30, opened(id).header().rate().perSecond(), 1e-12);
  }

  @Test
  void statusAndFavouritesAreSaidAndFound() throws Exception {
    String film = production();
    for (String code : List.of("A010", "A020")) begin(film, code, "empty", Map.of());
    String id = list(film, "here").get(0).get("id").asString();
    assertEquals(
        400, pim.post("api/sequences/" + id + "/status", Map.of("status", "late")).statusCode());
    assertEquals(
        204,
        pim.post("api/sequences/" + id + "/status", Map.of("status", "for-review")).statusCode());
    assertEquals(
        204,
        pim.post("api/sequences/" + id + "/favourite", Map.of("favourite", true)).statusCode());
    for (String asked : List.of("&status=for-review", "&favourites=true")) {
      JsonNode found = Person.json(pim.get("api/sequences?production=" + film + asked));
      assertEquals(1, found.size(), asked);
      assertEquals(id, found.get(0).get("id").asString());
      assertTrue(found.get(0).get("favourite").asBoolean());
    }
    assertEquals(
        204,
        pim.post("api/sequences/" + id + "/favourite", Map.of("favourite", false)).statusCode());
    assertEquals(
        0, Person.json(pim.get("api/sequences?production=" + film + "&favourites=true")).size());
  }
}
