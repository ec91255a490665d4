package kite.server.asset;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import javax.sql.DataSource;
import kite.server.account.Audit;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Models and images that nothing names any more: no sequence and no edit of one (which can be taken
 * back), no version, no set, no saved rig, no render.
 */
@Service
class UnusedAssets {
  /** What was brought in since then may still be in somebody's hand. */
  static final Duration IN_HAND = Duration.ofDays(30);

  /** Whatever looks like an asset's name counts as its use: rather one too many. */
  private static final String UNUSED =
      """
      with used as (
        select distinct named[1] sha256 from (
          select document::text body from snapshot
          union all select change::text from edit
          union all select document::text from sequence_version
          union all select document::text from shared_set_version
          union all select document::text from render_job
          union all select rig::text from saved_rig
          union all select standards::text from production
        ) written, regexp_matches(body, '[0-9a-f]{64}', 'g') named
      ), unused as (
        select sha256, octet_length(bytes) size from asset a
        where kept_at < ? and not exists (select 1 from used u where u.sha256 = a.sha256)
      )
      """;

  private final JdbcTemplate database;
  private final Audit audit;
  private final Clock clock;

  UnusedAssets(DataSource database, Audit audit, Clock clock) {
    this.database = new JdbcTemplate(database);
    this.audit = audit;
    this.clock = clock;
  }

  /** How many there are, and what they take, in bytes. */
  record Found(int count, long bytes) {}

  Found look() {
    return found(UNUSED + "select count(*), coalesce(sum(size), 0) from unused");
  }

  /** Takes them away; what has come into use since somebody looked stays. */
  @Transactional
  Found takeAway(String by) {
    Found gone =
        found(
            UNUSED
                + ", given as (delete from production_asset where sha256 in (select sha256 from"
                + " unused)), gone as (delete from asset where sha256 in (select sha256 from"
                + " unused) returning octet_length(bytes) size)"
                + " select count(*), coalesce(sum(size), 0) from gone");
    audit.note(by, "took unused models away", gone.count + ", " + gone.bytes + " bytes", "");
    return gone;
  }

  private Found found(String query) {
    return database.queryForObject(
        query,
        (r, i) -> new Found(r.getInt(1), r.getLong(2)),
        Timestamp.from(clock.instant().minus(IN_HAND)));
  }
}
