package kite.server.recipe;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface RecipeRunRows extends JpaRepository<RecipeRun, UUID> {
  Optional<RecipeRun> findByIdAndSequenceId(UUID id, UUID sequence);

  /** Runs of a person that have not ended. */
  @Query(
      "select count(r) from RecipeRun r where r.byName = :who and r.state in"
          + " (kite.server.recipe.RecipeRun$State.WAITING, kite.server.recipe.RecipeRun$State.WORKING)")
  int unfinished(String who);

  /** Begins a run, or goes on with one whose server ended; 0 where it has ended. */
  @Modifying
  @Transactional
  @Query(
      "update RecipeRun r set r.state = kite.server.recipe.RecipeRun$State.WORKING"
          + " where r.id = :id and r.state in"
          + " (kite.server.recipe.RecipeRun$State.WAITING, kite.server.recipe.RecipeRun$State.WORKING)")
  int begin(UUID id);

  @Modifying
  @Transactional
  @Query("update RecipeRun r set r.share = :share where r.id = :id")
  int share(UUID id, double share);

  /** Notes what came of a run, part of the transaction that makes its edit. */
  @Modifying
  @Query("update RecipeRun r set r.came = :came where r.id = :id")
  int came(UUID id, String came);

  /** Whether it is to stop; also where its sequence is gone. */
  @Query("select count(r) = 0 from RecipeRun r where r.id = :id and r.stopAsked = false")
  boolean stopAsked(UUID id);

  @Modifying(flushAutomatically = true, clearAutomatically = true)
  @Query("update RecipeRun r set r.stopAsked = true where r.id = :id")
  int askStop(UUID id);

  /** Ends a run that has not begun. */
  @Modifying(flushAutomatically = true, clearAutomatically = true)
  @Query(
      "update RecipeRun r set r.message = :message, r.endedAt = :now,"
          + " r.state = kite.server.recipe.RecipeRun$State.STOPPED where r.id = :id"
          + " and r.state = kite.server.recipe.RecipeRun$State.WAITING")
  int endUnbegun(UUID id, String message, Instant now);

  /** Ends a run that is under way. */
  @Modifying
  @Transactional
  @Query(
      "update RecipeRun r set r.state = :state, r.message = :message, r.came = :came,"
          + " r.share = :share, r.endedAt = :now where r.id = :id and r.state ="
          + " kite.server.recipe.RecipeRun$State.WORKING")
  int end(UUID id, RecipeRun.State state, String message, String came, double share, Instant now);

  /** Forgets the older runs of a sequence. */
  @Modifying
  @Query(
      value =
          "delete from recipe_run where sequence_id = :sequence and ended_at is not null and id not"
              + " in (select id from recipe_run where sequence_id = :sequence order by asked_at desc"
              + " limit :kept)",
      nativeQuery = true)
  int forget(UUID sequence, int kept);
}
