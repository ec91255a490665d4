package kite.server.render;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.UUID;
import kite.server.queue.WorkerName;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Counts what workers bring, and sees whether a job has ended with it. Whoever counts has the job's
 * row for that moment, so that of two workers that bring the last two frames one ends the job.
 */
@Service
class Ending {
  private static final int MOST_SAID = 300;
  private static final String KEPT = " The frames that were finished are kept.";

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final RenderTroubles troubles;
  private final Queue queue;
  private final Ended ended;
  private final Progress progress;
  private final WorkerName worker;
  private final Clock clock;

  Ending(
      RenderJobs jobs,
      RenderFrames frames,
      RenderTroubles troubles,
      Queue queue,
      Ended ended,
      Progress progress,
      WorkerName worker,
      Clock clock) {
    this.jobs = jobs;
    this.frames = frames;
    this.troubles = troubles;
    this.queue = queue;
    this.ended = ended;
    this.progress = progress;
    this.worker = worker;
    this.clock = clock;
  }

  /** Begins a frame; gives its job, or null when the frame is wanted no more. */
  @Transactional
  public RenderJob begin(FrameWork frame) {
    if (!jobs.wanted(frame.job(), frame.round())
        || frames.existsById(new RenderFrame.Key(frame.job(), frame.number()))) return null;
    RenderJob job = jobs.findById(frame.job()).orElseThrow();
    if (jobs.beginWork(job.id) > 0) progress.tell(job.sequenceId, job.id);
    return job;
  }

  /** Says something of a job that is under way. */
  @Transactional
  public void says(RenderJob job, String sentence) {
    if (jobs.endWork(job.id, RenderJob.State.WORKING, sentence) > 0)
      progress.tell(job.sequenceId, job.id);
  }

  /** A frame is there; it counts when it is still wanted and nobody has brought it before. */
  @Transactional
  public void came(FrameWork frame, FrameMaker.Made made, long bytes) {
    jobs.lock(frame.job());
    if (!jobs.wanted(frame.job(), frame.round())) return;
    frames.count(
        frame.job(),
        frame.number(),
        made.picture(),
        made.seconds(),
        bytes,
        clock.instant(),
        worker.text(),
        made.without().isEmpty() ? null : String.join(", ", made.without()));
    troubles.deleteAllByIdInBatch(List.of(new RenderFrame.Key(frame.job(), frame.number())));
    settle(frame);
  }

  /** A part of a frame is there, and others are not. */
  @Transactional
  public void partCame(FrameWork frame) {
    progress.tell(jobs.sequenceOf(frame.job()), frame.job());
  }

  /** A frame cannot be made. */
  @Transactional
  public void cannot(FrameWork frame, String why) {
    jobs.lock(frame.job());
    if (!jobs.wanted(frame.job(), frame.round())) return;
    troubles.save(
        new RenderTrouble(
            frame.job(), frame.number(), why.substring(0, Math.min(MOST_SAID, why.length()))));
    troubles.flush();
    settle(frame);
  }

  private void settle(FrameWork frame) {
    RenderJob job = jobs.findById(frame.job()).orElseThrow();
    int there = frames.countByJobId(job.id);
    if (there >= job.framesTotal) {
      if (job.framesTotal > 1) queue.addFilm(job.id);
      else end(job.id, RenderJob.State.DONE, whatIsMissing(job.id));
    } else if (queue.framesLeft(job.id, frame.round(), frame.number()) == 0) {
      List<RenderTrouble> failed = troubles.findByJobIdOrderByNumber(job.id);
      if (!failed.isEmpty()) end(job.id, RenderJob.State.FAILED, says(failed));
      else if (job.state != RenderJob.State.PAUSED)
        end(job.id, RenderJob.State.STOPPED, "Some frames are not made yet." + KEPT);
    }
    progress.tell(job.sequenceId, job.id);
  }

  private void end(UUID id, RenderJob.State state, String message) {
    jobs.become(id, state, message);
    ended.tell(id);
  }

  private static String says(List<RenderTrouble> failed) {
    RenderTrouble first = failed.get(0);
    String which =
        failed.size() == 1
            ? "Frame " + first.number + " could not be made: "
            : failed.size()
                + " frames could not be made. The first of them, "
                + first.number
                + ": ";
    return which + first.says + ". The others are kept. Resume tries again.";
  }

  /** The job cannot go on. */
  @Transactional
  public void failed(UUID id, String sentence) {
    jobs.lock(id);
    if (jobs.endWork(id, RenderJob.State.FAILED, sentence) == 0) return;
    queue.removeWaiting(id);
    ended.tell(id);
    progress.tell(jobs.sequenceOf(id), id);
  }

  /** All of a job is there, and its film. */
  @Transactional
  public void done(UUID id) {
    jobs.lock(id);
    if (jobs.endWork(id, RenderJob.State.DONE, whatIsMissing(id)) == 0) return;
    ended.tell(id);
    progress.tell(jobs.sequenceOf(id), id);
  }

  /** Says which passes that were wanted are in no file, or nothing. */
  private String whatIsMissing(UUID id) {
    TreeSet<String> without = new TreeSet<>();
    for (String some : frames.without(id)) without.addAll(List.of(some.split(", ")));
    return without.isEmpty()
        ? ""
        : "In no file, because the light can have no share in it: "
            + String.join(", ", new ArrayList<>(without))
            + ".";
  }
}
