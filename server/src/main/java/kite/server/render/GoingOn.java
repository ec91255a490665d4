package kite.server.render;

import java.time.Clock;
import java.util.UUID;
import org.jobrunr.scheduling.JobScheduler;
import org.jobrunr.server.BackgroundJobServer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.availability.AvailabilityChangeEvent;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * After a start: renders that were being worked at when their worker went are taken up again, and
 * those that were asked for in the moment of a crash are not forgotten. A turn too many does
 * nothing. People who come back to their pages do not wait for it.
 */
@Component
class GoingOn implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(GoingOn.class);
  private final ObjectProvider<RenderJobs> jobs;
  private final ObjectProvider<JobScheduler> scheduler;
  private final Clock clock;
  private final ObjectProvider<BackgroundJobServer> engine;
  private final boolean works;

  GoingOn(
      ObjectProvider<RenderJobs> jobs,
      ObjectProvider<JobScheduler> scheduler,
      Clock clock,
      ObjectProvider<BackgroundJobServer> engine,
      @Value("${kite.worker}") boolean works) {
    this.jobs = jobs;
    this.scheduler = scheduler;
    this.clock = clock;
    this.engine = engine;
    this.works = works;
  }

  @Override
  public void run(ApplicationArguments args) {
    if (!works) return;
    Thread t = new Thread(this::goOn, "renders going on");
    t.setDaemon(true);
    t.start();
  }

  /** A server that is told not to work leaves renders to others. */
  @EventListener
  public void ready(AvailabilityChangeEvent<ReadinessState> e) {
    if (!works && e.getState() == ReadinessState.ACCEPTING_TRAFFIC)
      engine.ifAvailable(BackgroundJobServer::stop);
  }

  private void goOn() {
    try {
      for (UUID id : jobs.getObject().allUnfinished(RenderJob.Kind.RENDER))
        scheduler
            .getObject()
            .<RenderRunner>schedule(clock.instant().plus(RenderRunner.SILENT), r -> r.run(id));
      for (UUID id : jobs.getObject().waitingForBrowser())
        scheduler
            .getObject()
            .<PreviewBrowser>schedule(clock.instant().plus(RenderRunner.SILENT), b -> b.run(id));
    } catch (RuntimeException e) {
      LOG.error("Renders that were not finished could not be taken up; start again for them", e);
    }
  }
}
