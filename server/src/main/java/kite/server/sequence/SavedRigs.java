package kite.server.sequence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface SavedRigs extends JpaRepository<SavedRigRow, UUID> {
  List<SavedRigRow> findByProductionIdOrderByName(UUID production);

  Optional<SavedRigRow> findByProductionIdAndName(UUID production, String name);

  int countByProductionId(UUID production);
}
