package kite.server.sequence;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
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
   * @param shots of its cut, null before they were first counted
   * @param frames that its cut has, null likewise
   */
  record Listed(
      UUID id,
      UUID productionId,
      String production,
      String code,
      String title,
      Status status,
      Integer shots,
      Integer frames,
      boolean favourite,
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

  String FAVOURITE =
      "exists (select 1 from Favourite f, Account a where a.id = f.key.accountId"
          + " and a.name = :me and f.key.sequenceId = s.id)";

  String LISTED =
      "select new kite.server.sequence.Sequences$Listed(s.id, p.id, p.name, s.code, s.title,"
          + " s.status, s.shots, s.frames, (case when "
          + FAVOURITE
          + " then true else false end), s.revision, e.author, e.madeAt, s.archivedAt, s.binnedAt)"
          + " from SequenceRow s join s.production p left join EditRow e on e.id = s.head";

  String WANTED =
      " where s.production.id in (:in)"
          + " and (:find = '' or lower(s.code) like :find escape '!'"
          + " or lower(s.title) like :find escape '!')"
          + " and (:where = 'HERE' and s.binnedAt is null and s.archivedAt is null"
          + " or :where = 'ARCHIVE' and s.binnedAt is null and s.archivedAt is not null"
          + " or :where = 'BIN' and s.binnedAt is not null)"
          + " and (:status is null or s.status = :status)"
          + " and (:favourites = false or "
          + FAVOURITE
          + ")";

  /**
   * Sequences, those edited last first.
   *
   * @param in their productions
   * @param find a pattern for code and title in small letters; "" for all, which is much quicker
   * @param status null for any
   * @param favourites whether only those of {@code me} are wanted
   */
  @Query(
      LISTED
          + WANTED
          + " order by e.madeAt desc nulls last, s.code offset :from rows fetch next :most rows only")
  List<Listed> lastFirst(
      Collection<UUID> in,
      String find,
      String where,
      Status status,
      boolean favourites,
      String me,
      int from,
      int most);

  /** As above, by production and code. */
  @Query(
      LISTED
          + WANTED
          + " order by p.name, p.id, s.code offset :from rows fetch next :most rows only")
  List<Listed> byCode(
      Collection<UUID> in,
      String find,
      String where,
      Status status,
      boolean favourites,
      String me,
      int from,
      int most);

  /** How many each production has of what is wanted, those without left out; by name. */
  @Query(
      "select p.id, count(s) from SequenceRow s join s.production p"
          + WANTED
          + " group by p.id, p.name order by p.name, p.id")
  List<Object[]> wanted(
      Collection<UUID> in, String find, String where, Status status, boolean favourites, String me);

  /**
   * Has what this transaction asks planned with what is looked for: a plan for anything that might
   * be, which the database makes after some times, takes a hundred times as long for far pages.
   */
  @Query(
      value = "select set_config('plan_cache_mode', 'force_custom_plan', true)",
      nativeQuery = true)
  String planForWhatIsAsked();

  /** How many sequences each production has at hand, by its id. */
  @Query(
      "select s.production.id, count(s) from SequenceRow s"
          + " where s.archivedAt is null and s.binnedAt is null group by s.production.id")
  List<Object[]> counts();
}
