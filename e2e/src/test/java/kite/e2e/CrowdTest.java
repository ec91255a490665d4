package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import kite.core.command.ChannelCommand.SetValue;
import kite.demo.SaltWind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Many people at one production. */
class CrowdTest {
  private static final String[] PIECES = {"oda", "pim", "biscuit", "lantern"};
  private Application application;
  private String sequence;

  @BeforeEach
  void start() throws Exception {
    application = Application.get();
    application.resetProduction(new SaltWind().sw020());
    sequence = application.reset(new SaltWind().sw010());
  }

  private Person pim() throws Exception {
    return Person.signedIn(application.address(), "pim", "hold-on-tight");
  }

  @Test
  void standardsAreAgreedOnWhileOthersEdit() throws Exception {
    AtomicBoolean over = new AtomicBoolean();
    ExecutorService people = Executors.newFixedThreadPool(PIECES.length);
    List<Future<Integer>> work = new ArrayList<>();
    for (String piece : PIECES) {
      Person p = pim();
      work.add(
          people.submit(
              () -> {
                long revision = 0;
                int edits = 0;
                for (; !over.get(); edits++) {
                  var answer =
                      p.edit(
                          sequence,
                          UUID.randomUUID(),
                          revision,
                          new SetValue(piece, "roll", 1001, edits, false));
                  assertEquals(200, answer.statusCode(), answer.body());
                  revision = Person.json(answer).get("revision").asLong();
                }
                return edits;
              }));
    }
    Person lead = pim();
    try {
      for (int i = 0; i < 20; i++) {
        JsonNode now = Person.json(lead.get("api/sequences/" + sequence + "/standards"));
        ObjectNode next = (ObjectNode) now.get("standards").deepCopy();
        next.put("nearClipM", 0.1 + i / 100.0);
        var answer =
            lead.post(
                "api/productions/" + now.get("production").asString() + "/standards",
                Map.of("version", now.get("version").asInt(), "standards", next));
        assertEquals(200, answer.statusCode(), answer.body());
      }
    } finally {
      over.set(true);
      people.shutdown();
    }
    int edits = 0;
    for (Future<Integer> f : work) edits += f.get();
    assertTrue(edits > 20, "edits made meanwhile: " + edits);
    assertEquals(0.29, application.stored().header().standards().nearClipM(), 1e-9);
    application.resetProduction(new SaltWind().sw020());
  }
}
