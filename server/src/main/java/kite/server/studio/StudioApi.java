package kite.server.studio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import javax.sql.DataSource;
import kite.server.Problem;
import kite.server.rights.May;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How the studio's copy is doing, for those who administer it. */
@RestController
@RequestMapping("/api/administration")
class StudioApi {
  private static final int MOST_BACKUPS = 50, MOST_JOBS = 100, NOTES = 100;
  private final Health health;
  private final Room room;
  private final JdbcTemplate database;
  private final String backups;

  StudioApi(
      Health health, Room room, DataSource database, @Value("${kite.backups}") String backups) {
    this.health = health;
    this.room = room;
    this.database = new JdbcTemplate(database);
    this.backups = backups;
  }

  /** A render that waits or is worked at. */
  record Job(
      UUID id, String label, String state, String production, String by, int done, int total) {}

  record Backup(String name, long bytes, Instant at) {}

  /**
   * @param backups the newest first; null where no folder is given for nightly ones
   */
  record Status(List<Health.Seen> health, List<Room.Taken> room, List<Backup> backups) {}

  /** All of it is looked at and counted anew: not to be asked again and again. */
  @GetMapping("/status")
  @May.Administer
  Status status() throws IOException {
    return new Status(health.look(), room.all(), backups());
  }

  @GetMapping("/jobs")
  @May.Administer
  List<Job> jobs() {
    return database.query(
        """
        select j.id, j.label, j.state, p.name, j.asked_by, j.frames_total,
          (select count(*) from render_frame f where f.job_id = j.id) done
        from render_job j join sequence s on s.id = j.sequence_id
          join production p on p.id = s.production_id
        where j.state in ('WAITING', 'WORKING', 'PAUSED') order by j.asked_at limit
        """
            + MOST_JOBS,
        (r, i) ->
            new Job(
                r.getObject(1, UUID.class),
                r.getString(2),
                r.getString(3),
                r.getString(4),
                r.getString(5),
                r.getInt("done"),
                r.getInt("frames_total")));
  }

  private List<Backup> backups() throws IOException {
    if (backups.isBlank()) return null;
    Path folder = Path.of(backups);
    if (!Files.isDirectory(folder)) return List.of();
    List<Backup> found = new ArrayList<>();
    try (Stream<Path> all = Files.list(folder)) {
      for (Path p : all.filter(f -> f.toString().endsWith(".backup")).toList())
        found.add(
            new Backup(
                p.getFileName().toString(),
                Files.size(p),
                Files.getLastModifiedTime(p).toInstant()));
    }
    found.sort(Comparator.comparing(Backup::at).reversed());
    return found.subList(0, Math.min(MOST_BACKUPS, found.size()));
  }

  /** A sign-in or a change of rights. */
  record Note(long id, Instant at, String who, String what, String about, String address) {}

  /**
   * What was noted, the newest first, a hundred at a time.
   *
   * @param before only what was noted before this id
   * @param find part of who, what or about
   */
  @GetMapping("/notes")
  @May.Administer
  List<Note> notes(
      @RequestParam(defaultValue = "9223372036854775807") long before,
      @RequestParam(defaultValue = "") String find) {
    if (find.length() > 200)
      throw new Problem(HttpStatus.BAD_REQUEST, "request", "Look for less than 200 characters.");
    return database.query(
        "select id, at, who, what, about, address from audit where id < ?"
            + " and position(lower(?) in lower(who || ' ' || what || ' ' || about)) > 0"
            + " order by id desc limit "
            + NOTES,
        (r, i) ->
            new Note(
                r.getLong(1),
                r.getTimestamp(2).toInstant(),
                r.getString(3),
                r.getString(4),
                r.getString(5),
                r.getString(6)),
        before,
        find.strip());
  }
}
