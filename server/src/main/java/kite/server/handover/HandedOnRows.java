package kite.server.handover;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface HandedOnRows extends JpaRepository<HandedOn, UUID> {
  /** What a list of packages shows; their documents stay where they are. */
  record Listed(int number, String byName, Instant madeAt, long revision, String manifest) {}

  @Query(
      "select new kite.server.handover.HandedOnRows$Listed(h.number, h.byName, h.madeAt, h.revision,"
          + " h.manifest) from HandedOn h where h.sequenceId = :sequence order by h.number desc")
  List<Listed> list(UUID sequence);

  Optional<HandedOn> findBySequenceIdAndNumber(UUID sequence, int number);

  @Query("select coalesce(max(h.number), 0) from HandedOn h where h.sequenceId = :sequence")
  int lastNumber(UUID sequence);

  /** Lets one at a time go on with a key, to the end of its transaction. */
  @Query(value = "select 1 from (select pg_advisory_xact_lock(:key)) as taken", nativeQuery = true)
  int alone(long key);

  @Modifying
  @Transactional
  @Query("update HandedOn h set h.manifest = :manifest where h.id = :id")
  void say(UUID id, String manifest);
}
