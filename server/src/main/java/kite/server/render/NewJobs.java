package kite.server.render;

import java.util.UUID;
import java.util.function.Consumer;
import kite.server.Problem;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes jobs in, each with a number of its own among those of its kind and name. */
@Service
class NewJobs {
  private final RenderJobs jobs;
  private final Most most;

  /** What one person may have under way, so that there are turns for everybody. */
  @ConfigurationProperties("kite.render")
  record Most(
      @DefaultValue("40") int jobs,
      @DefaultValue("3") int jobsOfReviewers,
      @DefaultValue("64") int samplesOfReviewers) {}

  NewJobs(RenderJobs jobs, Most most) {
    this.jobs = jobs;
    this.most = most;
  }

  /**
   * Takes a job in with its work. Two that are asked for at once have two numbers.
   *
   * @param work adds it to the queue
   */
  @Transactional
  public void add(RenderJob job, Consumer<UUID> work) {
    jobs.alone(job.sequenceId.getMostSignificantBits());
    job.numbered = jobs.lastNumber(job.sequenceId, job.kind, job.label) + 1;
    jobs.saveAndFlush(job);
    work.accept(job.id);
  }

  /** Refuses what would be more than one person may have under way. */
  void notTooMany(String who, boolean artist) {
    int waiting = jobs.unfinished(who), bound = artist ? most.jobs() : most.jobsOfReviewers();
    if (waiting >= bound)
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          waiting + " of your renders are not finished yet. Wait for one, or stop one.");
  }
}
