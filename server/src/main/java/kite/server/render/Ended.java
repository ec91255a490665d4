package kite.server.render;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import kite.server.live.Happened;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ends jobs that pages draw, and says of every job that it has ended. */
@Service
class Ended {
  private final RenderJobs jobs;
  private final ApplicationEventPublisher events;

  Ended(RenderJobs jobs, ApplicationEventPublisher events) {
    this.jobs = jobs;
    this.events = events;
  }

  /** Says that a job has ended. Part of the transaction that ends it. */
  void tell(UUID id) {
    RenderJobs.Listed j = jobs.listed(id);
    Map<String, Object> more = new LinkedHashMap<>();
    more.put("render", j.id());
    more.put("label", j.label());
    more.put("version", j.numbered());
    more.put("preview", j.kind() == RenderJob.Kind.PREVIEW);
    more.put("state", j.state());
    more.put("message", j.message());
    more.put("done", j.done());
    more.put("total", j.framesTotal());
    events.publishEvent(new Happened(j.sequenceId(), Happened.Kind.RENDER, j.askedBy(), more));
  }

  /** Ends a preview that one holds. */
  @Transactional
  public void held(UUID id, UUID holder, RenderJob.State state, String message) {
    if (jobs.end(id, holder, state, message) > 0) tell(id);
  }

  /**
   * Stops a job that nobody draws, or whose holder has been silent since a moment.
   *
   * @return whether it was
   */
  @Transactional
  public boolean unheld(UUID id, String message, Instant silent) {
    if (jobs.endUnheld(id, message, silent) == 0) return false;
    tell(id);
    return true;
  }
}
