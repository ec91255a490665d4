package kite.server.render;

import java.nio.file.Files;
import java.nio.file.Path;
import java.security.Principal;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import kite.core.cut.Cut;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.render.FrameRenderer;
import kite.server.Problem;
import kite.server.live.Moved;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import kite.server.sequence.SequenceStore;
import org.jobrunr.scheduling.JobScheduler;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.data.domain.Limit;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Asking for renders, watching, stopping and fetching them. */
@RestController
@RequestMapping("/api")
class RenderApi {
  private static final int MOST_SAMPLES = 1024;
  private static final int MOST_LISTED = 50;

  /** Pixels of a picture that take half of the memory: a larger one would end the worker. */
  private static final long MOST_PIXELS =
      Runtime.getRuntime().maxMemory() / 2 / FrameRenderer.BYTES_A_PIXEL;

  private final SequenceStore sequences;
  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final RenderRunner runner;
  private final JobScheduler scheduler;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final Most most;
  private final Rights rights;

  /** What one person may have under way, so that there are turns for everybody. */
  @ConfigurationProperties("kite.render")
  record Most(
      @DefaultValue("40") int jobs,
      @DefaultValue("3") int jobsOfReviewers,
      @DefaultValue("64") int samplesOfReviewers) {}

  RenderApi(
      SequenceStore sequences,
      RenderJobs jobs,
      RenderFrames frames,
      RenderRunner runner,
      JobScheduler scheduler,
      ApplicationEventPublisher events,
      Clock clock,
      Most most,
      Rights rights) {
    this.most = most;
    this.rights = rights;
    this.sequences = sequences;
    this.jobs = jobs;
    this.frames = frames;
    this.runner = runner;
    this.scheduler = scheduler;
    this.events = events;
    this.clock = clock;
  }

  /**
   * @param what {@code cut}, {@code shot} or {@code frame}
   * @param span id of the cut entry, for a shot
   * @param camera id of the camera, for a frame
   * @param percent of the delivery size, 5–100
   * @param samples lens rays per pixel
   * @param handles whether a shot is rendered with the production's handles; not when left out
   * @param motionBlur whether what moves while the shutter is open is blurred; not when left out
   */
  record RenderAsked(
      String what,
      String span,
      String camera,
      int frame,
      int percent,
      int samples,
      Boolean handles,
      Boolean motionBlur) {}

  /**
   * A job as the page shows it.
   *
   * @param secondsAFrame that its frames took on the average; null before the first
   * @param secondsLeft what the frames to come will take by that, as long as it is worked at
   */
  record RenderShown(
      UUID id,
      String label,
      String state,
      String message,
      int done,
      int total,
      int width,
      int height,
      int samples,
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
    int waiting = jobs.unfinished(name), bound = artist ? most.jobs() : most.jobsOfReviewers();
    if (waiting >= bound)
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "limit",
          waiting + " of your renders are not finished yet. Wait for one, or stop one.");
    RenderJob job = new RenderJob();
    List<Shot> shots = shots(s, asked, job);
    job.id = UUID.randomUUID();
    job.sequenceId = id;
    job.motionBlur = Boolean.TRUE.equals(asked.motionBlur());
    job.askedBy = name;
    job.askedAt = clock.instant();
    job.document = SequenceJson.write(s);
    job.shots = Shot.write(shots);
    job.width = Math.max(16, s.header().cameraPackage().deliveryWidth() * asked.percent() / 100);
    job.height = Math.max(16, s.header().cameraPackage().deliveryHeight() * asked.percent() / 100);
    if ((long) job.width * job.height > MOST_PIXELS)
      throw bad(
          job.width
              + " × "
              + job.height
              + " pixels are more than is rendered here, which is "
              + MOST_PIXELS / 1_000_000
              + " million. Choose a smaller size.");
    job.samples = asked.samples();
    job.framesTotal = shots.stream().mapToInt(Shot::frames).sum();
    job.state = RenderJob.State.WAITING;
    job.message = "";
    jobs.save(job);
    UUID jobId = job.id;
    scheduler.<RenderRunner>enqueue(jobId, r -> r.run(jobId));
    return moved(id, jobId);
  }

  private static List<Shot> shots(Sequence s, RenderAsked asked, RenderJob job) {
    List<Cut.Span> spans = Cut.spans(s);
    switch (asked.what() == null ? "" : asked.what()) {
      case "cut" -> {
        if (spans.isEmpty()) throw bad("There is no cut yet. Put a camera in the cut lane first.");
        job.label = "Cut of " + s.header().code();
        return spans.stream().map(c -> new Shot(c.camera(), c.first(), c.last())).toList();
      }
      case "shot" -> {
        Cut.Span span =
            spans.stream()
                .filter(c -> c.id().equals(asked.span()))
                .findFirst()
                .orElseThrow(() -> Problem.missing("shot"));
        int handles = s.header().standards().beginning().handleFrames();
        boolean longer = Boolean.TRUE.equals(asked.handles()) && handles > 0;
        if (longer) span = span.withHandles(handles);
        job.label = span.shot() + (longer ? " with handles of " + handles : "");
        return List.of(new Shot(span.camera(), span.first(), span.last()));
      }
      case "frame" -> {
        if (!(s.get(asked.camera()) instanceof Camera c)) throw Problem.missing("camera");
        if (asked.frame() < s.header().firstFrame() || asked.frame() > s.header().lastFrame())
          throw bad("Frame " + asked.frame() + " is not in the sequence.");
        job.label = "Camera " + c.letter() + ", frame " + asked.frame();
        return List.of(new Shot(c.id(), asked.frame(), asked.frame()));
      }
      default -> throw bad("Say whether to render the cut, a shot or a frame.");
    }
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }

  private static RenderShown shown(RenderJobs.Listed j) {
    boolean film = j.state() == RenderJob.State.DONE && j.framesTotal() > 1;
    return new RenderShown(
        j.id(),
        j.label(),
        j.state().name(),
        j.message(),
        (int) j.done(),
        j.framesTotal(),
        j.width(),
        j.height(),
        j.samples(),
        j.askedBy(),
        j.askedAt().toString(),
        film,
        j.secondsAFrame(),
        j.secondsAFrame() != null && j.state() == RenderJob.State.WORKING
            ? j.secondsAFrame() * (j.framesTotal() - j.done())
            : null);
  }

  private RenderJob job(UUID id) {
    return jobs.findById(id).orElseThrow(() -> Problem.missing("render"));
  }

  @GetMapping("/sequences/{id}/renders")
  @May.LookAtSequence
  List<RenderShown> list(@PathVariable UUID id) {
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
    scheduler.<RenderRunner>enqueue(r -> r.run(id));
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

  @GetMapping("/renders/{id}/frames/{number}.png")
  @May.LookAtRender
  ResponseEntity<Resource> frame(@PathVariable UUID id, @PathVariable int number) {
    RenderFrame f =
        frames
            .findById(new RenderFrame.Key(id, number))
            .orElseThrow(() -> Problem.missing("frame"));
    return file(runner.folder(id).resolve(f.file), MediaType.IMAGE_PNG);
  }

  /** Every finished picture in one archive, in the order of the film. */
  @GetMapping("/renders/{id}/frames.zip")
  @May.LookAtRender
  ResponseEntity<StreamingResponseBody> archive(@PathVariable UUID id) {
    RenderJob j = job(id);
    List<RenderFrame> finished = frames.findByJobIdOrderByNumber(id);
    StreamingResponseBody body =
        out -> {
          try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (RenderFrame f : finished) {
              zip.putNextEntry(new ZipEntry(f.file));
              Files.copy(runner.folder(id).resolve(f.file), zip);
              zip.closeEntry();
            }
          }
        };
    String name = j.label.replaceAll("[^A-Za-z0-9_-]+", "-") + ".zip";
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .contentType(MediaType.parseMediaType("application/zip"))
        .body(body);
  }

  /** The film; ranges are served, so that it can be scrubbed. */
  @GetMapping("/renders/{id}/film.mp4")
  @May.LookAtRender
  ResponseEntity<Resource> film(@PathVariable UUID id) {
    if (job(id).state != RenderJob.State.DONE) throw Problem.missing("film");
    return file(runner.folder(id).resolve(Film.NAME), MediaType.parseMediaType("video/mp4"));
  }

  private static ResponseEntity<Resource> file(Path path, MediaType type) {
    if (!Files.isRegularFile(path))
      throw Problem.missing("file any more: it was removed from the output folder");
    return ResponseEntity.ok().contentType(type).body(new FileSystemResource(path));
  }
}
