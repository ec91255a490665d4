package kite.server.watch;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface WatcherRows extends JpaRepository<Watcher, UUID> {
  List<Watcher> findByProductionIdOrderByMadeAt(UUID production);

  Optional<Watcher> findByIdAndProductionId(UUID id, UUID production);

  int countByProductionId(UUID production);

  /** A watcher that wants to know, and what it happened in. */
  interface Wanting {
    UUID getWatcher();

    UUID getProduction();

    String getProductionCode();

    String getSequenceCode();

    String getSequenceTitle();
  }

  /** Who is told of a kind of thing in a sequence. */
  @Query(
      value =
          "select w.id as watcher, p.id as production, p.code as \"productionCode\","
              + " s.code as \"sequenceCode\", s.title as \"sequenceTitle\""
              + " from watcher w join production p on p.id = w.production_id"
              + " join sequence s on s.production_id = p.id"
              + " where s.id = :sequence and w.active and :kind = any (w.kinds)",
      nativeQuery = true)
  List<Wanting> wanting(UUID sequence, String kind);

  /** Takes a watcher for so long; 0 where somebody else has it, or its turn is not yet. */
  @Modifying
  @Transactional
  @Query(
      "update Watcher w set w.heldUntil = :until where w.id = :id and w.active and w.nextAt <= :now"
          + " and (w.heldUntil is null or w.heldUntil < :now)")
  int take(UUID id, Instant now, Instant until);

  /** Lets go of a watcher. */
  @Modifying
  @Transactional
  @Query("update Watcher w set w.heldUntil = null where w.id = :id")
  int letGo(UUID id);

  /** Watchers that have something to be told and whose turn it is, the longest waiting first. */
  @Query(
      value =
          "select w.id from watcher w where w.active and w.next_at <= :now"
              + " and (w.held_until is null or w.held_until < :now)"
              + " and exists (select 1 from telling t where t.watcher_id = w.id"
              + " and t.state = 'WAITING') order by w.next_at limit :most",
      nativeQuery = true)
  List<UUID> due(Instant now, int most);

  /** Watchers for which more waits than so many. */
  @Query(
      "select w from Watcher w where w.active and (select count(t) from Telling t where"
          + " t.watcherId = w.id and t.state = kite.server.watch.Telling$State.WAITING) > :most")
  List<Watcher> behind(int most);
}
