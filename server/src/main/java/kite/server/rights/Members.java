package kite.server.rights;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Who has which role where. */
public interface Members extends JpaRepository<Member, Member.Key> {
  @Query("select m from Member m where m.key.productionId = :production")
  List<Member> of(UUID production);

  @Query("select m from Member m where m.key.accountId = :account")
  List<Member> ofAccount(UUID account);

  /**
   * Where someone stands.
   *
   * @param administers whether they lead every production
   * @param role null without one
   */
  record Standing(UUID production, String name, boolean administers, Role role) {
    Role stands() {
      return administers ? Role.LEAD : role;
    }
  }

  String WHO =
      " left join Member m on m.key.accountId = a.id and m.key.productionId = p.id"
          + " where a.name = :name and a.endedAt is null";
  String STANDING =
      "select new kite.server.rights.Members$Standing(p.id, p.name, a.administers, m.role) from ";

  @Query(STANDING + "Account a cross join Production p" + WHO + " and p.id = :production")
  Optional<Standing> inProduction(String name, UUID production);

  @Query(
      STANDING
          + "Account a cross join SequenceRow s join s.production p"
          + WHO
          + " and s.id = :sequence")
  Optional<Standing> inSequence(String name, UUID sequence);

  @Query(STANDING + "Account a cross join Production p" + WHO)
  List<Standing> all(String name);

  @Query("select a.administers from Account a where a.name = :name and a.endedAt is null")
  Optional<Boolean> administers(String name);

  /** The sequence that a guest's link shows, while it does. */
  @Query(
      "select g.sequenceId from GuestLink g where g.id = :link and g.endedAt is null"
          + " and g.endsAt > :now")
  Optional<UUID> shownBy(UUID link, Instant now);

  @Query("select r.sequenceId from RenderJob r where r.id = :render")
  Optional<UUID> sequenceOf(UUID render);

  @Query("select s.production.id from SequenceRow s where s.id = :sequence")
  Optional<UUID> productionOf(UUID sequence);

  /** Whether an asset belongs to a production where someone has a role. */
  @Query(
      "select count(b) > 0 from ProductionAsset b, Account a where b.key.sha256 = :sha and a.name = :name"
          + " and a.endedAt is null and (a.administers or exists (select 1 from Member m"
          + " where m.key.accountId = a.id and m.key.productionId = b.key.productionId))")
  boolean hasAsset(String name, String sha);

  @Query(
      "select count(b) > 0 from ProductionAsset b, SequenceRow s where b.key.sha256 = :sha"
          + " and s.id = :sequence and s.production.id = b.key.productionId")
  boolean hasAsset(UUID sequence, String sha);
}
