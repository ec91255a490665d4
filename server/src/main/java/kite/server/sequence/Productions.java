package kite.server.sequence;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface Productions extends JpaRepository<Production, UUID> {
  Optional<Production> findByName(String name);
}
