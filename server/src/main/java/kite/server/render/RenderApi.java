package kite.server.render;

import java.io.IOException;
import java.security.Principal;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import kite.core.document.FileNames;
import kite.core.document.Sequence;
import kite.core.form.Words;
import kite.server.Problem;
import kite.server.rights.May;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import kite.server.sequence.SequenceStore;
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

  private final SequenceStore sequences;
  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final RenderTroubles troubles;
  private final Queue queue;
  private final Steering steering;
  private final Progress progress;
  private final Clock clock;
  private final NewJobs store;
  private final NewJobs.Most most;
  private final Rights rights;

  RenderApi(
      SequenceStore sequences,
      RenderJobs jobs,
      RenderFrames frames,
      RenderTroubles troubles,
      Queue queue,
      Steering steering,
      Progress progress,
      Clock clock,
      NewJobs store,
      NewJobs.Most most,
      Rights rights) {
    this.store = store;
    this.most = most;
    this.rights = rights;
    this.sequences = sequences;
    this.jobs = jobs;
    this.frames = frames;
    this.troubles = troubles;
    this.queue = queue;
    this.steering = steering;
    this.progress = progress;
    this.clock = clock;
  }

  /**
   * @param what {@code cut}, {@code range}, {@code shots}, {@code shot} or {@code frame}
   * @param span id of the shot
   * @param spans ids of several shots
   * @param range first and last frame of the programme
   * @param camera id of the camera, for a frame
   * @param percent of the delivery size, 5–100
   * @param samples lens rays per pixel
   * @param handles whether a shot is rendered with the production's handles; not when left out
   * @param motionBlur whether what moves while the shutter is open is blurred; not when left out
   * @param blur whether cameras that have it blur what is out of focus, {@code plates} whether they
   *     are in the picture, and {@code haze}; each is so when left out
   * @param early whether the first, last and middle frames are made first; not when left out
   * @param every of so many frames one is made, 0 for the first, middle and last of each shot; all
   *     when left out
   * @param urgency when it has its turn; in turn with others when left out
   * @param names how its files are called; the production's usual way when left out
   * @param burnIn what is written into its pictures; nothing when left out
   * @param kept what is kept beside the pictures, and in what form; pictures of 8 bits alone when
   *     left out
   */
  record RenderAsked(
      String what,
      String span,
      List<String> spans,
      List<Integer> range,
      String camera,
      double frame,
      int percent,
      int samples,
      Boolean handles,
      Boolean motionBlur,
      Boolean blur,
      Boolean plates,
      Boolean haze,
      Boolean early,
      Integer every,
      Urgency urgency,
      NamesAsked names,
      BurnIn burnIn,
      Kept kept) {
    ShotsAsked.Asked shots() {
      return new ShotsAsked.Asked(
          what,
          span == null ? spans : List.of(span),
          range,
          camera,
          frame,
          Boolean.TRUE.equals(handles));
    }

    Look look() {
      return new Look(
          !Boolean.FALSE.equals(blur),
          Boolean.TRUE.equals(motionBlur),
          !Boolean.FALSE.equals(plates),
          !Boolean.FALSE.equals(haze),
          false,
          false);
    }
  }

  /**
   * @param counts scene, shot or programme
   */
  record NamesAsked(String name, String pattern, String counts) {
    FileNames read() {
      if (pattern == null || counts == null) throw bad("Say how files are called and counted.");
      return new FileNames(
          name == null ? "" : name, pattern, Words.find(counts, FileNames.Counts.values()));
    }
  }

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
        ShotsAsked.of(s, asked.shots()).thinned(asked.every() == null ? 1 : asked.every());
    RenderJob job = shots.job(id, s, name, clock.instant());
    job.kind = RenderJob.Kind.RENDER;
    job.look = asked.look().write();
    job.motionBlur = Boolean.TRUE.equals(asked.motionBlur());
    job.width = Math.max(16, s.header().cameraPackage().deliveryWidth() * asked.percent() / 100);
    job.height = Math.max(16, s.header().cameraPackage().deliveryHeight() * asked.percent() / 100);
    if (asked.kept() != null) {
      asked.kept().check(s);
      job.kept = asked.kept().write();
    }
    FileNames by =
        asked.names() == null
            ? s.header().standards().naming().files().get(0)
            : asked.names().read();
    FrameNames names = new FrameNames(by, sequences.nameOfProduction(rights.productionOf(id)));
    names.check(job, s);
    job.names = names.write();
    if (asked.burnIn() != null && !asked.burnIn().saysNothing())
      job.burnIn = asked.burnIn().write();
    roomFor(job);
    job.samples = asked.samples();
    job.early = Boolean.TRUE.equals(asked.early());
    if (asked.urgency() != null) job.urgency = allowed(asked.urgency(), artist);
    store.add(job, j -> queue.addFrames(job, Order.of(shots.shots(), job.early)));
    return moved(id, job.id);
  }

  /** Refuses pictures that would take more than half of the memory: the worker would end. */
  private static void roomFor(RenderJob job) {
    if (!PictureRoom.holds(job))
      throw bad(
          job.width
              + " × "
              + job.height
              + " pixels are more than is rendered here"
              + (job.kept == null ? "" : " with these passes")
              + ", which is "
              + PictureRoom.mostPixels(job) / 1_000_000
              + " million. Choose a smaller size.");
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }

  private static Urgency allowed(Urgency asked, boolean artist) {
    if (asked == Urgency.URGENT && !artist)
      throw new Problem(
          HttpStatus.FORBIDDEN, "rights", "Only an artist may have a render made before others.");
    return asked;
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
    if (asked.urgency() == null) throw bad("Say when it has its turn.");
    steering.hurry(id, allowed(asked.urgency(), rights.roleIn(job.sequenceId()).may(Role.ARTIST)));
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
