package kite.server.render;

import java.time.Clock;
import java.util.UUID;
import org.jobrunr.scheduling.JobScheduler;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/**
 * After a start: renders that were being worked at when their worker went are taken up again, and
 * those that were asked for in the moment of a crash are not forgotten. A turn too many does
 * nothing.
 */
@Component
class GoingOn implements ApplicationRunner {
  private final RenderJobs jobs;
  private final JobScheduler scheduler;
  private final Clock clock;
  private final boolean works;

  GoingOn(
      RenderJobs jobs,
      JobScheduler scheduler,
      Clock clock,
      @Value("${jobrunr.background-job-server.enabled}") boolean works) {
    this.jobs = jobs;
    this.scheduler = scheduler;
    this.clock = clock;
    this.works = works;
  }

  @Override
  public void run(ApplicationArguments args) {
    if (!works) return;
    for (UUID id : jobs.allUnfinished())
      scheduler.<RenderRunner>schedule(clock.instant().plus(RenderRunner.SILENT), r -> r.run(id));
  }
}
