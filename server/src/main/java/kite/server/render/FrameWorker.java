package kite.server.render;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.kagkarlsson.scheduler.SchedulerState;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.render.Rendered;
import kite.server.asset.AssetStore;
import kite.server.asset.ModelRoom;
import kite.server.output.OutputStore;
import kite.server.output.OutputTrouble;
import kite.server.output.Scratch;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;

/**
 * Makes a frame of a job, as any worker does. It counts once its files are whole and its row is
 * stored.
 */
@Service
class FrameWorker {
  private static final Logger LOG = LoggerFactory.getLogger(FrameWorker.class);
  private static final Duration STOP_CHECK = Duration.ofMillis(400);

  /** Jobs that are kept ready for their next frame, and for how long. */
  private static final int READY = 3;

  private static final Duration READY_FOR = Duration.ofMinutes(2);

  private static final double MS = 1000;

  private final RenderJobs jobs;
  private final Ending ending;
  private final AssetStore assets;
  private final OutputStore output;
  private final Clock clock;
  private final int threads;
  private final Cache<UUID, FrameMaker> ready =
      Caffeine.newBuilder().maximumSize(READY).expireAfterAccess(READY_FOR).build();

  /**
   * @param threads that a picture is rendered on; 0 for as many as there are processors
   */
  FrameWorker(
      RenderJobs jobs,
      Ending ending,
      AssetStore assets,
      OutputStore output,
      Clock clock,
      @Value("${kite.render-threads}") int threads) {
    this.jobs = jobs;
    this.ending = ending;
    this.assets = assets;
    this.output = output;
    this.clock = clock;
    this.threads = threads > 0 ? threads : Runtime.getRuntime().availableProcessors();
  }

  /** What becomes of a piece of work. */
  enum Came {
    /** It is done, or wanted no more. */
    OVER,
    /** This worker ends, and another is to take it. */
    FOR_ANOTHER,
    /** This worker has not the memory for it. */
    TOO_LARGE
  }

  /**
   * Makes a frame, or leaves it.
   *
   * @throws IOException when it could not be made; it may be tried again
   */
  Came make(FrameWork frame, SchedulerState worker) throws IOException {
    RenderJob job = ending.begin(frame);
    if (job == null) return Came.OVER;
    if (!PictureRoom.holds(job)) {
      ending.says(
          job, "A worker with more memory is waited for: this picture is too large for one.");
      return Came.TOO_LARGE;
    }
    StopSwitch stop = new StopSwitch(frame, worker);
    Instant from = clock.instant();
    try (Scratch scratch = output.scratch()) {
      FrameMaker maker = maker(job);
      if (frame.isPart() && !part(frame, maker, scratch, stop)) return left(worker);
      FrameMaker.Made made =
          frame.isPart()
              ? joined(frame, maker, scratch)
              : maker.make(frame.number(), scratch.folder(), stop);
      if (made == null) {
        if (frame.isPart()) ending.partCame(frame);
        return left(worker);
      }
      if (!frame.isPart()) made = made.took(since(from));
      for (String file : made.files()) output.put(job.id, file, scratch.file(file));
      Resource picture = output.get(job.id, made.picture());
      if (picture == null) throw new IOException(made.picture() + " was not kept");
      ending.came(frame, made, picture.contentLength());
      for (int i = 0; frame.isPart() && i < frame.parts(); i++)
        output.remove(job.id, PartFile.name(frame.number(), i, frame.parts()));
      LOG.info("{} v{}, frame {}: {} s", job.label, job.numbered, frame.number(), made.seconds());
      return Came.OVER;
    } catch (CannotBeOpened e) {
      LOG.warn("Render {} cannot be made", job.id, e);
      ending.failed(frame.job(), "Nothing of it can be rendered: " + e.getMessage() + ".");
      return Came.OVER;
    } catch (IOException e) {
      if (worker.isShuttingDown()) return Came.FOR_ANOTHER;
      IOException why = output.why(e);
      if (!(why instanceof OutputTrouble)) throw why;
      LOG.warn("Render {} cannot be kept", job.id, why);
      ending.failed(frame.job(), why.getMessage() + " The frames that were finished are kept.");
      return Came.OVER;
    } catch (RuntimeException e) {
      if (worker.isShuttingDown()) return Came.FOR_ANOTHER;
      throw e;
    }
  }

  private double since(Instant from) {
    return Duration.between(from, clock.instant()).toMillis() / MS;
  }

  /** What was not made is for another when it is this worker that ends. */
  private static Came left(SchedulerState worker) {
    return worker.isShuttingDown() ? Came.FOR_ANOTHER : Came.OVER;
  }

  /**
   * Makes a part and keeps it, unless it is kept already.
   *
   * @return false when it was stopped
   */
  private boolean part(FrameWork frame, FrameMaker maker, Scratch scratch, StopSwitch stop)
      throws IOException {
    String name = PartFile.name(frame.number(), frame.part(), frame.parts());
    if (output.get(frame.job(), name) != null) return true;
    Instant from = clock.instant();
    Rendered part = maker.part(frame, stop);
    if (part == null) return false;
    PartFile.write(new PartFile.Part(part, since(from)), scratch.file(name));
    output.put(frame.job(), name, scratch.file(name));
    LOG.info("Frame {}, part {} of {}", frame.number(), frame.part() + 1, frame.parts());
    return true;
  }

  /** Joins the parts of a frame, or gives null while others are at theirs. */
  private FrameMaker.Made joined(FrameWork frame, FrameMaker maker, Scratch scratch)
      throws IOException {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < frame.parts(); i++)
      names.add(PartFile.name(frame.number(), i, frame.parts()));
    if (!output.names(frame.job()).containsAll(names)) return null;
    List<PartFile.Part> parts = new ArrayList<>();
    for (String name : names) {
      Resource part = output.get(frame.job(), name);
      if (part == null) return null; // whoever was quicker has joined them
      try (InputStream in = part.getInputStream()) {
        parts.add(PartFile.read(in));
      }
    }
    return maker.joined(frame.number(), parts, scratch.folder());
  }

  private FrameMaker maker(RenderJob job) {
    FrameMaker there = ready.getIfPresent(job.id);
    if (there != null) return there;
    FrameMaker made = new FrameMaker(job, opened(job), assets, threads);
    ready.put(job.id, made);
    return made;
  }

  /** Every frame of the job would fail alike, however often it is tried. */
  private static final class CannotBeOpened extends RuntimeException {
    private static final long serialVersionUID = 1;

    CannotBeOpened(RuntimeException cause) {
      super(cause.getMessage(), cause);
    }
  }

  private Sequence opened(RenderJob job) {
    try {
      Sequence s = SequenceJson.read(job.document);
      ModelRoom.check(s, assets, ModelRoom.RENDER);
      return s;
    } catch (DataAccessException e) {
      throw e; // the database is away for a moment
    } catch (RuntimeException e) {
      throw new CannotBeOpened(e);
    }
  }

  /** Asks now and then whether a frame is still wanted, and whether this worker goes on. */
  private final class StopSwitch implements BooleanSupplier {
    private final FrameWork frame;
    private final SchedulerState worker;
    private Instant asked = clock.instant();
    private boolean thrown;

    StopSwitch(FrameWork frame, SchedulerState worker) {
      this.frame = frame;
      this.worker = worker;
    }

    @Override
    public synchronized boolean getAsBoolean() {
      if (worker.isShuttingDown()) return true;
      Instant now = clock.instant();
      if (!thrown && Duration.between(asked, now).compareTo(STOP_CHECK) > 0) {
        asked = now;
        thrown = !jobs.wanted(frame.job(), frame.round());
      }
      return thrown;
    }
  }
}
