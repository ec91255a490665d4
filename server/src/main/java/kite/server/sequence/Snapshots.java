package kite.server.sequence;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface Snapshots extends JpaRepository<SnapshotRow, UUID> {
  /** Puts a later document in place of the one kept, unless another server was there first. */
  @Transactional
  @Modifying
  @Query(
      nativeQuery = true,
      value =
          "update snapshot set revision = :revision, document = cast(:document as jsonb)"
              + " where sequence_id = :sequence and revision < :revision")
  int renew(UUID sequence, long revision, String document);
}
