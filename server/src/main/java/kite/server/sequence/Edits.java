package kite.server.sequence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Edits extends JpaRepository<EditRow, UUID> {
  Optional<EditRow> findByIdAndSequenceId(UUID id, UUID sequenceId);

  Optional<EditRow> findBySequenceIdAndRevision(UUID sequence, long revision);

  List<EditRow> findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(
      UUID sequence, long revision);

  /** Edits after a revision that touched any of some things, by id. */
  @Query(
      nativeQuery = true,
      value =
          "select * from edit where sequence_id = :sequence and revision > :revision"
              + " and touched && cast(:ids as text[]) order by revision")
  List<EditRow> since(UUID sequence, long revision, String[] ids);
}
