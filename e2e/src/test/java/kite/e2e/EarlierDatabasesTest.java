package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.GZIPInputStream;
import kite.core.codec.CommandJson;
import kite.core.command.ChannelCommand.SetValue;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Databases of earlier builds, with edits in them, are migrated at the start and go on. */
class EarlierDatabasesTest {
  private static final List<String> ENDED = List.of("DONE", "FAILED", "STOPPED");
  private static final int PATIENCE_S = 300;

  @ParameterizedTest
  @ValueSource(
      strings = {
        "before-the-journal-of-fields",
        "with-renders-held",
        "with-places-of-sequences",
        "with-shared-sets",
        "with-renders-of-one-worker"
      })
  void isMigratedAndGoesOn(String build) throws Exception {
    String database = Application.DATABASE + "_earlier";
    Application.make(database);
    restore(build, database);
    // hundreds of frames wait in them: small ones go on as well as large ones
    try (Connection c = Application.connect(database);
        Statement smaller = c.createStatement()) {
      smaller.execute("update render_job set width = 32, height = 18");
    }
    ServerProcess server =
        new ServerProcess(
            Application.url(database),
            Application.role(),
            Application.password(),
            Files.createTempDirectory("kite-output"),
            new File("target/earlier.log"));
    server.start();
    try {
      Person pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
      JsonNode all = Person.json(pim.get("api/sequences"));
      assertTrue(all.size() >= 2, all.toString());
      String sw010 = null;
      for (JsonNode s : all) {
        String id = s.get("id").asString();
        HttpResponse<String> opened = pim.get("api/sequences/" + id);
        assertEquals(200, opened.statusCode(), opened.body());
        if (s.get("code").asString().equals("SW010")) sw010 = id;
      }
      JsonNode journal = Person.json(pim.get("api/sequences/" + sw010 + "/edits?after=0"));
      long revision =
          Person.json(pim.get("api/sequences/" + sw010 + "/digest")).get("revision").asLong();
      assertEquals(revision, journal.size(), "every edit made since is there");
      assertTrue(revision >= 5, "edits were made with that build: " + revision);
      // whoever could edit everything still can, and whoever looked still looks
      assertTrue(Person.json(pim.get("api/session")).get("administers").asBoolean());
      Person oda = Person.signedIn(server.address(), "oda", "keep-the-light");
      assertEquals(all.size(), Person.json(oda.get("api/sequences")).size());
      assertEquals(403, oda.post("api/sequences/" + sw010 + "/place", Map.of()).statusCode());
      // an edit on the first revision of something nobody has touched, then one that meets another
      assertEquals(
          200,
          pim.edit(sw010, UUID.randomUUID(), 0, new SetValue("windmill", "roll", 1001, 3, false))
              .statusCode());
      HttpResponse<String> meets =
          pim.edit(sw010, UUID.randomUUID(), 0, new SetValue("oda", "x", 1001, 3, false));
      assertEquals(409, meets.statusCode(), meets.body());
      // a page of that build that is still open sends its commands as text within the body
      var text = CommandJson.writeAll(List.of(new SetValue("windmill", "roll", 1001, 4, false)));
      var sent = Map.of("id", UUID.randomUUID(), "revision", revision + 1, "commands", text);
      var asText = pim.post("api/sequences/" + sw010 + "/edits", sent);
      assertEquals(200, asText.statusCode(), asText.body());
      assertEquals(200, pim.get("api/sequences/" + sw010 + "/versions").statusCode());
      rendersGoOn(pim, sw010);
    } finally {
      server.kill();
    }
  }

  /**
   * What was being rendered when that build ended is rendered. Its pictures are not in the fixture,
   * which a long one says at its end.
   */
  private static void rendersGoOn(Person pim, String sequence) throws Exception {
    for (JsonNode j : Person.json(pim.get("api/sequences/" + sequence + "/renders"))) {
      JsonNode now = j;
      for (int i = 0; i < PATIENCE_S && !ENDED.contains(now.get("state").asString()); i++) {
        Thread.sleep(1000);
        now = Person.json(pim.get("api/renders/" + j.get("id").asString()));
      }
      assertEquals(now.get("total"), now.get("done"), now.toString());
      if (now.get("total").asInt() > 1)
        assertTrue(
            now.get("message").asString().startsWith("71 of its pictures are not"), now.toString());
      else assertEquals("DONE", now.get("state").asString(), now.toString());
    }
  }

  private static void restore(String build, String database) throws Exception {
    ProcessBuilder b =
        Application.program("psql", "-q", "-v", "ON_ERROR_STOP=1", "-d", database)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .redirectError(ProcessBuilder.Redirect.INHERIT);
    Process p = b.start();
    try (InputStream in =
            new GZIPInputStream(
                EarlierDatabasesTest.class.getResourceAsStream("/databases/" + build + ".sql.gz"));
        OutputStream out = p.getOutputStream()) {
      in.transferTo(out);
    }
    assertEquals(0, p.waitFor(), build + " is restored");
  }
}
