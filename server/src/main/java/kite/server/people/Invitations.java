package kite.server.people;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface Invitations extends JpaRepository<Invitation, UUID> {
  Optional<Invitation> findBySecretSha256(String secret);

  /** Held until the transaction ends: two who use one link at once are told apart. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select i from Invitation i where i.secretSha256 = :secret")
  Optional<Invitation> hold(String secret);

  @Query(
      "select i from Invitation i where i.productionId = :production and i.usedAt is null"
          + " and i.endsAt > :now order by i.madeAt")
  List<Invitation> open(UUID production, Instant now);
}
