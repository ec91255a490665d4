package kite.server.sharedset;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import kite.core.begin.GivenNames;
import kite.core.document.AssetsUsed;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.sets.SharedSet;
import kite.server.Problem;
import kite.server.asset.ProductionAssets;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the sets of productions, and their versions. */
@Service
class SharedSets {
  private static final int MOST_SETS = 500, MOST_VERSIONS = 1000;

  private final SetRows sets;
  private final SetVersionRows versions;
  private final ProductionAssets assets;
  private final Clock clock;

  SharedSets(SetRows sets, SetVersionRows versions, ProductionAssets assets, Clock clock) {
    this.sets = sets;
    this.versions = versions;
    this.assets = assets;
    this.clock = clock;
  }

  /** A version as a list shows it. */
  record Version(int number, String author, Instant at, String note) {}

  /**
   * A set as a list shows it.
   *
   * @param versions the newest first
   */
  record Shown(UUID id, String name, List<Version> versions) {}

  @Transactional(readOnly = true)
  List<Shown> of(UUID production) {
    Map<UUID, List<Version>> all = new HashMap<>();
    for (Object[] v : versions.list(production))
      all.computeIfAbsent((UUID) v[0], x -> new ArrayList<>())
          .add(new Version((Integer) v[1], (String) v[2], (Instant) v[3], (String) v[4]));
    return sets.findByProductionIdOrderByName(production).stream()
        .map(s -> new Shown(s.id, s.name, all.getOrDefault(s.id, List.of())))
        .toList();
  }

  /** The document of a version, as it was kept. */
  @Transactional(readOnly = true)
  String document(UUID production, UUID set, int number) {
    need(production, sets.findById(set).orElse(null));
    return versions
        .findById(new SetVersionRow.Key(set, number))
        .orElseThrow(() -> Problem.missing("version"))
        .document;
  }

  /** What was kept: its set and its number. */
  record Kept(UUID id, int number) {}

  /** Makes a set of a document; that is its first version. */
  @Transactional
  Kept make(UUID production, String name, String note, String document, String author) {
    String named = GivenNames.name("name", name);
    if (sets.existsByProductionIdAndNameIgnoreCase(production, named))
      throw new Problem(
          HttpStatus.UNPROCESSABLE_CONTENT,
          "taken",
          "name",
          "The production has a set “" + named + "” already. Choose another name.");
    if (sets.findByProductionIdOrderByName(production).size() >= MOST_SETS)
      throw new Problem(
          HttpStatus.CONFLICT, "many", "A production has at most " + MOST_SETS + " sets.");
    SetRow s = new SetRow();
    s.id = UUID.randomUUID();
    s.productionId = production;
    s.name = named;
    sets.saveAndFlush(s);
    return keep(s, note, document, author);
  }

  /** Keeps a document as the next version of a set. */
  @Transactional
  Kept keep(UUID production, UUID set, String note, String document, String author) {
    return keep(need(production, sets.hold(set).orElse(null)), note, document, author);
  }

  private Kept keep(SetRow s, String note, String document, String author) {
    Sequence checked = SequenceJson.read(document == null ? "" : document);
    for (Entity e : checked.entities().values())
      if (!SharedSet.belongs(e))
        throw new Problem(
            HttpStatus.UNPROCESSABLE_CONTENT,
            "kind",
            "“" + e.name() + "” cannot be in a set: pieces, marks, lights and layers can.");
    int number = versions.last(s.id) + 1;
    if (number > MOST_VERSIONS)
      throw new Problem(
          HttpStatus.CONFLICT, "many", "A set keeps at most " + MOST_VERSIONS + " versions.");
    SetVersionRow v = new SetVersionRow();
    v.key = new SetVersionRow.Key(s.id, number);
    v.author = author;
    v.madeAt = clock.instant();
    v.note = GivenNames.title("note", note);
    v.document = SequenceJson.write(checked);
    versions.save(v);
    assets.giveSeen(s.productionId, AssetsUsed.of(checked), author);
    return new Kept(s.id, number);
  }

  /** The id of a set as a document names it; a document may name anything. */
  static UUID idOf(String named) {
    try {
      return UUID.fromString(named);
    } catch (IllegalArgumentException e) {
      throw Problem.missing("set");
    }
  }

  private static SetRow need(UUID production, SetRow s) {
    if (s == null || !s.productionId.equals(production)) throw Problem.missing("set");
    return s;
  }
}
