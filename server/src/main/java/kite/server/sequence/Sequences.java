package kite.server.sequence;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface Sequences extends JpaRepository<SequenceRow, UUID> {
  List<SequenceRow> findByProductionIdOrderByCode(UUID production);

  /** Ids alone: rows that are read are not read again when they are held. */
  @Query("select s.id from SequenceRow s where s.production.id = :production order by s.code")
  List<UUID> idsOf(UUID production);

  @Query("select s.code from SequenceRow s where s.production.id = :production")
  List<String> codesOf(UUID production);

  /**
   * What a list of sequences shows.
   *
   * @param author who edited it last; null when nobody has
   */
  record Listed(
      UUID id,
      UUID productionId,
      String production,
      String code,
      String title,
      long revision,
      String author,
      Instant editedAt,
      Instant archivedAt,
      Instant binnedAt) {}

  /** Where sequences are, as a list asks for it. */
  enum Where {
    HERE,
    ARCHIVE,
    BIN
  }

  /**
   * One page of sequences.
   *
   * @param production null for all
   * @param find a pattern for code and title in small letters
   */
  @Query(
      "select new kite.server.sequence.Sequences$Listed(s.id, p.id, p.name, s.code, s.title,"
          + " s.revision, e.author, e.madeAt, s.archivedAt, s.binnedAt)"
          + " from SequenceRow s join s.production p left join EditRow e on e.id = s.head"
          + " where (:production is null or p.id = :production)"
          + " and (lower(s.code) like :find escape '!' or lower(s.title) like :find escape '!')"
          + " and (case when s.binnedAt is not null then 'BIN' when s.archivedAt is not null"
          + " then 'ARCHIVE' else 'HERE' end) = :where")
  List<Listed> list(UUID production, String find, String where, Pageable page);

  /** How many sequences each production has at hand, by its id. */
  @Query(
      "select s.production.id, count(s) from SequenceRow s"
          + " where s.archivedAt is null and s.binnedAt is null group by s.production.id")
  List<Object[]> counts();
}
