package kite.server.render;

import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import kite.server.Problem;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Asking for renders, watching, stopping and fetching them. */
@RestController
@RequestMapping("/api")
class RenderApi {
  private static final int MOST_LISTED = 50;

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final RenderTroubles troubles;
  private final Steering steering;
  private final Progress progress;
  private final NewRenders fresh;
  private final Rights rights;

  RenderApi(
      RenderJobs jobs,
      RenderFrames frames,
      RenderTroubles troubles,
      Steering steering,
      Progress progress,
      NewRenders fresh,
      Rights rights) {
    this.fresh = fresh;
    this.rights = rights;
    this.jobs = jobs;
    this.frames = frames;
    this.troubles = troubles;
    this.steering = steering;
    this.progress = progress;
  }

  @PostMapping("/sequences/{id}/renders")
  @May.LookAtSequence
  RenderShown ask(@PathVariable UUID id, @RequestBody RenderAsked asked, Principal who) {
    UUID job = UUID.randomUUID();
    fresh.ask(id, job, asked, who.getName(), rights.roleIn(id));
    return moved(id, job);
  }

  /** What its files would be called; nothing is begun. */
  @PostMapping("/sequences/{id}/renders/names")
  @May.LookAtSequence
  NewRenders.Coming names(@PathVariable UUID id, @RequestBody RenderAsked asked, Principal who) {
    return fresh.names(id, asked, who.getName());
  }

  @GetMapping("/sequences/{id}/renders")
  @May.LookAtSequence
  List<RenderShown> list(@PathVariable UUID id) {
    return progress.all(id, Limit.of(MOST_LISTED));
  }

  @GetMapping("/renders/{id}")
  @May.LookAtRender
  RenderShown one(@PathVariable UUID id) {
    return seen(id);
  }

  private RenderShown seen(UUID id) {
    RenderShown found = progress.of(id);
    if (found == null) throw Problem.missing("render");
    return found;
  }

  private RenderJobs.Listed listed(UUID id) {
    RenderJobs.Listed found = jobs.listed(id);
    if (found == null) throw Problem.missing("render");
    return found;
  }

  @PostMapping("/renders/{id}/stop")
  @May.LookAtRender
  RenderShown stop(@PathVariable UUID id, Principal who) {
    RenderJobs.Listed job = own(id, who);
    steering.stop(id, job.kind() == RenderJob.Kind.PREVIEW);
    return moved(job.sequenceId(), id);
  }

  /** Lets no more frames be begun; those that are being made are finished. */
  @PostMapping("/renders/{id}/pause")
  @May.LookAtRender
  RenderShown pause(@PathVariable UUID id, Principal who) {
    RenderJobs.Listed job = own(id, who);
    steering.pause(id);
    return moved(job.sequenceId(), id);
  }

  /** Lets a job that is paused, was stopped or failed go on after the frames it has. */
  @PostMapping("/renders/{id}/resume")
  @May.LookAtRender
  RenderShown resume(@PathVariable UUID id, Principal who) throws IOException {
    RenderJobs.Listed job = own(id, who);
    steering.resume(id);
    return moved(job.sequenceId(), id);
  }

  record Hurried(Urgency urgency) {}

  /** Gives a job another turn. */
  @PostMapping("/renders/{id}/urgency")
  @May.LookAtRender
  RenderShown hurry(@PathVariable UUID id, @RequestBody Hurried asked, Principal who) {
    RenderJobs.Listed job = own(id, who);
    if (asked.urgency() == null) throw NewRenders.bad("Say when it has its turn.");
    steering.hurry(
        id, NewRenders.allowed(asked.urgency(), rights.roleIn(job.sequenceId()).may(Role.ARTIST)));
    return moved(job.sequenceId(), id);
  }

  /**
   * A frame of a job.
   *
   * @param seconds that it took; null where it failed
   * @param worker who made it; null for those of earlier builds
   * @param trouble why it could not be made; null where it is there
   */
  record FrameShown(int number, Double seconds, String worker, String trouble) {}

  /** Frames that are there or failed, in the order of the film. */
  @GetMapping("/renders/{id}/frames")
  @May.LookAtRender
  List<FrameShown> frames(@PathVariable UUID id) {
    listed(id);
    List<FrameShown> all = new ArrayList<>();
    for (RenderFrame f : frames.findByJobIdOrderByNumber(id))
      all.add(new FrameShown(f.number, f.seconds, f.worker, null));
    for (RenderTrouble t : troubles.findByJobIdOrderByNumber(id))
      all.add(new FrameShown(t.number, null, null, t.says));
    all.sort(Comparator.comparingInt(FrameShown::number));
    return all;
  }

  /** Makes a frame again that is there or failed. */
  @PostMapping("/renders/{id}/frames/{number}/again")
  @May.LookAtRender
  RenderShown again(@PathVariable UUID id, @PathVariable int number, Principal who) {
    RenderJobs.Listed job = own(id, who);
    steering.again(id, number);
    return moved(job.sequenceId(), id);
  }

  /** Tells who looks at the sequence; gives the job as it is now. */
  private RenderShown moved(UUID sequence, UUID job) {
    progress.tell(sequence, job);
    return seen(job);
  }

  /** Who may not edit may change what they asked for themselves, and nothing else. */
  private RenderJobs.Listed own(UUID id, Principal who) {
    RenderJobs.Listed job = listed(id);
    if (!rights.roleIn(job.sequenceId()).may(Role.ARTIST) && !job.askedBy().equals(who.getName()))
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "rights",
          job.askedBy() + " asked for this render. Only they or an artist may change it.");
    return job;
  }

  /** What can be kept beside a render's pictures. */
  @GetMapping("/renders/passes")
  @May.HaveAnAccount
  List<Kept.Shown> passes() {
    return Kept.all();
  }
}
