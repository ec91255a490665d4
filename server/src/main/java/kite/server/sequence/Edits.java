package kite.server.sequence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface Edits extends JpaRepository<EditRow, UUID> {
  Optional<EditRow> findByIdAndSequenceId(UUID id, UUID sequenceId);

  List<EditRow> findTop500BySequenceIdAndRevisionGreaterThanOrderByRevision(
      UUID sequence, long revision);
}
