package kite.server.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** The accounts. */
public interface Accounts extends JpaRepository<Account, UUID> {
  Optional<Account> findByName(String name);

  boolean existsByNameIgnoreCase(String name);

  boolean existsByDemoTrue();

  List<Account> findByDemoTrue();
}
