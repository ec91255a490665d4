package kite.server.sharedset;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface SetRows extends JpaRepository<SetRow, UUID> {
  List<SetRow> findByProductionIdOrderByName(UUID production);

  boolean existsByProductionIdAndNameIgnoreCase(UUID production, String name);

  /** Held until the transaction ends: versions get numbers one after the other. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select s from SetRow s where s.id = :id")
  Optional<SetRow> hold(UUID id);
}
