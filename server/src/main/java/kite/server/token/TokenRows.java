package kite.server.token;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface TokenRows extends JpaRepository<Token, UUID> {
  List<Token> findByAccountIdOrderByMadeAtDesc(UUID account);

  long countByAccountId(UUID account);

  /** Whose token it is; nobody's when their account has ended. */
  @Query(
      "select a.name from Account a, Token t where t.accountId = a.id and t.sha256 = :sha256"
          + " and a.endedAt is null")
  Optional<String> ownerOf(String sha256);

  /** Notes that it was used, once a minute. */
  @Modifying
  @Query(
      "update Token t set t.usedAt = :now where t.sha256 = :sha256"
          + " and (t.usedAt is null or t.usedAt < :before)")
  int used(String sha256, Instant now, Instant before);
}
