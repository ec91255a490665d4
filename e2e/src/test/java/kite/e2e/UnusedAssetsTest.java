package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Remove;
import kite.core.document.Channels;
import kite.core.document.Piece;
import kite.core.document.Shape;
import kite.core.math.AxisOrder;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Having the room of models back that nothing names any more, and of no others. */
class UnusedAssetsTest {
  private static final String UNUSED = "api/administration/unused-assets";
  private final String database = Application.DATABASE + "_unused";
  private Person pim;
  private String sequence;
  private long revision;

  @Test
  void onlyWhatNothingNamesIsTakenAway() throws Exception {
    Application.make(database);
    ServerProcess server =
        new ServerProcess(
            Application.url(database),
            Application.role(),
            Application.password(),
            Files.createTempDirectory("kite-output"),
            new File("target/unused.log"),
            Map.of("KITE_DEMO", "true"));
    server.start();
    try {
      pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
      sequence = Person.json(pim.get("api/sequences")).get(0).get("id").asString();
      String nowhere = brought("Nowhere"), lately = brought("Lately"), again = brought("Again");
      String placed = brought("Placed"), once = brought("Once"), kept = brought("Kept");
      String rendered = brought("Rendered");
      place("placed", placed);
      place("once", once);
      take("once"); // can be taken back
      place("kept", kept);
      version();
      take("kept");
      place("rendered", rendered);
      render();
      take("rendered");
      // as if the journal were another's: only the version and the render still name these two
      sql("delete from edit where change::text like '%" + kept + "%'");
      sql("delete from edit where change::text like '%" + rendered + "%'");
      sql("update asset set kept_at = now() - interval '31 days' where sha256 <> '" + lately + "'");
      brought("Again");
      JsonNode found = Person.json(pim.get(UNUSED));
      assertEquals(1, found.get("count").asInt(), found.toString());
      HttpResponse<String> gone = pim.delete(UNUSED);
      assertEquals(found.toString(), gone.body());
      assertEquals(404, pim.get("api/assets/" + nowhere).statusCode());
      for (String stays : List.of(lately, again, placed, once, kept, rendered))
        assertEquals(200, pim.get("api/assets/" + stays).statusCode(), stays);
      assertEquals(0, Person.json(pim.get(UNUSED)).get("count").asInt());
      // and everything opens as before
      for (JsonNode s : Person.json(pim.get("api/sequences")))
        assertEquals(200, pim.get("api/sequences/" + s.get("id").asString()).statusCode());
      assertTrue(pim.get("api/administration/notes").body().contains("took unused models away"));
    } finally {
      server.kill();
    }
  }

  private void sql(String text) throws Exception {
    try (Connection c =
            DriverManager.getConnection(
                Application.url(database), Application.role(), Application.password());
        Statement s = c.createStatement()) {
      s.execute(text);
    }
  }

  private String brought(String text) throws Exception {
    HttpResponse<String> letters =
        pim.post(
            "api/assets/lettering?sequence=" + sequence,
            Map.of("text", text, "heightM", 1, "depthM", 0.1, "colour", "#e9dcc3"));
    assertEquals(200, letters.statusCode(), letters.body());
    return Person.json(letters).get("asset").asString();
  }

  private void place(String id, String asset) throws Exception {
    Piece p =
        new Piece(
            id,
            id,
            null,
            new Shape.Model(asset, null, 0, 1, false, 1),
            "#e9dcc3",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            Channels.NONE);
    edited(pim.edit(sequence, UUID.randomUUID(), revision, new Add(p)));
  }

  private void take(String id) throws Exception {
    edited(pim.edit(sequence, UUID.randomUUID(), revision, new Remove(List.of(id), false)));
  }

  private void edited(HttpResponse<String> r) {
    assertEquals(200, r.statusCode(), r.body());
    revision = Person.json(r).get("revision").asLong();
  }

  private void version() throws Exception {
    HttpResponse<String> r =
        pim.post(
            "api/sequences/" + sequence + "/versions",
            Map.of("revision", revision, "name", "With it", "note", ""));
    assertEquals(200, r.statusCode(), r.body());
  }

  private void render() throws Exception {
    HttpResponse<String> r =
        pim.post(
            "api/sequences/" + sequence + "/renders",
            Map.of("what", "cut", "frame", 1001, "percent", 5, "samples", 1));
    assertEquals(200, r.statusCode(), r.body());
  }
}
