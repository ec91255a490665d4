package kite.server.sequence;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Sequences extends JpaRepository<SequenceRow, UUID> {
  /** The row, held until the transaction ends, so that edits come one after the other. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select s from SequenceRow s where s.id = :id")
  Optional<SequenceRow> hold(UUID id);

  List<SequenceRow> findByProductionIdOrderByCode(UUID production);

  /** Ids alone: rows that are read are not read again when they are held. */
  @Query("select s.id from SequenceRow s where s.production.id = :production order by s.code")
  List<UUID> idsOf(UUID production);
}
