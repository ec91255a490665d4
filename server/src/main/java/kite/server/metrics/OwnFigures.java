package kite.server.metrics;

import io.micrometer.core.instrument.Counter;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import javax.sql.DataSource;
import kite.server.live.EditMade;
import kite.server.live.LiveUpdates;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * What only this application knows of itself; requests, memory and the database are told anyway.
 */
@Component
@Lazy(false)
class OwnFigures {
  private final Counter edits;

  OwnFigures(MeterRegistry figures, LiveUpdates live, DataSource source) {
    JdbcTemplate database = new JdbcTemplate(source);
    edits =
        Counter.builder("kite.edits")
            .description("Edits acknowledged by this server")
            .register(figures);
    Gauge.builder("kite.live.lines", live, LiveUpdates::count)
        .description("Open pages that listen to this server")
        .register(figures);
    for (String state : new String[] {"WAITING", "WORKING", "PAUSED"})
      Gauge.builder("kite.renders", () -> renders(database, state))
          .tag("state", state.toLowerCase(java.util.Locale.ROOT))
          .description("Renders that wait, are worked at or are paused, on all servers")
          .register(figures);
  }

  private static int renders(JdbcTemplate database, String state) {
    Integer n =
        database.queryForObject(
            "select count(*) from render_job where state = ?", Integer.class, state);
    return n == null ? 0 : n;
  }

  @EventListener
  void made(EditMade edit) {
    edits.increment();
  }
}
