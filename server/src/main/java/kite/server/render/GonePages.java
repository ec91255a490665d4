package kite.server.render;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;

/** Ends previews whose page has gone or never came, and says so, whether anybody looks or not. */
@Configuration
@EnableScheduling
@Lazy(false)
class GonePages {
  private static final Logger LOG = LoggerFactory.getLogger(GonePages.class);
  private static final int LOOK_S = 10;

  private final RenderJobs jobs;

  /** Looked up when needed: one that is made lazily has no room for its transactions. */
  private final ObjectProvider<Ended> ended;

  private final Progress progress;
  private final Clock clock;

  GonePages(
      @Lazy RenderJobs jobs, ObjectProvider<Ended> ended, @Lazy Progress progress, Clock clock) {
    this.ended = ended;
    this.jobs = jobs;
    this.progress = progress;
    this.clock = clock;
  }

  @Scheduled(fixedDelay = LOOK_S, initialDelay = LOOK_S, timeUnit = TimeUnit.SECONDS)
  void look() {
    try {
      Instant now = clock.instant(), silent = now.minus(Previews.SILENT);
      end(jobs.silentPreviews(silent), Previews.GONE, silent);
      end(jobs.unbegunPreviews(now.minus(Previews.UNBEGUN_FOR)), Previews.UNBEGUN, silent);
    } catch (DataAccessException e) {
      LOG.info("It could not be looked which pages have gone: {}", e.getMessage());
    }
  }

  private void end(List<UUID> all, String message, Instant silent) {
    for (UUID id : all)
      if (ended.getObject().unheld(id, message, silent)) progress.tell(jobs.sequenceOf(id), id);
  }
}
