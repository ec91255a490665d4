package kite.server.recipe;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kite.core.codec.ModelJson;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.form.SequenceJson;
import kite.core.model.ModelRig;
import kite.exchange.Json;
import kite.server.Problem;
import kite.server.asset.AssetStore;
import kite.server.live.EditMade;
import kite.server.render.NewRenders;
import kite.server.rights.Rights;
import kite.server.sequence.Editor;
import kite.server.sequence.SequenceStore;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;

/** Runs recipes on sequences without a page: what they make is one edit. */
@Service
class RecipeRuns {
  private static final int LONGEST_NAME = 60;

  private final SequenceStore sequences;
  private final AssetStore assets;
  private final RecipeEngine engine;
  private final NewRenders renders;
  private final Rights rights;

  RecipeRuns(
      SequenceStore sequences,
      AssetStore assets,
      RecipeEngine engine,
      NewRenders renders,
      Rights rights) {
    this.renders = renders;
    this.rights = rights;
    this.sequences = sequences;
    this.assets = assets;
    this.engine = engine;
  }

  /**
   * What is to be run.
   *
   * @param name what the edit is called by; a recipe without one is called so
   * @param set what is chosen for its parameters; null to be told which there are
   * @param seed what chance begins with; 1 when left out
   * @param frame that is the present one; the sequence's first when left out
   * @param dry whether nothing is to be changed
   */
  record Asked(
      String script,
      String name,
      Map<String, Object> set,
      Integer seed,
      Double frame,
      Boolean dry) {
    boolean changes() {
      return !Boolean.TRUE.equals(dry) && set != null;
    }
  }

  /**
   * What came of it.
   *
   * @param changes how many commands it made
   * @param revision of the sequence after it; null where nothing was changed
   * @param wishes what it asks for once it is kept, where it was not: renders
   * @param renders those that were begun, as it wished
   */
  record Ran(
      int changes,
      Long revision,
      List<JsonNode> said,
      String value,
      JsonNode declared,
      JsonNode fault,
      List<JsonNode> wishes,
      List<UUID> renders) {
    /** Whether it went wrong; of what was read again no fault is a node that says so. */
    boolean failed() {
      return fault != null && !fault.isNull();
    }
  }

  /** Runs a recipe while somebody waits for it. */
  Ran run(UUID sequence, Asked asked, Editor by) {
    UUID id = UUID.randomUUID();
    return begun(
        sequence, id, asked, kept(sequence, id, asked, tried(sequence, asked, null), by), by);
  }

  static void refuseTooLong(Asked asked) {
    if (asked.script() == null || asked.script().length() > RecipeShelf.LONGEST)
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "recipe",
          "script",
          "A recipe is text of at most 1,000,000 characters.");
  }

  /**
   * What the engine says of a recipe, nothing of which is made yet.
   *
   * @param revision of the sequence that it ran on
   */
  record Tried(long revision, JsonNode ran) {}

  /**
   * Runs a recipe and keeps nothing.
   *
   * @param watching who looks after it; null where somebody waits for it
   */
  Tried tried(UUID sequence, Asked asked, RecipeEngine.Watching watching) {
    refuseTooLong(asked);
    SequenceStore.Present now = sequences.get(sequence);
    Map<String, Object> given = given(now.sequence(), asked);
    return new Tried(
        now.revision(), watching == null ? engine.run(given) : engine.run(given, watching));
  }

  /**
   * Makes the edit of a recipe that ran, where it is to change anything.
   *
   * @param run the id of the edit, too
   * @return what came of it, with the pictures it wishes still to be {@link #begun}
   */
  Ran kept(UUID sequence, UUID run, Asked asked, Tried tried, Editor by) {
    JsonNode ran = tried.ran(), commands = ran.get("commands");
    boolean failed = !ran.path("fault").isNull() && !ran.path("fault").isMissingNode();
    Long revision = null;
    if (asked.changes() && !failed && commands.size() > 0) {
      EditMade made =
          sequences.edit(sequence, run, tried.revision(), by, label(asked), commands.toString());
      revision = made.revision();
    }
    return new Ran(
        commands.size(),
        revision,
        all(ran.get("said")),
        ran.path("value").asString(""),
        ran.get("declared"),
        failed ? ran.get("fault") : null,
        all(ran.get("wishes")),
        List.of());
  }

  /** A picture that a recipe wishes, as the vocabulary says it. */
  private record Picture(String camera, double frame, int percent, int samples) {}

  /**
   * Begins the pictures that a kept recipe wishes, each once however often this is asked. Of what
   * cannot be begun it is said why.
   */
  Ran begun(UUID sequence, UUID run, Asked asked, Ran kept, Editor by) {
    if (!asked.changes() || kept.failed()) return kept;
    List<UUID> begun = new ArrayList<>();
    List<JsonNode> said = new ArrayList<>(kept.said());
    for (int i = 0; i < kept.wishes().size(); i++) {
      Picture p = Json.MAPPER.treeToValue(kept.wishes().get(i).get("render"), Picture.class);
      String own = run + "/" + i;
      try {
        begun.add(
            renders.picture(
                sequence,
                UUID.nameUUIDFromBytes(own.getBytes(StandardCharsets.UTF_8)),
                p.camera(),
                p.frame(),
                p.percent(),
                p.samples(),
                by.name(),
                rights.roleIn(sequence)));
      } catch (Problem e) {
        said.add(
            Json.MAPPER.valueToTree(
                Map.of("level", "warns", "text", "A picture was not begun: " + e.getMessage())));
      }
    }
    return new Ran(
        kept.changes(),
        kept.revision(),
        said,
        kept.value(),
        kept.declared(),
        kept.fault(),
        List.of(),
        begun);
  }

  private static String label(Asked asked) {
    String name =
        asked.name() == null || asked.name().isBlank() ? "a script" : asked.name().strip();
    return "Recipe: " + name.substring(0, Math.min(LONGEST_NAME, name.length()));
  }

  private static List<JsonNode> all(JsonNode list) {
    List<JsonNode> all = new ArrayList<>();
    if (list != null) list.forEach(all::add);
    return all;
  }

  private Map<String, Object> given(Sequence s, Asked asked) {
    Map<String, Object> all = new HashMap<>();
    all.put("script", asked.script());
    all.put("name", "recipe.ts");
    all.put("document", Json.MAPPER.readTree(SequenceJson.write(s)));
    all.put("models", models(s));
    all.put("chosen", asked.set());
    all.put("seed", asked.seed() == null ? 1 : asked.seed());
    double frame = asked.frame() == null ? s.header().firstFrame() : asked.frame();
    String camera = s.all(Camera.class).stream().map(Camera::id).findFirst().orElse("");
    all.put("now", Map.of("frame", frame, "camera", camera, "selected", List.of()));
    return all;
  }

  /** Nodes and clips of the models that pieces name, as a page has them. */
  private Map<String, String> models(Sequence s) {
    Map<String, String> all = new HashMap<>();
    for (Piece p : s.all(Piece.class))
      if (p.shape() instanceof Shape.Model m && !all.containsKey(m.asset())) {
        ModelRig rig = assets.rig(m.asset());
        if (rig != null) all.put(m.asset(), ModelJson.write(rig));
      }
    return all;
  }
}
