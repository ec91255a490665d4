package kite.server.render;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Consumer;
import kite.exchange.Json;
import kite.server.Problem;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Takes jobs in, each with a number of its own among those of its kind and name, or that have a
 * shot of it.
 */
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
    job.numbered = next(job);
    jobs.saveAndFlush(job);
    work.accept(job.id);
  }

  /** The number that a job would have if it were taken in now. */
  int next(RenderJob job) {
    List<String> codes =
        Shot.read(job.shots).stream()
            .filter(s -> s.programme() != null) // a frame alone is no version of its shot
            .map(Shot::code)
            .filter(Objects::nonNull)
            .toList();
    return 1
        + jobs.lastNumber(
            job.sequenceId, job.kind.name(), job.label, Json.MAPPER.writeValueAsString(codes));
  }

  boolean has(UUID job) {
    return jobs.existsById(job);
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
