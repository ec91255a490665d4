package kite.server.account;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** The accounts. */
public interface Accounts extends JpaRepository<Account, UUID> {
  Optional<Account> findByName(String name);
}
