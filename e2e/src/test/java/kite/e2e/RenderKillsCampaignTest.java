package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Two workers on one render, killed again and again: it comes to its end by itself, with every
 * frame there once and whole. Run by ./kite campaign.
 */
@Tag("campaign")
class RenderKillsCampaignTest {
  private static final int KILLS = Integer.getInteger("kills.worker", 20);

  /** After the last kill, before a render that stands still is given up. */
  private static final int PATIENCE_S = 300;

  private final List<ServerProcess> servers = new ArrayList<>();

  @Test
  void aRenderOutlivesItsWorkers() throws Exception {
    String database = Application.DATABASE + "_kills";
    Application.make(database);
    Path output = Files.createTempDirectory("kite-output");
    for (int i = 0; i < 2; i++) {
      servers.add(
          new ServerProcess(
              Application.url(database),
              Application.role(),
              Application.password(),
              output,
              new File("target/render-kills-" + i + ".log")));
      servers.get(i).start();
    }
    Person pim = pim();
    String sequence = null;
    for (JsonNode s : Person.json(pim.get("api/sequences")))
      if (s.get("code").asString().equals("SW010")) sequence = s.get("id").asString();
    var asked =
        pim.post(
            "api/sequences/" + sequence + "/renders",
            Map.of("what", "cut", "frame", 0, "percent", 10, "samples", 24));
    assertEquals(200, asked.statusCode(), asked.body());
    UUID job = UUID.fromString(Person.json(asked).get("id").asString());
    int total = Person.json(asked).get("total").asInt();
    Random r = new Random(11);
    int kills = 0;
    while (kills < KILLS && !state(database, job).equals("DONE")) {
      Thread.sleep(2000 + r.nextInt(12_000));
      ServerProcess one = servers.get(r.nextInt(2));
      one.kill();
      kills++;
      if (r.nextBoolean()) Thread.sleep(r.nextInt(4000));
      one.start();
      System.out.printf(
          "%d kills, %d of %d frames, %s%n",
          kills, frames(database, job).size(), total, state(database, job));
    }
    for (int i = 0; i < PATIENCE_S && !state(database, job).equals("DONE"); i++) {
      int before = frames(database, job).size();
      Thread.sleep(1000);
      if (frames(database, job).size() > before) i = 0;
    }
    assertEquals("DONE", state(database, job));
    assertTrue(kills >= Math.min(KILLS, 3), "it was over after " + kills + " kills");
    List<Integer> expected = Stream.iterate(1, n -> n + 1).limit(total).toList();
    assertEquals(expected, frames(database, job));
    Path folder = output.resolve(job.toString());
    for (int n : expected) {
      BufferedImage p = ImageIO.read(folder.resolve(String.format("%05d.png", n)).toFile());
      assertNotNull(p, "frame " + n);
      assertEquals(Person.json(asked).get("width").asInt(), p.getWidth());
    }
    try (Stream<Path> all = Files.list(folder)) {
      assertEquals(total, all.filter(f -> f.toString().endsWith(".png")).count());
    }
    System.out.printf("%d kills of workers; %d frames, each once and whole%n", kills, total);
    for (ServerProcess s : servers) s.kill();
  }

  private Person pim() throws Exception {
    return Person.signedIn(servers.get(0).address(), "pim", "hold-on-tight");
  }

  private static String state(String database, UUID job) throws Exception {
    return ask(database, "select state from render_job where id = '" + job + "'").get(0);
  }

  private static List<Integer> frames(String database, UUID job) throws Exception {
    return ask(
            database,
            "select number from render_frame where job_id = '" + job + "' order by number")
        .stream()
        .map(Integer::valueOf)
        .toList();
  }

  private static List<String> ask(String database, String question) throws Exception {
    List<String> all = new ArrayList<>();
    try (Connection c = Application.connect(database);
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery(question)) {
      while (r.next()) all.add(r.getString(1));
    }
    return all;
  }
}
