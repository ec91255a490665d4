package kite.server.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** The accounts. */
public interface Accounts extends JpaRepository<Account, UUID> {
  Optional<Account> findByName(String name);

  Optional<Account> findBySubject(String subject);

  boolean existsByNameIgnoreCase(String name);

  boolean existsByDemoTrue();

  List<Account> findByDemoTrue();

  List<Account> findByAdministersTrueAndEndedAtIsNullOrderByName();

  List<Account> findAllByOrderByName();

  @Query("select count(a) from Account a where a.administers and a.endedAt is null")
  long administering();
}
