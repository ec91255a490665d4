package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Renders asked of a server that does not work itself, and workers that come and go. */
class QueueTest {
  private static final String DATABASE = Application.DATABASE + "_queue";
  private static final int PATIENCE_S = 120, LOOK_MS = 100;

  private static Path output;
  private static ServerProcess server;
  private static Person pim;
  private static Person oda;
  private static String sequence;
  private static int workers;

  @BeforeAll
  static void aServerThatDoesNotWork() throws Exception {
    Application.make(DATABASE);
    output = Files.createTempDirectory("kite-output");
    server = process("queue", Map.of("KITE_DEMO", "true", "KITE_WORKER", "false"));
    server.start();
    pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
    oda = Person.signedIn(server.address(), "oda", "keep-the-light");
    for (JsonNode s : Person.json(pim.get("api/sequences")))
      if (s.get("code").asString().equals("SW010")) sequence = s.get("id").asString();
  }

  @AfterAll
  static void end() throws Exception {
    server.kill();
  }

  private static ServerProcess process(String log, Map<String, String> settings) throws Exception {
    return new ServerProcess(
        Application.url(DATABASE),
        Application.role(),
        Application.password(),
        output,
        new File("target/" + log + ".log"),
        settings);
  }

  /** Workers of a test, those that it has not ended itself too. */
  private static final List<ServerProcess> WORKING = new ArrayList<>();

  @AfterEach
  void nobodyWorksOn() throws Exception {
    for (ServerProcess w : WORKING) w.kill();
    WORKING.clear();
    for (JsonNode j : Person.json(pim.get("api/sequences/" + sequence + "/renders"))) stopped(j);
  }

  private static void stopped(JsonNode job) throws Exception {
    if (!List.of("DONE", "STOPPED", "FAILED").contains(state(job))) turn(pim, job, "stop");
  }

  /** A worker of its own, until the test ends. */
  private static ServerProcess worker(Map<String, String> settings) throws Exception {
    Map<String, String> all = new HashMap<>(settings);
    all.put("KITE_WORKER_NAME", "harbour" + ++workers);
    all.put("KITE_RENDER_THREADS", "1");
    ServerProcess w = process("queue-worker-" + workers, all);
    WORKING.add(w);
    w.start();
    return w;
  }

  private static JsonNode ask(Person who, Map<String, Object> more) throws Exception {
    Map<String, Object> what = new HashMap<>(Map.of("frame", 0, "percent", 5, "samples", 1));
    what.putAll(more);
    return answer(who.post("api/sequences/" + sequence + "/renders", what));
  }

  private static JsonNode answer(HttpResponse<String> r) {
    assertEquals(200, r.statusCode(), r.body());
    return Person.json(r);
  }

  private static JsonNode now(JsonNode job) throws Exception {
    return Person.json(pim.get("api/renders/" + job.get("id").asString()));
  }

  private static JsonNode turn(Person who, JsonNode job, String how) throws Exception {
    return answer(who.post("api/renders/" + job.get("id").asString() + "/" + how, Map.of()));
  }

  private static List<JsonNode> frames(JsonNode job) throws Exception {
    List<JsonNode> all = new ArrayList<>();
    Person.json(pim.get("api/renders/" + job.get("id").asString() + "/frames")).forEach(all::add);
    return all;
  }

  private interface Condition {
    boolean holds(JsonNode job) throws Exception;
  }

  private static JsonNode until(JsonNode job, Condition c) throws Exception {
    long end = System.nanoTime() + PATIENCE_S * 1_000_000_000L;
    JsonNode is = now(job);
    for (; !c.holds(is); is = now(job)) {
      if (System.nanoTime() > end) throw new AssertionError("It stays so: " + is);
      Thread.sleep(LOOK_MS);
    }
    return is;
  }

  private static JsonNode ended(JsonNode job, String state) throws Exception {
    JsonNode is = until(job, j -> List.of("DONE", "STOPPED", "FAILED").contains(state(j)));
    assertEquals(state, state(is), is.toString());
    return is;
  }

  private static String state(JsonNode job) {
    return job.get("state").asString();
  }

  private static Map<String, String> checksums(JsonNode job) throws Exception {
    Map<String, String> all = new TreeMap<>();
    try (var files = Files.list(output.resolve(job.get("id").asString()))) {
      for (Path f : files.filter(p -> p.toString().endsWith(".png")).toList())
        all.put(
            f.getFileName().toString(),
            HexFormat.of()
                .formatHex(MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(f))));
    }
    return all;
  }

  @Test
  void twoWorkersShareAJobAndOneGoesOnWhenTheOtherDies() throws Exception {
    Map<String, Object> shot =
        Map.of("what", "shots", "spans", List.of(lastSpan()), "every", 2, "samples", 4);
    JsonNode undisturbed = ask(pim, shot);
    worker(Map.of());
    ended(undisturbed, "DONE");
    ServerProcess other = worker(Map.of());
    JsonNode shared = ask(pim, shot);
    until(shared, j -> both(shared));
    other.kill();
    JsonNode done = ended(shared, "DONE");
    assertEquals(done.get("total"), done.get("done"));
    assertEquals(done.get("total").asInt(), frames(shared).size());
    assertEquals(checksums(undisturbed), checksums(shared));
  }

  private static boolean both(JsonNode job) throws Exception {
    return frames(job).stream()
            .map(f -> f.get("worker").asString().split("-")[0])
            .distinct()
            .count()
        == 2;
  }

  @Test
  void aRenderIsPausedGoesOnIsStoppedAndGoesOnAgain() throws Exception {
    worker(Map.of());
    JsonNode job = ask(pim, Map.of("what", "cut", "early", true, "samples", 16));
    until(job, j -> j.get("done").asInt() >= 3);
    assertEquals("PAUSED", state(turn(pim, job, "pause")));
    JsonNode quiet = until(job, j -> j.get("underWay").isEmpty());
    int there = quiet.get("done").asInt();
    assertTrue(there < 240, "it was paused while it went on");
    // the frames that came are of the beginnings of shots, not of the beginning of the cut
    assertTrue(frames(job).get(2).get("number").asInt() > 3, frames(job).toString());
    JsonNode another = ask(pim, Map.of("what", "frame", "camera", "camA", "frame", 1001));
    ended(another, "DONE"); // others go on meanwhile
    assertEquals(there, now(job).get("done").asInt());
    turn(pim, job, "resume");
    until(job, j -> j.get("done").asInt() > there);
    assertEquals("STOPPED", state(turn(pim, job, "stop")));
    turn(pim, job, "resume");
    until(job, j -> j.get("done").asInt() > there + 1);
    turn(pim, job, "stop");
    assertEquals(409, pim.post("api/renders/" + id(job) + "/pause", Map.of()).statusCode());
  }

  private static String id(JsonNode job) {
    return job.get("id").asString();
  }

  /** 21 million rays: two parts. */
  @Test
  void aLargeFrameIsMadeInPartsByWhoeverIsFree() throws Exception {
    Map<String, Object> frame = Map.of("what", "frame", "camera", "camB", "frame", 1100);
    worker(Map.of());
    worker(Map.of());
    Map<String, Object> large = new HashMap<>(frame);
    large.putAll(Map.of("percent", 25, "samples", 160));
    JsonNode job = ask(pim, large);
    JsonNode half = until(job, j -> j.get("share").asDouble() > 0);
    assertEquals(0.5, half.get("share").asDouble());
    ended(job, "DONE");
    assertEquals(java.util.Set.of("00001.png"), checksums(job).keySet());
    try (var files = Files.list(output.resolve(id(job)))) {
      assertEquals(1, files.count(), "the parts are gone");
    }
    var picture = javax.imageio.ImageIO.read(output.resolve(id(job)).resolve("00001.png").toFile());
    assertEquals(270, picture.getHeight());
  }

  @Test
  void aFrameIsMadeAgainByItself() throws Exception {
    worker(Map.of());
    JsonNode job = ask(pim, threeFrames());
    JsonNode done = ended(job, "DONE");
    Path third = output.resolve(id(job)).resolve("00003.png");
    byte[] was = Files.readAllBytes(third);
    Files.write(third, new byte[] {1, 2, 3});
    answer(pim.post("api/renders/" + id(job) + "/frames/3/again", Map.of()));
    ended(job, "DONE");
    assertTrue(java.util.Arrays.equals(was, Files.readAllBytes(third)));
    assertEquals(done.get("total"), now(job).get("done"));
    var none = pim.post("api/renders/" + id(job) + "/frames/999/again", Map.of());
    assertEquals(409, none.statusCode(), none.body());
  }

  /** The first, the middle and the last of a shot. */
  private static Map<String, Object> threeFrames() {
    return Map.of("what", "shots", "spans", List.of(lastSpan()), "every", 0);
  }

  private static String lastSpan() {
    var spans = kite.core.cut.Programme.of(new kite.demo.SaltWind().sw010()).placed();
    return spans.get(spans.size() - 1).id();
  }

  /** The numbers are of the files' names: two that have a shot are two versions of it. */
  @Test
  void twoThatHaveAShotAreTwoVersionsOfIt() throws Exception {
    var spans = kite.core.cut.Programme.of(new kite.demo.SaltWind().sw010()).placed();
    Map<String, Object> first = Map.of("what", "shots", "spans", List.of(spans.get(0).id()));
    Map<String, Object> second = Map.of("what", "shots", "spans", List.of(spans.get(1).id()));
    int was = version(pim, Map.of("what", "cut"));
    assertEquals(was + 1, version(pim, first));
    assertEquals(was + 1, version(oda, second), "another shot");
    assertEquals(was + 2, version(oda, first));
    assertEquals(was + 3, version(pim, Map.of("what", "cut")));
    assertEquals(was + 4, version(pim, second));
    // a frame alone is no version of its shot
    Map<String, Object> frame = Map.of("what", "frame", "camera", "camA", "frame", 1003);
    assertEquals(1, version(pim, frame));
    assertEquals(was + 4, version(pim, first));
  }

  private static int version(Person who, Map<String, Object> asked) throws Exception {
    JsonNode job = ask(who, asked);
    turn(pim, job, "stop");
    return job.get("numbered").asInt();
  }

  @Test
  void whoComesLaterWithLittleIsNotBehindWhoHasMuch() throws Exception {
    JsonNode much = ask(pim, Map.of("what", "cut"));
    JsonNode later = ask(pim, Map.of("what", "cut", "urgency", "LATER"));
    JsonNode little = ask(oda, Map.of("what", "frame", "camera", "camB", "frame", 1100));
    JsonNode urgent = ask(pim, Map.of("what", "frame", "camera", "camB", "frame", 1101));
    answer(pim.post("api/renders/" + id(urgent) + "/urgency", Map.of("urgency", "URGENT")));
    var reviewer = oda.post("api/renders/" + id(little) + "/urgency", Map.of("urgency", "URGENT"));
    assertEquals(403, reviewer.statusCode(), reviewer.body());
    worker(Map.of());
    ended(urgent, "DONE");
    ended(little, "DONE");
    assertEquals(0, now(later).get("done").asInt());
    assertNotEquals("DONE", state(now(much)));
    turn(pim, much, "stop");
    until(later, j -> j.get("done").asInt() > 0);
    turn(pim, later, "stop");
  }

  @Test
  void whatAWorkerLacksIsASentenceAndTheFramesAreKept() throws Exception {
    Path empty = Files.createTempDirectory("no-programs");
    JsonNode job = ask(pim, threeFrames());
    ServerProcess without = worker(Map.of("PATH", empty.toString()));
    JsonNode failed = ended(job, "FAILED");
    without.kill();
    assertTrue(
        failed.get("message").asString().contains("Debian's package ffmpeg"), failed.toString());
    assertEquals(failed.get("total"), failed.get("done"));
    // a folder that goes while frames are made
    worker(Map.of());
    turn(pim, job, "resume");
    ended(job, "DONE");
    Path aside = output.resolveSibling(output.getFileName() + "-aside");
    Files.move(output, aside);
    JsonNode next = ask(pim, threeFrames());
    String says = ended(next, "FAILED").get("message").asString();
    assertTrue(says.contains("is not there any more. Bring it back, then resume."), says);
    Files.move(aside, output);
    turn(pim, next, "resume");
    ended(next, "DONE");
    // pictures that somebody took away are made again
    try (var pictures = Files.list(output.resolve(id(job)))) {
      for (Path p : pictures.toList()) Files.delete(p);
    }
    answer(pim.post("api/renders/" + id(job) + "/frames/1/again", Map.of()));
    says = ended(job, "FAILED").get("message").asString();
    assertTrue(says.contains("of its pictures are not in the output folder any more"), says);
    turn(pim, job, "resume");
    ended(job, "DONE");
  }
}
