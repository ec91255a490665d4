package kite.server.studio;

import java.util.List;
import java.util.UUID;
import javax.sql.DataSource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/** What each production takes up. */
@Service
class Room {
  private final JdbcTemplate database;

  Room(DataSource database) {
    this.database = new JdbcTemplate(database);
  }

  /**
   * A production's room, in bytes as they are stored. What belongs to several productions counts in
   * each.
   *
   * @param documents with their journals and versions
   * @param frames pictures rendered
   * @param pictures what those take on the disk; those of builds before V8 count as nothing
   */
  record Taken(
      UUID id,
      String name,
      String code,
      int sequences,
      int people,
      long documents,
      long models,
      long images,
      int frames,
      long pictures) {}

  List<Taken> all() {
    return database.query(
        """
        select p.id, p.name, p.code,
          (select count(*) from sequence s where s.production_id = p.id) sequences,
          (select count(*) from member m where m.production_id = p.id) people,
          (select coalesce(sum(pg_column_size(d.document)), 0) from snapshot d
             join sequence s on s.id = d.sequence_id where s.production_id = p.id)
          + (select coalesce(sum(pg_column_size(v.document)), 0) from sequence_version v
             join sequence s on s.id = v.sequence_id where s.production_id = p.id)
          + (select coalesce(sum(pg_column_size(e.change)), 0) from edit e
             join sequence s on s.id = e.sequence_id where s.production_id = p.id) documents,
          (select coalesce(sum(octet_length(a.bytes)), 0) from asset a
             join production_asset b on b.sha256 = a.sha256
             where b.production_id = p.id and a.kind = 'MODEL') models,
          (select coalesce(sum(octet_length(a.bytes)), 0) from asset a
             join production_asset b on b.sha256 = a.sha256
             where b.production_id = p.id and a.kind = 'IMAGE') images,
          (select count(*) from render_frame f join render_job j on j.id = f.job_id
             join sequence s on s.id = j.sequence_id where s.production_id = p.id) frames,
          (select coalesce(sum(f.bytes), 0) from render_frame f join render_job j on j.id = f.job_id
             join sequence s on s.id = j.sequence_id where s.production_id = p.id) pictures
        from production p order by p.name
        """,
        (r, i) ->
            new Taken(
                r.getObject("id", UUID.class),
                r.getString("name"),
                r.getString("code"),
                r.getInt("sequences"),
                r.getInt("people"),
                r.getLong("documents"),
                r.getLong("models"),
                r.getLong("images"),
                r.getInt("frames"),
                r.getLong("pictures")));
  }
}
