package kite.server.render;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import kite.server.Problem;
import kite.server.output.OutputStore;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people do with jobs that are asked for: stop them, let them go on, make a frame again. */
@Service
class Steering {
  static final String STOPPED = "Stopped. The frames that were finished are kept.";
  static final String PAUSED = "Paused. Frames that were begun are finished, no more are begun.";

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final RenderTroubles troubles;
  private final Queue queue;
  private final Previews previews;
  private final Ended ended;
  private final OutputStore output;
  private final Clock clock;

  Steering(
      RenderJobs jobs,
      RenderFrames frames,
      RenderTroubles troubles,
      Queue queue,
      Previews previews,
      Ended ended,
      OutputStore output,
      Clock clock) {
    this.jobs = jobs;
    this.frames = frames;
    this.troubles = troubles;
    this.queue = queue;
    this.previews = previews;
    this.ended = ended;
    this.output = output;
    this.clock = clock;
  }

  /** Ends a job; frames that are being made are thrown away. */
  @Transactional
  public void stop(UUID id, boolean preview) {
    jobs.lock(id);
    if (!preview) {
      if (jobs.endWork(id, RenderJob.State.STOPPED, STOPPED) > 0) ended.tell(id);
      queue.removeWaiting(id);
      return;
    }
    jobs.askStop(id);
    if (ended.unheld(id, STOPPED, clock.instant().minus(Previews.SILENT))) queue.removeWaiting(id);
  }

  /** Lets no more frames of a job be begun. */
  @Transactional
  public void pause(UUID id) {
    RenderJob job = mine(id);
    if (job.kind != RenderJob.Kind.RENDER || !job.state.underWay())
      throw conflict("Only a render that waits or is under way can be paused.");
    become(job, RenderJob.State.PAUSED, PAUSED);
    queue.removeWaiting(id);
  }

  /** Lets a job that is paused, was stopped or failed go on with the frames it has not. */
  @Transactional
  public void resume(UUID id) throws IOException {
    RenderJob job = mine(id);
    if (job.kind == RenderJob.Kind.PREVIEW) {
      if (jobs.resume(id) == 0)
        throw conflict("Only what was stopped or has failed can be resumed.");
      previews.goOn(id, job.byServer);
      return;
    }
    Set<Integer> there = new HashSet<>();
    switch (job.state) {
      case PAUSED -> there.addAll(queue.frames(id)); // those that were begun
      case STOPPED, FAILED -> job.round++;
      case WAITING, WORKING, DONE ->
          throw conflict("Only what is paused, was stopped or has failed can be resumed.");
    }
    become(job, RenderJob.State.WAITING, "");
    troubles.deleteOf(id);
    there.addAll(kept(job));
    List<Integer> rest = new ArrayList<>(Order.of(Shot.read(job.shots), job.early));
    rest.removeAll(there);
    if (!rest.isEmpty()) queue.addFrames(job, rest);
    else if (there.size() >= job.framesTotal) queue.addFilm(id);
  }

  /** Frames whose pictures are there; those whose pictures have gone count no more. */
  private Set<Integer> kept(RenderJob job) throws IOException {
    Set<String> names = output.names(job.id);
    Kept.Form form = Kept.read(job.kept).form();
    Set<Integer> there = new HashSet<>();
    List<RenderFrame.Key> gone = new ArrayList<>();
    for (int n : frames.numbers(job.id))
      if (names.contains(FrameFiles.picture(n)) && names.contains(FrameFiles.delivered(n, form)))
        there.add(n);
      else gone.add(new RenderFrame.Key(job.id, n));
    frames.deleteAllByIdInBatch(gone);
    return there;
  }

  /** Makes a frame again that is there or could not be made. */
  @Transactional
  public void again(UUID id, int number) {
    RenderJob job = mine(id);
    RenderFrame.Key key = new RenderFrame.Key(id, number);
    boolean failed = troubles.existsById(key);
    if (job.kind != RenderJob.Kind.RENDER || !failed && !frames.existsById(key))
      throw conflict("Only a frame that was rendered or has failed can be rendered again.");
    troubles.deleteAllByIdInBatch(List.of(key));
    frames.deleteAllByIdInBatch(List.of(key));
    if (job.state == RenderJob.State.PAUSED) return; // with the others, when it goes on
    if (!job.state.underWay()) {
      become(job, RenderJob.State.WAITING, "");
      job.round++;
    }
    queue.addFrames(job, List.of(number));
  }

  /** Gives a job another turn. */
  @Transactional
  public void hurry(UUID id, Urgency urgency) {
    RenderJob job = mine(id);
    if (job.kind != RenderJob.Kind.RENDER)
      throw conflict("A preview is drawn as soon as somebody can.");
    queue.change(id, job.urgency, urgency);
    job.urgency = urgency;
  }

  private static void become(RenderJob job, RenderJob.State state, String message) {
    job.state = state;
    job.message = message;
  }

  /** A job that nobody else changes until this is over; what is changed of it is stored then. */
  private RenderJob mine(UUID id) {
    if (jobs.lock(id) == null) throw Problem.missing("render");
    return jobs.findById(id).orElseThrow();
  }

  private static Problem conflict(String text) {
    return new Problem(HttpStatus.CONFLICT, "state", text);
  }
}
