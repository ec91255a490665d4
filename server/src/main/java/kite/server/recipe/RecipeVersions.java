package kite.server.recipe;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RecipeVersions extends JpaRepository<RecipeVersion, RecipeVersion.Key> {
  /** A version as a list shows it. */
  record Listed(UUID recipe, int number, String author, Instant at, String notes) {}

  String LISTED =
      "select new kite.server.recipe.RecipeVersions$Listed("
          + "v.key.recipeId, v.key.number, v.author, v.keptAt, v.notes) from RecipeVersion v ";

  /** The newest of each recipe of a production. */
  @Query(
      LISTED
          + "where v.key.recipeId in (select r.id from Recipe r where r.productionId = :production)"
          + " and v.key.number ="
          + " (select max(w.key.number) from RecipeVersion w where w.key.recipeId = v.key.recipeId)")
  List<Listed> newest(UUID production);

  /** All of a recipe, the newest first. */
  @Query(LISTED + "where v.key.recipeId = :recipe order by v.key.number desc")
  List<Listed> of(UUID recipe);

  @Query(
      "select coalesce(max(v.key.number), 0) from RecipeVersion v where v.key.recipeId = :recipe")
  int last(UUID recipe);
}
