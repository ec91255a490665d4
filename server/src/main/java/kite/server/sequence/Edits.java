package kite.server.sequence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Edits extends JpaRepository<EditRow, UUID> {
  Optional<EditRow> findByIdAndSequenceId(UUID id, UUID sequenceId);

  Optional<EditRow> findBySequenceIdAndRevision(UUID sequence, long revision);

  List<EditRow> findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(
      UUID sequence, long revision);

  /**
   * Edits before a revision, the newest first.
   *
   * @param touching the id of a thing that they touched; "" for all
   * @param find part of author or label, in small letters
   */
  @Query(
      nativeQuery = true,
      value =
          "select * from edit where sequence_id = :sequence and revision < :revision"
              + " and (:touching = '' or touched @> array[cast(:touching as text)])"
              + " and position(:find in lower(author || ' ' || label)) > 0"
              + " order by revision desc")
  List<EditRow> before(UUID sequence, long revision, String touching, String find, Limit most);

  /** Edits after a revision that touched any of some things, by id. */
  @Query(
      nativeQuery = true,
      value =
          "select * from edit where sequence_id = :sequence and revision > :revision"
              + " and touched && cast(:ids as text[]) order by revision")
  List<EditRow> since(UUID sequence, long revision, String[] ids);
}
