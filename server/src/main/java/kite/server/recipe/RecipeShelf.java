package kite.server.recipe;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import kite.core.begin.GivenNames;
import kite.server.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps recipes, and every version of them. */
@Service
class RecipeShelf {
  /** As much as the engine takes. */
  static final int LONGEST = 1_000_000;

  private static final int LONGEST_NOTES = 10_000, MOST = 500, MOST_VERSIONS = 1000;

  private final Recipes recipes;
  private final RecipeVersions versions;
  private final Clock clock;

  RecipeShelf(Recipes recipes, RecipeVersions versions, Clock clock) {
    this.recipes = recipes;
    this.versions = versions;
    this.clock = clock;
  }

  /** A recipe as a list shows it: by its newest version. */
  record Shown(
      UUID id,
      String name,
      String owner,
      boolean shared,
      int version,
      String author,
      Instant at,
      String notes) {}

  /** A version with its script. */
  record Whole(
      UUID id,
      String name,
      String owner,
      boolean shared,
      int version,
      String author,
      Instant at,
      String notes,
      String script) {}

  /** What somebody keeps. */
  record Given(String name, String script, String notes, boolean shared) {
    private Given checked() {
      if (script == null || script.length() > LONGEST)
        throw bad("script", "A recipe is text of at most 1,000,000 characters.");
      String said = notes == null ? "" : notes.strip();
      if (said.length() > LONGEST_NOTES)
        throw bad("notes", "Notes have at most 10,000 characters.");
      return new Given(GivenNames.name("name", name), script, said, shared);
    }
  }

  @Transactional(readOnly = true)
  List<Shown> list(UUID production, String who) {
    Map<UUID, RecipeVersions.Listed> newest =
        versions.newest(production).stream()
            .collect(Collectors.toMap(RecipeVersions.Listed::recipe, Function.identity()));
    return recipes.findByProductionIdOrderByName(production).stream()
        .filter(r -> r.isFor(who))
        .map(
            r -> {
              RecipeVersions.Listed v = newest.get(r.id);
              return new Shown(
                  r.id, r.name, r.owner, r.shared, v.number(), v.author(), v.at(), v.notes());
            })
        .toList();
  }

  /**
   * @param number of a version; the newest for null
   */
  @Transactional(readOnly = true)
  Whole whole(UUID production, UUID recipe, Integer number, String who) {
    Recipe r = seen(recipes.findById(recipe).orElse(null), production, who);
    return whole(r, number == null ? versions.last(recipe) : number);
  }

  @Transactional(readOnly = true)
  List<RecipeVersions.Listed> versions(UUID production, UUID recipe, String who) {
    return versions.of(seen(recipes.findById(recipe).orElse(null), production, who).id);
  }

  @Transactional
  Whole keep(UUID production, Given given, String who) {
    Given g = given.checked();
    if (recipes.countByProductionId(production) >= MOST)
      throw new Problem(
          HttpStatus.CONFLICT, "many", "A production keeps at most " + MOST + " recipes.");
    Recipe r = new Recipe();
    r.id = UUID.randomUUID();
    r.productionId = production;
    r.owner = who;
    r.name = g.name();
    r.shared = g.shared();
    recipes.saveAndFlush(r);
    return whole(r, next(r, g, who));
  }

  /**
   * Keeps another version.
   *
   * @param after the version that was changed
   */
  @Transactional
  Whole keep(UUID production, UUID recipe, int after, Given given, String who) {
    Given g = given.checked();
    Recipe r = seen(recipes.hold(recipe).orElse(null), production, who);
    int last = versions.last(recipe);
    if (last != after)
      throw new Problem(
          HttpStatus.CONFLICT,
          "newer",
          "“"
              + r.name
              + "” has a newer version by "
              + whole(r, last).author()
              + ". Open that one, or keep yours as a new recipe.");
    r.name = g.name();
    if (r.owner.equals(who)) r.shared = g.shared();
    return whole(r, next(r, g, who));
  }

  /** Takes a recipe away. One that is shared is its owner's, or a lead's, to take away. */
  @Transactional
  void remove(UUID production, UUID recipe, String who, boolean lead) {
    Recipe r = seen(recipes.hold(recipe).orElse(null), production, who);
    if (!r.owner.equals(who) && !lead)
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "rights",
          "“" + r.name + "” is " + r.owner + "’s: they or a lead take it away.");
    recipes.delete(r);
  }

  private int next(Recipe r, Given g, String who) {
    int number = versions.last(r.id) + 1;
    if (number > MOST_VERSIONS)
      throw new Problem(
          HttpStatus.CONFLICT,
          "many",
          "A recipe keeps at most " + MOST_VERSIONS + " versions. Keep it as a new one.");
    RecipeVersion v = new RecipeVersion();
    v.key = new RecipeVersion.Key(r.id, number);
    v.author = who;
    v.keptAt = clock.instant();
    v.notes = g.notes();
    v.script = g.script();
    versions.saveAndFlush(v);
    return number;
  }

  private Whole whole(Recipe r, int number) {
    RecipeVersion v =
        versions
            .findById(new RecipeVersion.Key(r.id, number))
            .orElseThrow(() -> Problem.missing("version"));
    return new Whole(
        r.id, r.name, r.owner, r.shared, number, v.author, v.keptAt, v.notes, v.script);
  }

  private static Recipe seen(Recipe r, UUID production, String who) {
    if (r == null || !r.productionId.equals(production) || !r.isFor(who))
      throw Problem.missing("recipe");
    return r;
  }

  private static Problem bad(String field, String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "recipe", field, text);
  }
}
