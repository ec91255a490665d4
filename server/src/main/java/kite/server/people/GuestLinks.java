package kite.server.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface GuestLinks extends JpaRepository<GuestLink, UUID> {
  Optional<GuestLink> findBySecretSha256(String secret);

  @Query(
      "select g from GuestLink g where g.sequenceId = :sequence and g.endedAt is null"
          + " and g.endsAt > :now order by g.madeAt")
  List<GuestLink> open(UUID sequence, Instant now);
}
