package kite.server.sequence;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

/** Sequences that are about to be edited. */
interface HeldSequences extends Repository<SequenceRow, UUID> {
  /** The row, held until the transaction ends, so that edits come one after the other. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  Optional<SequenceRow> findById(UUID id);
}
