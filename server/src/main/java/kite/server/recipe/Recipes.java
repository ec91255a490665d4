package kite.server.recipe;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Recipes extends JpaRepository<Recipe, UUID> {
  List<Recipe> findByProductionIdOrderByName(UUID production);

  long countByProductionId(UUID production);

  /** A recipe that nobody else changes until this is over. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select r from Recipe r where r.id = :id")
  Optional<Recipe> hold(UUID id);
}
