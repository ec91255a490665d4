package kite.server.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.server.asset.AssetStore;
import kite.server.asset.ModelRoom;
import kite.server.live.Moved;
import org.jobrunr.jobs.annotations.Job;
import org.jobrunr.scheduling.JobScheduler;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;

/**
 * Works a job off, frame by frame. A frame counts once its file is whole and its row is stored; a
 * job taken up again goes on after the frames that count.
 */
@Service
public class RenderRunner {
  private static final Logger LOG = LoggerFactory.getLogger(RenderRunner.class);
  private static final Duration STOP_CHECK = Duration.ofMillis(400);
  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final AssetStore assets;
  private final Film film;
  private final Clock clock;
  private final JobScheduler scheduler;
  private final ApplicationEventPublisher events;
  private final Path output;
  private final int threads;

  /**
   * @param threads that a picture is rendered on; 0 for as many as there are processors
   */
  RenderRunner(
      RenderJobs jobs,
      RenderFrames frames,
      AssetStore assets,
      Film film,
      Clock clock,
      JobScheduler scheduler,
      ApplicationEventPublisher events,
      @Value("${kite.output}") String output,
      @Value("${kite.render-threads}") int threads) {
    this.jobs = jobs;
    this.frames = frames;
    this.assets = assets;
    this.film = film;
    this.clock = clock;
    this.scheduler = scheduler;
    this.events = events;
    this.output = Path.of(output);
    this.threads = threads > 0 ? threads : Runtime.getRuntime().availableProcessors();
  }

  Path folder(UUID job) {
    return output.resolve(job.toString()).toAbsolutePath();
  }

  /** A worker that says nothing for so long is taken for dead. */
  static final Duration SILENT = Duration.ofSeconds(8);

  /** A frame that can be written needs no more than this. */
  private static final long ROOM_BYTES = 64L << 20;

  /** How long one person's job is worked at while somebody else's waits. */
  static final Duration TURN = Duration.ofSeconds(20);

  /**
   * A turn of work: at the job whose person has waited longest, which need not be the one that this
   * turn was asked for. The engine tries again what a crash ended, however often; a failure of the
   * job's own ends it with a sentence, until somebody resumes it.
   */
  @Job(name = "Render %0", retries = 1000)
  public void run(UUID asked) throws InterruptedException {
    UUID me = UUID.randomUUID();
    Instant now = clock.instant();
    for (UUID id : jobs.inTurn(now.minus(SILENT), Limit.of(1))) {
      if (jobs.take(id, me, now, now.minus(SILENT)) > 0) work(id, me);
      // another worker was quicker: a turn is left over, since that one had its own
      else scheduler.<RenderRunner>enqueue(r -> r.run(id));
      return;
    }
    // somebody is at it, or was until a moment ago: look again when that is known
    if (jobs.worked(asked)) scheduler.<RenderRunner>schedule(now.plus(SILENT), r -> r.run(asked));
  }

  private void work(UUID id, UUID me) throws InterruptedException {
    RenderJob job = jobs.findById(id).orElseThrow();
    Holding holding = new Holding(id, me);
    moved(job);
    try {
      Sequence s = SequenceJson.read(job.document);
      Files.createDirectories(folder(id));
      Set<String> without = new TreeSet<>();
      switch (all(job, s, me, without)) {
        case STOPPED -> {
          jobs.end(
              id, me, RenderJob.State.STOPPED, "Stopped. The frames that were finished are kept.");
          return;
        }
        case TURN_OVER -> {
          jobs.giveBack(id, me, "It goes on when the others who wait have had a turn.");
          scheduler.<RenderRunner>enqueue(r -> r.run(id));
          return;
        }
        case FINISHED -> {
          // a film of it, and the end
        }
      }
      if (job.framesTotal > 1) {
        int first = Shot.read(job.shots).get(0).first() - s.header().firstFrame();
        film.ofPictures(folder(id), "png", job.framesTotal, s.header().rate(), first);
      }
      jobs.end(id, me, RenderJob.State.DONE, whatIsMissing(without));
    } catch (IOException | RuntimeException e) {
      // the worker is stopping: the job stays as it is, and whoever comes next takes it up
      if (Thread.currentThread().isInterrupted()) throw new InterruptedException(e.getMessage());
      LOG.error("Render {} failed", id, e);
      jobs.end(id, me, RenderJob.State.FAILED, why(id, e));
    } finally {
      holding.end();
      moved(job);
    }
  }

  /** Says which passes that were wanted are in no file, or nothing. */
  private static String whatIsMissing(Set<String> without) {
    return without.isEmpty()
        ? ""
        : "In no file, because the light can have no share in it: "
            + String.join(", ", without)
            + ".";
  }

  private void moved(RenderJob job) {
    events.publishEvent(new Moved(job.sequenceId, Moved.What.RENDERS));
  }

  /** Why a job failed and what to do, in a sentence. */
  private String why(UUID id, Exception e) {
    try {
      if (Files.getFileStore(output).getUsableSpace() < ROOM_BYTES)
        return "The disk with the output folder is full. Make room on it, then resume: the frames"
            + " that were finished are kept.";
    } catch (IOException unknown) {
      LOG.debug("The room of {} is not known", output, unknown);
    }
    return "Rendering failed: "
        + (e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage())
        + ". Resume it, or look into the server's log for "
        + id
        + ".";
  }

  /** Says again and again that a job is being worked at, for as long as it is. */
  private final class Holding {
    private final ScheduledExecutorService beat =
        Executors.newSingleThreadScheduledExecutor(
            r -> {
              Thread t = new Thread(r, "render holding");
              t.setDaemon(true);
              return t;
            });

    Holding(UUID id, UUID me) {
      long every = SILENT.toMillis() / 5;
      beat.scheduleAtFixedRate(
          () -> {
            try {
              jobs.hold(id, me, clock.instant());
            } catch (RuntimeException e) {
              LOG.info("Render {} could not be held for a moment: {}", id, e.getMessage());
            }
          },
          every,
          every,
          TimeUnit.MILLISECONDS);
    }

    void end() {
      beat.shutdownNow();
    }
  }

  /** How a turn came to its end. */
  private enum Turn {
    FINISHED,
    STOPPED,
    TURN_OVER
  }

  private Turn all(RenderJob job, Sequence s, UUID me, Set<String> without) throws IOException {
    ModelRoom.check(s, assets, ModelRoom.RENDER);
    Instant began = clock.instant();
    StopSwitch stop = new StopSwitch(job.id);
    FrameMaker maker = new FrameMaker(job, s, assets, folder(job.id), threads, stop::thrown);
    int number = 0;
    for (Shot shot : Shot.read(job.shots)) {
      for (int frame = shot.first(); frame <= shot.last(); frame++) {
        number++;
        if (stop.thrown()) return Turn.STOPPED;
        if (frames.existsById(new RenderFrame.Key(job.id, number))) continue;
        Instant from = clock.instant();
        if (from.isAfter(began.plus(TURN)) && jobs.othersWait(job.askedBy)) return Turn.TURN_OVER;
        if (!maker.make(shot, frame, number)) return Turn.STOPPED;
        without.addAll(maker.without());
        // taken over while this one was frozen: the other's frames count
        if (jobs.hold(job.id, me, clock.instant()) == 0) return Turn.STOPPED;
        String file = FrameFiles.picture(number);
        Path written = folder(job.id).resolve(file);
        double seconds = Duration.between(from, clock.instant()).toMillis() / 1000.0;
        frames.save(new RenderFrame(job.id, number, file, seconds, Files.size(written)));
        moved(job);
      }
    }
    return Turn.FINISHED;
  }

  /** Asks the database now and then whether the job should stop. */
  private final class StopSwitch {
    private final UUID job;
    private Instant asked = Instant.EPOCH;
    private boolean thrown;

    StopSwitch(UUID job) {
      this.job = job;
    }

    synchronized boolean thrown() {
      Instant now = clock.instant();
      if (!thrown && Duration.between(asked, now).compareTo(STOP_CHECK) > 0) {
        asked = now;
        thrown = jobs.stopAsked(job);
      }
      return thrown;
    }
  }
}
