package kite.server.sequence;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Sequences extends JpaRepository<SequenceRow, UUID> {
  List<SequenceRow> findByProductionIdOrderByCode(UUID production);

  /** Ids alone: rows that are read are not read again when they are held. */
  @Query("select s.id from SequenceRow s where s.production.id = :production order by s.code")
  List<UUID> idsOf(UUID production);
}
