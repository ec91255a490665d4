package kite.server.render;

import java.security.Principal;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import kite.core.document.Sequence;
import kite.render.FrameRenderer;
import kite.server.Problem;
import kite.server.live.Moved;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import kite.server.sequence.SequenceStore;
import org.jobrunr.scheduling.JobScheduler;
import org.springframework.context.ApplicationEventPublisher;
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
  private static final int MOST_SAMPLES = 1024;
  private static final int MOST_LISTED = 50;

  /** Bytes that a picture may take while it is rendered. */
  private static final long MEMORY = Runtime.getRuntime().maxMemory() / 2;

  private final SequenceStore sequences;
  private final RenderJobs jobs;
  private final JobScheduler scheduler;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final NewJobs store;
  private final Previews previews;
  private final NewJobs.Most most;
  private final Rights rights;

  RenderApi(
      SequenceStore sequences,
      RenderJobs jobs,
      JobScheduler scheduler,
      ApplicationEventPublisher events,
      Clock clock,
      NewJobs store,
      NewJobs.Most most,
      Previews previews,
      Rights rights) {
    this.previews = previews;
    this.store = store;
    this.most = most;
    this.rights = rights;
    this.sequences = sequences;
    this.jobs = jobs;
    this.scheduler = scheduler;
    this.events = events;
    this.clock = clock;
  }

  /**
   * @param what {@code cut}, {@code shots}, {@code shot} or {@code frame}
   * @param span id of the cut entry, for a shot
   * @param spans ids of cut entries, for several shots
   * @param camera id of the camera, for a frame
   * @param percent of the delivery size, 5–100
   * @param samples lens rays per pixel
   * @param handles whether a shot is rendered with the production's handles; not when left out
   * @param motionBlur whether what moves while the shutter is open is blurred; not when left out
   * @param kept what is kept beside the pictures, and in what form; pictures of 8 bits alone when
   *     left out
   */
  record RenderAsked(
      String what,
      String span,
      List<String> spans,
      String camera,
      int frame,
      int percent,
      int samples,
      Boolean handles,
      Boolean motionBlur,
      Kept kept) {}

  /**
   * A job as the page shows it.
   *
   * @param numbered the how-manieth of its kind and name, from 1
   * @param form of the files that a frame is handed on in ({@link Kept.Form})
   * @param preview whether it is a film of the lens view
   * @param byServer whether a preview is drawn by a page of the server's own
   * @param secondsAFrame that its frames took on the average; null before the first
   * @param secondsLeft what the frames to come will take by that, as long as it is worked at
   */
  record RenderShown(
      UUID id,
      String label,
      int numbered,
      boolean preview,
      boolean byServer,
      String state,
      String message,
      int done,
      int total,
      int width,
      int height,
      int samples,
      String form,
      String askedBy,
      String askedAt,
      boolean film,
      Double secondsAFrame,
      Double secondsLeft) {}

  @PostMapping("/sequences/{id}/renders")
  @May.LookAtSequence
  RenderShown ask(@PathVariable UUID id, @RequestBody RenderAsked asked, Principal who) {
    Sequence s = sequences.get(id).sequence();
    if (asked.percent() < 5 || asked.percent() > 100)
      throw bad("The size is 5 to 100 % of the delivery size.");
    if (asked.samples() < 1 || asked.samples() > MOST_SAMPLES)
      throw bad("The quality is 1 to " + MOST_SAMPLES + " lens rays per pixel.");
    String name = who.getName();
    boolean artist = rights.roleIn(id).may(Role.ARTIST);
    if (!artist && asked.samples() > most.samplesOfReviewers())
      throw bad(
          "A reviewer renders with up to "
              + most.samplesOfReviewers()
              + " lens rays per pixel. Ask an artist for a finer one.");
    store.notTooMany(name, artist);
    ShotsAsked shots =
        ShotsAsked.of(
            s,
            asked.what(),
            asked.span() == null ? asked.spans() : List.of(asked.span()),
            asked.camera(),
            asked.frame(),
            Boolean.TRUE.equals(asked.handles()));
    RenderJob job = shots.job(id, s, name, clock.instant());
    job.kind = RenderJob.Kind.RENDER;
    job.motionBlur = Boolean.TRUE.equals(asked.motionBlur());
    job.width = Math.max(16, s.header().cameraPackage().deliveryWidth() * asked.percent() / 100);
    job.height = Math.max(16, s.header().cameraPackage().deliveryHeight() * asked.percent() / 100);
    if (asked.kept() != null) {
      asked.kept().check(s);
      job.kept = asked.kept().write();
    }
    roomFor(job);
    job.samples = asked.samples();
    store.add(job);
    UUID jobId = job.id;
    scheduler.<RenderRunner>enqueue(jobId, r -> r.run(jobId));
    return moved(id, jobId);
  }

  /** Refuses pictures that would take more than half of the memory: the worker would end. */
  private static void roomFor(RenderJob job) {
    long most = MEMORY / (FrameRenderer.BYTES_A_PIXEL + Kept.read(job.kept).bytesAPixel());
    if ((long) job.width * job.height > most)
      throw bad(
          job.width
              + " × "
              + job.height
              + " pixels are more than is rendered here"
              + (job.kept == null ? "" : " with these passes")
              + ", which is "
              + most / 1_000_000
              + " million. Choose a smaller size.");
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }

  private static RenderShown shown(RenderJobs.Listed j) {
    boolean film = j.state() == RenderJob.State.DONE && j.framesTotal() > 1;
    return new RenderShown(
        j.id(),
        j.label(),
        j.numbered(),
        j.kind() == RenderJob.Kind.PREVIEW,
        j.byServer(),
        j.state().name(),
        j.message(),
        (int) j.done(),
        j.framesTotal(),
        j.width(),
        j.height(),
        j.samples(),
        Kept.read(j.kept()).form().name(),
        j.askedBy(),
        j.askedAt().toString(),
        film,
        j.secondsAFrame(),
        j.secondsAFrame() != null && j.state() == RenderJob.State.WORKING
            ? j.secondsAFrame() * (j.framesTotal() - j.done())
            : null);
  }

  @GetMapping("/sequences/{id}/renders")
  @May.LookAtSequence
  List<RenderShown> list(@PathVariable UUID id) {
    jobs.endSilentPreviews(id, Previews.GONE, clock.instant().minus(Previews.SILENT));
    jobs.endUnbegun(id, Previews.UNBEGUN, clock.instant().minus(Previews.UNBEGUN_FOR));
    return jobs.list(id, Limit.of(MOST_LISTED)).stream().map(RenderApi::shown).toList();
  }

  @GetMapping("/renders/{id}")
  @May.LookAtRender
  RenderShown one(@PathVariable UUID id) {
    return shown(listed(id));
  }

  private RenderJobs.Listed listed(UUID id) {
    RenderJobs.Listed found = jobs.listed(id);
    if (found == null) throw Problem.missing("render");
    return found;
  }

  @PostMapping("/renders/{id}/stop")
  @May.LookAtRender
  RenderShown stop(@PathVariable UUID id, Principal who) {
    RenderJobs.Listed job = listed(id);
    own(job, who);
    jobs.askStop(id);
    jobs.endUnheld(
        id,
        "Stopped. The frames that were finished are kept.",
        clock.instant().minus(RenderRunner.SILENT));
    return moved(job.sequenceId(), id);
  }

  /** Lets a job that was stopped or failed go on after the frames it has. */
  @PostMapping("/renders/{id}/resume")
  @May.LookAtRender
  RenderShown resume(@PathVariable UUID id, Principal who) {
    RenderJobs.Listed job = listed(id);
    own(job, who);
    if (jobs.resume(id) == 0)
      throw new Problem(
          HttpStatus.CONFLICT, "state", "Only what was stopped or has failed can be resumed.");
    if (job.kind() == RenderJob.Kind.RENDER) scheduler.<RenderRunner>enqueue(r -> r.run(id));
    else previews.goOn(id, job.byServer());
    return moved(job.sequenceId(), id);
  }

  /** Tells who looks at the sequence; gives the job as it is now. */
  private RenderShown moved(UUID sequence, UUID job) {
    events.publishEvent(new Moved(sequence, Moved.What.RENDERS));
    return shown(listed(job));
  }

  /** Who may not edit may stop and resume what they asked for themselves, and nothing else. */
  private void own(RenderJobs.Listed job, Principal who) {
    if (!rights.roleIn(job.sequenceId()).may(Role.ARTIST) && !job.askedBy().equals(who.getName()))
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "rights",
          job.askedBy() + " asked for this render. Only they or an artist may stop or resume it.");
  }

  /** What can be kept beside a render's pictures. */
  @GetMapping("/renders/passes")
  @May.HaveAnAccount
  List<Kept.Shown> passes() {
    return Kept.all();
  }
}
