package kite.server.render;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.UUID;
import kite.exchange.Json;
import kite.server.live.Moved;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;

/** How far jobs are: for who asks, and told to the pages that look at their sequence. */
@Service
class Progress {
  /** Frames under way that are told of: a notice between servers holds 8000 bytes. */
  private static final int MOST_AT_IT = 40;

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final Queue queue;
  private final ApplicationEventPublisher events;

  Progress(RenderJobs jobs, RenderFrames frames, Queue queue, ApplicationEventPublisher events) {
    this.jobs = jobs;
    this.frames = frames;
    this.queue = queue;
    this.events = events;
  }

  /** What goes over the line. */
  private record Told(RenderShown render) {}

  /** Tells the pages of a sequence how far a job is, when the transaction is over. */
  void tell(UUID sequence, UUID job) {
    RenderShown now = of(job);
    if (now != null)
      events.publishEvent(
          new Moved(sequence, job.toString(), Json.MAPPER.writeValueAsString(new Told(now))));
  }

  /** How far a job is; null when there is none. */
  RenderShown of(UUID job) {
    RenderJobs.Listed found = jobs.listed(job);
    return found == null ? null : shown(found, queue.underWay(found.sequenceId()));
  }

  /** The newest jobs of a sequence, the newest first. */
  List<RenderShown> all(UUID sequence, Limit most) {
    List<Queue.UnderWay> underWay = queue.underWay(sequence);
    return jobs.list(sequence, most).stream().map(j -> shown(j, underWay)).toList();
  }

  private RenderShown shown(RenderJobs.Listed j, List<Queue.UnderWay> underWay) {
    List<RenderShown.AtIt> atIt = new ArrayList<>();
    for (Queue.UnderWay w : underWay)
      if (w.job().equals(j.id()) && atIt.size() < MOST_AT_IT)
        atIt.add(new RenderShown.AtIt(w.number(), w.worker()));
    int newest = j.newest() == null ? 0 : j.newest();
    return new RenderShown(
        j.id(),
        j.label(),
        j.numbered(),
        j.kind() == RenderJob.Kind.PREVIEW,
        j.byServer(),
        j.state().name(),
        j.message(),
        j.urgency().name(),
        (int) j.done(),
        (int) j.failed(),
        j.framesTotal(),
        share(j),
        newest,
        j.state() == RenderJob.State.DONE ? (j.framesTotal() + 1) / 2 : newest,
        j.state().underWay() ? atIt : List.of(),
        j.width(),
        j.height(),
        j.samples(),
        Kept.read(j.kept()).form().name(),
        j.askedBy(),
        j.askedAt().toString(),
        j.state() == RenderJob.State.DONE && j.framesTotal() > 1,
        j.secondsAFrame(),
        j.state() == RenderJob.State.WORKING ? left(j, atIt) : null);
  }

  /** How much of the work is done; of frames that are made in parts, those that are there count. */
  private double share(RenderJobs.Listed j) {
    double whole = (double) j.done() / j.framesTotal();
    int parts = FrameWork.partsOf(j.framesTotal(), j.width(), j.height(), j.samples());
    if (j.kind() == RenderJob.Kind.PREVIEW || parts == 1 || j.state() != RenderJob.State.WORKING)
      return whole;
    return Math.max(whole, 1 - (double) queue.piecesLeft(j.id()) / (parts * j.framesTotal()));
  }

  /**
   * By the frames that are there; before the first, by what was rendered of the sequence before.
   */
  private Double left(RenderJobs.Listed j, List<RenderShown.AtIt> atIt) {
    NavigableMap<Integer, Double> took = new TreeMap<>();
    for (RenderFrames.Took t : frames.took(j.id())) took.put(t.number(), t.seconds());
    double work = Estimate.ofTheRest(took, j.framesTotal());
    if (took.isEmpty()) {
      Double aRay = jobs.secondsARay(j.sequenceId());
      if (aRay == null) return null;
      work = aRay * j.width() * j.height() * j.samples() * j.framesTotal() * (1 - share(j));
    }
    long workers = atIt.stream().map(RenderShown.AtIt::worker).distinct().count();
    return work / Math.max(1, workers);
  }
}
