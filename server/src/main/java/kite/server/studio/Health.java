package kite.server.studio;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import kite.server.output.OutputStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.info.BuildProperties;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/** Looks whether all that the application leans on is there. */
@Service
class Health {
  private static final Logger LOG = LoggerFactory.getLogger(Health.class);
  private static final int PATIENCE_S = 10;

  private final JdbcTemplate database;
  private final OutputStore output;
  private final BuildProperties build;

  Health(DataSource database, OutputStore output, BuildProperties build) {
    this.database = new JdbcTemplate(database);
    this.output = output;
    this.build = build;
  }

  /**
   * One thing that was looked at.
   *
   * @param says how it is, in a few words
   */
  record Seen(String what, boolean well, String says) {}

  List<Seen> look() {
    List<Seen> all = new ArrayList<>();
    all.add(new Seen("Jolly Kite", true, "version " + build.getVersion() + ", " + built()));
    all.add(database());
    all.add(output());
    all.add(ffmpeg());
    return all;
  }

  private String built() {
    return "built " + build.getTime().toString().substring(0, 10);
  }

  private Seen database() {
    String version = database.queryForObject("show server_version", String.class);
    Long bytes = database.queryForObject("select pg_database_size(current_database())", Long.class);
    return new Seen("Database", true, "PostgreSQL " + version + ", " + size(bytes));
  }

  private Seen output() {
    try {
      return new Seen(output.name(), true, output.look());
    } catch (IOException e) {
      LOG.warn("Renders cannot be kept", e);
      return new Seen(output.name(), false, e.getMessage());
    }
  }

  private static Seen ffmpeg() {
    try {
      Process p = new ProcessBuilder("ffmpeg", "-version").redirectErrorStream(true).start();
      String first = new String(p.getInputStream().readAllBytes()).lines().findFirst().orElse("");
      if (p.waitFor(PATIENCE_S, TimeUnit.SECONDS) && p.exitValue() == 0)
        return new Seen("ffmpeg", true, first.replaceAll("^ffmpeg version (\\S+).*", "version $1"));
    } catch (IOException e) {
      LOG.info("There is no ffmpeg: {}", e.getMessage());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    return new Seen("ffmpeg", false, "is not there: renders are pictures, not films");
  }

  /** Bytes in words, as 1.2 GB. */
  static String size(long bytes) {
    String[] units = {"B", "kB", "MB", "GB", "TB"};
    double b = bytes;
    int i = 0;
    for (; b >= 1000 && i < units.length - 1; i++) b /= 1000;
    return String.format(java.util.Locale.ROOT, i == 0 ? "%.0f %s" : "%.1f %s", b, units[i]);
  }
}
