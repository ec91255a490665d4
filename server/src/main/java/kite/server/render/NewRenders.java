package kite.server.render;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import kite.core.document.FileNames;
import kite.core.document.Sequence;
import kite.server.Problem;
import kite.server.rights.Rights;
import kite.server.rights.Role;
import kite.server.sequence.SequenceStore;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/** Takes in what people ask to be rendered, within what they may. */
@Service
public class NewRenders {
  private static final int MOST_SAMPLES = 1024;

  private final SequenceStore sequences;
  private final NewJobs store;
  private final NewJobs.Most most;
  private final Queue queue;
  private final Progress progress;
  private final Rights rights;
  private final Clock clock;

  NewRenders(
      SequenceStore sequences,
      NewJobs store,
      NewJobs.Most most,
      Queue queue,
      Progress progress,
      Rights rights,
      Clock clock) {
    this.sequences = sequences;
    this.store = store;
    this.most = most;
    this.queue = queue;
    this.progress = progress;
    this.rights = rights;
    this.clock = clock;
  }

  /**
   * Asks for a picture of what a camera sees. It is made once, however often it is asked for.
   *
   * @param job the render's id
   * @param frame of the scene
   * @param percent of the delivery size, 5–100
   * @param samples lens rays per pixel
   * @return the render's id
   */
  public UUID picture(
      UUID sequence,
      UUID job,
      String camera,
      double frame,
      int percent,
      int samples,
      String who,
      Role role) {
    if (!store.has(job))
      ask(sequence, job, RenderAsked.picture(camera, frame, percent, samples), who, role);
    progress.tell(sequence, job);
    return job;
  }

  /** Asks for a render under an id that no other has. */
  void ask(UUID id, UUID newJob, RenderAsked asked, String who, Role role) {
    Sequence s = sequences.get(id).sequence();
    if (asked.percent() < 5 || asked.percent() > 100)
      throw bad("The size is 5 to 100 % of the delivery size.");
    if (asked.samples() < 1 || asked.samples() > MOST_SAMPLES)
      throw bad("The quality is 1 to " + MOST_SAMPLES + " lens rays per pixel.");
    boolean artist = role.may(Role.ARTIST);
    if (!artist && asked.samples() > most.samplesOfReviewers())
      throw bad(
          "A reviewer renders with up to "
              + most.samplesOfReviewers()
              + " lens rays per pixel. Ask an artist for a finer one.");
    store.notTooMany(who, artist);
    ShotsAsked shots = shots(s, asked);
    RenderJob job = job(newJob, id, s, shots, asked, who);
    job.look = asked.look().write();
    job.motionBlur = Boolean.TRUE.equals(asked.motionBlur());
    job.width = Math.max(16, s.header().cameraPackage().deliveryWidth() * asked.percent() / 100);
    job.height = Math.max(16, s.header().cameraPackage().deliveryHeight() * asked.percent() / 100);
    if (asked.burnIn() != null && !asked.burnIn().saysNothing())
      job.burnIn = asked.burnIn().write();
    roomFor(job);
    job.samples = asked.samples();
    job.early = Boolean.TRUE.equals(asked.early());
    if (asked.urgency() != null) job.urgency = allowed(asked.urgency(), artist);
    store.add(job, j -> queue.addFrames(job, Order.of(shots.shots(), job.early)));
  }

  /**
   * What the files of a render would be called, if it were asked for now.
   *
   * @param first the files of its first frame, with their folders and endings
   * @param frames how many frames there are
   */
  record Coming(List<String> first, int frames) {}

  Coming names(UUID id, RenderAsked asked, String who) {
    Sequence s = sequences.get(id).sequence();
    RenderJob job = job(UUID.randomUUID(), id, s, shots(s, asked), asked, who);
    job.numbered = store.next(job);
    return new Coming(FrameNames.read(job.names).first(job, s), job.framesTotal);
  }

  private static ShotsAsked shots(Sequence s, RenderAsked asked) {
    return ShotsAsked.of(s, asked.shots()).thinned(asked.every() == null ? 1 : asked.every());
  }

  /** A render with what is kept of it, and under which names: refused where that cannot be. */
  private RenderJob job(
      UUID newJob, UUID id, Sequence s, ShotsAsked shots, RenderAsked asked, String who) {
    RenderJob job = shots.job(newJob, id, s, who, clock.instant());
    job.kind = RenderJob.Kind.RENDER;
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
    return job;
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

  static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }

  static Urgency allowed(Urgency asked, boolean artist) {
    if (asked == Urgency.URGENT && !artist)
      throw new Problem(
          HttpStatus.FORBIDDEN, "rights", "Only an artist may have a render made before others.");
    return asked;
  }
}
