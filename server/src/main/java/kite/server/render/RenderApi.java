package kite.server.render;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.Principal;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
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

  /** Bytes that a picture may take while it is rendered. */
  private static final long MEMORY = Runtime.getRuntime().maxMemory() / 2;

  private final SequenceStore sequences;
  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final RenderRunner runner;
  private final JobScheduler scheduler;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final NewJobs store;
  private final Previews previews;
  private final Film film;
  private final NewJobs.Most most;
  private final Rights rights;

  RenderApi(
      SequenceStore sequences,
      RenderJobs jobs,
      RenderFrames frames,
      RenderRunner runner,
      JobScheduler scheduler,
      ApplicationEventPublisher events,
      Clock clock,
      NewJobs store,
      NewJobs.Most most,
      Previews previews,
      Film film,
      Rights rights) {
    this.film = film;
    this.previews = previews;
    this.store = store;
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

  private RenderJob job(UUID id) {
    return jobs.findById(id).orElseThrow(() -> Problem.missing("render"));
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

  @GetMapping("/renders/{id}/frames/{number}.png")
  @May.LookAtRender
  ResponseEntity<Resource> frame(@PathVariable UUID id, @PathVariable int number) {
    RenderFrame f =
        frames
            .findById(new RenderFrame.Key(id, number))
            .filter(x -> x.file.endsWith(".png"))
            .orElseThrow(() -> Problem.missing("frame"));
    return file(runner.folder(id).resolve(f.file), MediaType.IMAGE_PNG);
  }

  /** What can be kept beside a render's pictures. */
  @GetMapping("/renders/passes")
  @May.HaveAnAccount
  List<Kept.Shown> passes() {
    return Kept.all();
  }

  /** A frame as it is handed on, in the form that was asked for. */
  @GetMapping("/renders/{id}/files/{number}")
  @May.LookAtRender
  ResponseEntity<Resource> delivered(@PathVariable UUID id, @PathVariable int number) {
    Kept.Form form = Kept.read(job(id).kept).form();
    if (!frames.existsById(new RenderFrame.Key(id, number))) throw Problem.missing("frame");
    String name = FrameFiles.delivered(number, form);
    return ResponseEntity.status(HttpStatus.OK)
        .header(HttpHeaders.CONTENT_DISPOSITION, attached(name))
        .contentType(form.isExr() ? EXR : MediaType.IMAGE_PNG)
        .body(new FileSystemResource(there(runner.folder(id).resolve(name))));
  }

  private static final MediaType EXR = MediaType.parseMediaType("image/x-exr");

  /** Every finished picture that is looked at, in one archive, in the order of the film. */
  @GetMapping("/renders/{id}/frames.zip")
  @May.LookAtRender
  ResponseEntity<StreamingResponseBody> archive(@PathVariable UUID id) {
    return archive(job(id), Kept.Form.PNG);
  }

  /** The same of the files that are handed on. */
  @GetMapping("/renders/{id}/files.zip")
  @May.LookAtRender
  ResponseEntity<StreamingResponseBody> deliveredArchive(@PathVariable UUID id) {
    RenderJob j = job(id);
    return archive(j, Kept.read(j.kept).form());
  }

  private ResponseEntity<StreamingResponseBody> archive(RenderJob j, Kept.Form form) {
    List<RenderFrame> finished =
        frames.findByJobIdOrderByNumber(j.id).stream()
            .filter(f -> f.file.endsWith(".png"))
            .toList();
    if (finished.isEmpty()) throw Problem.missing("picture");
    StreamingResponseBody body =
        out -> {
          try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (RenderFrame f : finished) {
              String name = FrameFiles.delivered(f.number, form);
              zip.putNextEntry(new ZipEntry(name));
              Files.copy(runner.folder(j.id).resolve(name), zip);
              zip.closeEntry();
            }
          }
        };
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            attached(j.label.replaceAll("[^A-Za-z0-9_-]+", "-") + "-v" + j.numbered + ".zip"))
        .contentType(MediaType.parseMediaType("application/zip"))
        .body(body);
  }

  private static String attached(String name) {
    return ContentDisposition.attachment().filename(name).build().toString();
  }

  /** The film; ranges are served, so that it can be scrubbed. */
  @GetMapping("/renders/{id}/film.mp4")
  @May.LookAtRender
  ResponseEntity<Resource> film(@PathVariable UUID id) {
    if (job(id).state != RenderJob.State.DONE) throw Problem.missing("film");
    return file(runner.folder(id).resolve(Film.NAME), MediaType.parseMediaType("video/mp4"));
  }

  /** The film as a moving picture (WebP), up to 640 pixels wide. */
  @GetMapping("/renders/{id}/film.webp")
  @May.LookAtRender
  ResponseEntity<Resource> moving(@PathVariable UUID id) throws InterruptedException {
    if (job(id).state != RenderJob.State.DONE) throw Problem.missing("film");
    there(runner.folder(id).resolve(Film.NAME));
    try {
      return file(film.moving(runner.folder(id)), MediaType.parseMediaType("image/webp"));
    } catch (IOException e) {
      throw new Problem(
          HttpStatus.INTERNAL_SERVER_ERROR,
          "film",
          "The moving picture could not be made: " + e.getMessage() + ".");
    }
  }

  private static ResponseEntity<Resource> file(Path path, MediaType type) {
    return ResponseEntity.ok().contentType(type).body(new FileSystemResource(there(path)));
  }

  private static Path there(Path path) {
    if (!Files.isRegularFile(path))
      throw Problem.missing("file any more: it was removed from the output folder");
    return path;
  }
}
