package kite.e2e;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.core.cut.Programme;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * How soon a render begins, and what a second worker brings: both of one thread, on one machine.
 * Run by ./kite bench.
 */
@Tag("bench")
class QueueBenchTest {
  private static final String DATABASE = Application.DATABASE + "_queue_bench";
  private static final int BEGINNINGS = 15, TURNS = 2, RAYS = 24;

  /** Between two looks at what begins at once, and at what takes long: looking costs, too. */
  private static final int LOOK_MS = 5, LOOK_SELDOM_MS = 100;

  private Path output;
  private Person pim;
  private String sequence;
  private int frames;

  private ServerProcess process(int number, Map<String, String> settings) throws Exception {
    Map<String, String> all = new HashMap<>(settings);
    all.put("KITE_RENDER_THREADS", "1");
    ServerProcess p =
        new ServerProcess(
            Application.url(DATABASE),
            Application.role(),
            Application.password(),
            output,
            new File("target/queue-bench-" + number + ".log"),
            all);
    p.start();
    return p;
  }

  private JsonNode ask(Map<String, Object> what) throws Exception {
    return Person.json(pim.post("api/sequences/" + sequence + "/renders", what));
  }

  private JsonNode now(JsonNode job) throws Exception {
    return Person.json(pim.get("api/renders/" + job.get("id").asString()));
  }

  /** Seconds until a job is in none of some states. */
  private double untilNot(JsonNode job, List<String> states, long from, int lookMs)
      throws Exception {
    while (states.contains(now(job).get("state").asString())) Thread.sleep(lookMs);
    return (System.nanoTime() - from) * 1e-9;
  }

  @Test
  void bench() throws Exception {
    Application.make(DATABASE);
    output = Files.createTempDirectory("kite-output");
    ServerProcess server = process(0, Map.of("KITE_DEMO", "true", "KITE_WORKER", "false"));
    pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
    for (JsonNode s : Person.json(pim.get("api/sequences")))
      if (s.get("code").asString().equals("SW010")) sequence = s.get("id").asString();
    ServerProcess one = process(1, Map.of());
    shot(8); // what is compiled and read the first time
    beginnings();
    List<Double> alone = new ArrayList<>(), both = new ArrayList<>();
    for (int i = 0; i < TURNS; i++) {
      alone.add(shot(RAYS));
      ServerProcess two = process(2, Map.of());
      shot(RAYS); // a worker that has just begun is not yet as quick as it will be
      both.add(shot(RAYS));
      two.kill();
    }
    double a = best(alone), b = best(both);
    System.out.printf(
        "A shot of %d frames at 192×108, up to %d rays: one worker %.1f s, two %.1f s: %.2f ×%n",
        frames, RAYS, a, b, b / a);
    one.kill();
    server.kill();
  }

  private void beginnings() throws Exception {
    double[] begun = new double[BEGINNINGS];
    for (int i = 0; i < BEGINNINGS; i++) {
      long from = System.nanoTime();
      JsonNode job =
          ask(
              Map.of(
                  "what", "frame", "camera", "camA", "frame", 1001 + i, "percent", 10, "samples",
                  4));
      begun[i] = untilNot(job, List.of("WAITING"), from, LOOK_MS);
      untilNot(job, List.of("WORKING"), from, LOOK_MS);
    }
    Arrays.sort(begun);
    System.out.printf(
        "A render asked of another server is begun after %.0f ms (median of %d; the slowest %.0f)%n",
        1000 * begun[BEGINNINGS / 2], BEGINNINGS, 1000 * begun[BEGINNINGS - 1]);
  }

  /** Seconds that the last shot takes. */
  private double shot(int samples) throws Exception {
    List<Programme.Placed> spans = Programme.of(new SaltWind().sw010()).placed();
    Map<String, Object> what =
        Map.of(
            "what",
            "shots",
            "spans",
            List.of(spans.get(spans.size() - 1).id()),
            "frame",
            0,
            "percent",
            10,
            "samples",
            samples);
    long from = System.nanoTime();
    JsonNode job = ask(what);
    frames = job.get("total").asInt();
    return untilNot(job, List.of("WAITING", "WORKING"), from, LOOK_SELDOM_MS);
  }

  private static double best(List<Double> all) {
    return all.stream().mapToDouble(Double::doubleValue).min().orElseThrow();
  }
}
