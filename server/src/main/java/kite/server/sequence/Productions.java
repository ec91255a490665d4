package kite.server.sequence;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Productions extends JpaRepository<Production, UUID> {
  Optional<Production> findByName(String name);

  /** What a list of productions shows; their standards, which are large, stay where they are. */
  record Named(UUID id, String name, String code) {}

  @Query(
      "select new kite.server.sequence.Productions$Named(p.id, p.name, p.code)"
          + " from Production p order by p.name")
  List<Named> named();

  List<Production> findByDemoTrue();

  boolean existsByNameIgnoreCase(String name);

  boolean existsByCodeIgnoreCase(String code);

  /** The row, held until the transaction ends. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select p from Production p where p.id = :id")
  Optional<Production> hold(UUID id);
}
