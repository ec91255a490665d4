package kite.server.watch;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface TellingRows extends JpaRepository<Telling, UUID> {
  Optional<Telling> findFirstByWatcherIdAndStateOrderByNumber(UUID watcher, Telling.State state);

  List<Telling> findByWatcherIdOrderByNumberDesc(UUID watcher, Limit most);

  Optional<Telling> findByIdAndWatcherId(UUID id, UUID watcher);

  int countByWatcherIdAndState(UUID watcher, Telling.State state);

  /** Ends all that a watcher has not taken. */
  @Modifying
  @Query(
      "update Telling t set t.state = kite.server.watch.Telling$State.GIVEN_UP, t.endedAt = :now"
          + " where t.watcherId = :watcher and t.state = kite.server.watch.Telling$State.WAITING")
  int giveUp(UUID watcher, Instant now);

  /** Removes what ended before a moment. */
  @Modifying
  @Query("delete from Telling t where t.endedAt < :before")
  int forget(Instant before);
}
