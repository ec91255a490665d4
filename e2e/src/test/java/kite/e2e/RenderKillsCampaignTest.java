package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Two servers that are workers too, killed again and again while they render: every render comes to
 * its end by itself, with every frame there once and the same to the last bit as where nobody was
 * killed. Run by ./kite campaign.
 */
@Tag("campaign")
class RenderKillsCampaignTest {
  private static final int KILLS = Integer.getInteger("kills.worker", 20);

  /** After the last kill, before a render that stands still is given up. */
  private static final int PATIENCE_S = 300;

  private final List<ServerProcess> servers = new ArrayList<>();
  private final String database = Application.DATABASE + "_kills";
  private Path output;
  private String sequence;

  @Test
  void rendersOutliveTheirWorkers() throws Exception {
    Application.make(database);
    output = Files.createTempDirectory("kite-output");
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
    for (JsonNode s : Person.json(pim().get("api/sequences")))
      if (s.get("code").asString().equals("SW010")) sequence = s.get("id").asString();
    UUID undisturbed = ask();
    comesToItsEnd(undisturbed);
    Map<String, String> expected = checksums(undisturbed);
    Random r = new Random(11);
    int kills = 0, jobs = 0;
    while (kills < KILLS) {
      UUID job = ask();
      jobs++;
      while (kills < KILLS && !state(job).equals("DONE")) {
        Thread.sleep(2000 + r.nextInt(12_000));
        ServerProcess one = servers.get(r.nextInt(2));
        one.kill();
        kills++;
        if (r.nextBoolean()) Thread.sleep(r.nextInt(4000));
        one.start();
        System.out.printf("%d kills, %d frames, %s%n", kills, frames(job).size(), state(job));
      }
      comesToItsEnd(job);
      assertEquals(
          IntStream.rangeClosed(1, expected.size()).boxed().toList(), frames(job), "each once");
      assertEquals(expected, checksums(job));
    }
    assertEquals(List.of("0"), ask("select count(*) from work"), "nothing is left to do");
    System.out.printf(
        "%d kills of servers and workers in %d renders of %d frames: each frame once, all alike%n",
        kills, jobs, expected.size());
    for (ServerProcess s : servers) s.kill();
  }

  private UUID ask() throws Exception {
    var asked =
        pim()
            .post(
                "api/sequences/" + sequence + "/renders",
                Map.of("what", "cut", "frame", 0, "percent", 10, "samples", 8, "early", true));
    assertEquals(200, asked.statusCode(), asked.body());
    return UUID.fromString(Person.json(asked).get("id").asString());
  }

  private void comesToItsEnd(UUID job) throws Exception {
    for (int i = 0; i < PATIENCE_S && !state(job).equals("DONE"); i++) {
      int before = frames(job).size();
      Thread.sleep(1000);
      if (frames(job).size() > before) i = 0;
    }
    assertEquals("DONE", state(job));
  }

  private Map<String, String> checksums(UUID job) throws Exception {
    Map<String, String> all = new TreeMap<>();
    try (Stream<Path> files = Files.list(output.resolve(job.toString()))) {
      for (Path f : files.filter(p -> p.toString().endsWith(".png")).toList()) {
        byte[] sum = MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(f));
        all.put(f.getFileName().toString(), HexFormat.of().formatHex(sum));
      }
    }
    return all;
  }

  private Person pim() throws Exception {
    return Person.signedIn(servers.get(0).address(), "pim", "hold-on-tight");
  }

  private String state(UUID job) throws Exception {
    return ask("select state from render_job where id = '" + job + "'").get(0);
  }

  private List<Integer> frames(UUID job) throws Exception {
    return ask("select number from render_frame where job_id = '" + job + "' order by number")
        .stream()
        .map(Integer::valueOf)
        .toList();
  }

  private List<String> ask(String question) throws Exception {
    List<String> all = new ArrayList<>();
    try (Connection c = Application.connect(database);
        Statement s = c.createStatement();
        ResultSet r = s.executeQuery(question)) {
      while (r.next()) all.add(r.getString(1));
    }
    return all;
  }
}
