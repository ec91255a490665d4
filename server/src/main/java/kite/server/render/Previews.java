package kite.server.render;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.server.CoreJson;
import kite.server.Problem;
import kite.server.output.OutputStore;
import kite.server.output.OutputTrouble;
import kite.server.output.Scratch;
import kite.server.sequence.SequenceStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Service;

/**
 * Films of the lens view. A page draws the frames and brings them in stretches; a stretch counts
 * once its file is whole and its rows are stored. A page that goes leaves what it brought, and
 * another goes on after it.
 */
@Service
class Previews {
  private static final Logger LOG = LoggerFactory.getLogger(Previews.class);

  /** A page that brings nothing for so long is taken for gone. */
  static final Duration SILENT = Duration.ofSeconds(60);

  static final String GONE = "The page that drew it is gone. Resume, and this page draws the rest.";

  /** A page may have others to draw first. */
  static final Duration UNBEGUN_FOR = Duration.ofHours(1);

  static final String UNBEGUN = "No page came to draw it. Resume, and this page does.";

  private static final int LEAST_PERCENT = 5;

  /** Frames of a stretch, and its bytes, at the most. */
  private static final int MOST_FRAMES = 250, MOST_BYTES = 64 << 20;

  /** Sizes that every H.264 decoder takes: whole pairs of pixels, up to level 5.2. */
  private static final int LEAST_PX = 16, MOST_PX = 4096;

  private static final int MOST_SAID = 300;

  /** Frames that a page brings. */
  record Stretch(int first, int frames, double seconds, MediaType type) {}

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final NewJobs store;
  private final SequenceStore sequences;
  private final OutputStore output;
  private final PreviewBrowser browser;
  private final Queue queue;
  private final Film film;
  private final Ended ended;
  private final Progress progress;
  private final Clock clock;

  Previews(
      RenderJobs jobs,
      RenderFrames frames,
      NewJobs store,
      SequenceStore sequences,
      OutputStore output,
      PreviewBrowser browser,
      Queue queue,
      Film film,
      Ended ended,
      Progress progress,
      Clock clock) {
    this.jobs = jobs;
    this.frames = frames;
    this.store = store;
    this.sequences = sequences;
    this.output = output;
    this.browser = browser;
    this.queue = queue;
    this.film = film;
    this.ended = ended;
    this.progress = progress;
    this.clock = clock;
  }

  UUID sequenceOf(UUID preview) {
    return preview(preview).sequenceId;
  }

  /** Takes a preview in, to be drawn by whoever begins it. */
  UUID ask(UUID sequence, PreviewApi.PreviewAsked asked, String who, boolean artist) {
    Sequence s = sequences.get(sequence).sequence();
    if (asked.percent() < LEAST_PERCENT || asked.percent() > 100)
      throw bad("The size is " + LEAST_PERCENT + " to 100 % of the delivery size.");
    if (asked.look() == null) throw bad("Say what the film shows: blur, plates, haze and so on.");
    if (asked.byServer() && !browser.there()) throw bad(PreviewBrowser.NOT_THERE);
    store.notTooMany(who, artist);
    UUID id = UUID.randomUUID();
    RenderJob job = ShotsAsked.of(s, asked.shots()).job(id, sequence, s, who, clock.instant());
    job.kind = RenderJob.Kind.PREVIEW;
    job.look = asked.look().write();
    job.byServer = asked.byServer();
    if (Boolean.TRUE.equals(asked.slateInFront())) job.burnIn = new BurnIn(Map.of(), true).write();
    job.width = side(s.header().cameraPackage().deliveryWidth(), asked.percent());
    job.height = side(s.header().cameraPackage().deliveryHeight(), asked.percent());
    if (Math.max(job.width, job.height) > MOST_PX)
      throw bad(
          job.width
              + " × "
              + job.height
              + " pixels are more than a film of the view has, which is "
              + MOST_PX
              + " a side. Choose a smaller size.");
    store.add(job, job.byServer ? queue::addDrawing : drawn -> {});
    moved(job.sequenceId, job.id);
    return job.id;
  }

  private static int side(int delivery, int percent) {
    return Math.max(LEAST_PX, delivery * percent / 100 / 2 * 2);
  }

  /** A preview that was stopped waits for a page again. */
  void goOn(UUID id, boolean byServer) {
    jobs.waitFrom(id, clock.instant());
    if (byServer) queue.addDrawing(id);
  }

  /**
   * A page takes a preview to draw it.
   *
   * @param artist whether {@code who} may draw what others asked for
   */
  PreviewApi.ToDraw begin(UUID id, PreviewApi.Begins page, String who, boolean artist) {
    RenderJob job = preview(id);
    if (page.holder() == null || page.form() == null) throw bad("Say who draws, and in what form.");
    if (!artist && !job.askedBy.equals(who))
      throw new Problem(
          HttpStatus.FORBIDDEN,
          "rights",
          job.askedBy + " asked for this film. Only they or an artist may draw it.");
    if (jobs.take(id, page.holder(), clock.instant(), clock.instant().minus(SILENT)) == 0)
      throw new Problem(HttpStatus.CONFLICT, "state", "Another page draws this film, or it ended.");
    List<RenderFrame> have = new ArrayList<>(frames.findByJobIdOrderByNumber(id));
    // what an earlier page brought in another form is drawn again
    if (have.removeIf(f -> !f.file.endsWith("." + page.form().ending)))
      frames.deleteAll(
          frames.findByJobIdOrderByNumber(id).stream()
              .filter(f -> !f.file.endsWith("." + page.form().ending))
              .toList());
    moved(job.sequenceId, job.id);
    Sequence s = SequenceJson.read(job.document);
    return new PreviewApi.ToDraw(
        job.sequenceId,
        new CoreJson(job.document),
        Shot.read(job.shots),
        job.width,
        job.height,
        new int[] {s.header().rate().numerator(), s.header().rate().denominator()},
        Look.read(job.look),
        job.numbered,
        job.askedBy,
        job.askedAt.toString(),
        have.stream().map(f -> f.number).toList());
  }

  /**
   * Takes frames from the page that draws them.
   *
   * @return whether more are wanted
   */
  boolean take(UUID id, UUID holder, Stretch of, InputStream body) throws IOException {
    RenderJob job = preview(id);
    DrawnForm form = DrawnForm.of(of.type());
    int most = form == DrawnForm.H264 ? MOST_FRAMES : 1;
    if (of.first() < 1
        || of.frames() < 1
        || of.frames() > most
        || of.first() + of.frames() - 1 > job.framesTotal)
      throw bad("Frames " + of.first() + " and on, " + of.frames() + " of them, are not wanted.");
    byte[] bytes = body.readNBytes(MOST_BYTES + 1);
    if (bytes.length > MOST_BYTES) throw bad("A stretch of a film has at most 64 MB.");
    form.check(bytes, job.width, job.height);
    hold(id, holder);
    if (jobs.stopAsked(id)) {
      ended.held(
          id, holder, RenderJob.State.STOPPED, "Stopped. The frames that were drawn are kept.");
      moved(job.sequenceId, job.id);
      return false;
    }
    String name = String.format("%05d.%s", of.first(), form.ending);
    try (Scratch scratch = output.scratch()) {
      output.put(id, name, Files.write(scratch.file(name), bytes));
    } catch (IOException e) {
      IOException why = output.why(e);
      if (!(why instanceof OutputTrouble)) throw why;
      LOG.warn("Preview {} cannot be kept", id, why);
      ended.held(id, holder, RenderJob.State.FAILED, why.getMessage() + " What was drawn is kept.");
      moved(job.sequenceId, job.id);
      return false;
    }
    List<RenderFrame> rows = new ArrayList<>();
    for (int i = 0; i < of.frames(); i++)
      rows.add(
          new RenderFrame(
              id,
              of.first() + i,
              name,
              Math.max(0, of.seconds()) / of.frames(),
              bytes.length / of.frames()));
    frames.saveAll(rows);
    moved(job.sequenceId, job.id);
    return true;
  }

  private void hold(UUID id, UUID holder) {
    if (jobs.hold(id, holder, clock.instant()) == 0)
      throw new Problem(
          HttpStatus.CONFLICT, "state", "This film was stopped, or another page draws it now.");
  }

  /** Makes the film of what was brought, or says why there is none. */
  void end(UUID id, UUID holder, String failure) throws InterruptedException {
    RenderJob job = preview(id);
    hold(id, holder);
    RenderJob.State state = RenderJob.State.DONE;
    String message = "";
    try {
      if (failure != null)
        throw new IOException(failure.substring(0, Math.min(MOST_SAID, failure.length())));
      make(job);
    } catch (IOException e) {
      LOG.warn("Preview {} failed", id, e);
      state = RenderJob.State.FAILED;
      message = "The film failed: " + Film.why(e) + " Resume it to try again.";
    }
    ended.held(id, holder, state, message);
    moved(job.sequenceId, job.id);
  }

  private void make(RenderJob job) throws IOException, InterruptedException {
    List<RenderFrame> all = frames.findByJobIdOrderByNumber(job.id);
    if (all.size() < job.framesTotal)
      throw new IOException(all.size() + " of " + job.framesTotal + " frames were brought");
    if (job.framesTotal == 1) return;
    Film.About about = Film.About.of(job);
    UnaryOperator<BufferedImage> front = SlateFrame.front(job);
    String name = all.get(0).file;
    List<String> files = all.stream().map(f -> f.file).distinct().toList();
    if (name.endsWith(DrawnForm.H264.ending))
      film.ofPieces(job.id, files, job.framesTotal, about, front);
    else film.ofPictures(job.id, files, about, front);
  }

  private RenderJob preview(UUID id) {
    return jobs.findById(id)
        .filter(j -> j.kind == RenderJob.Kind.PREVIEW)
        .orElseThrow(() -> Problem.missing("film of the view"));
  }

  private void moved(UUID sequence, UUID job) {
    progress.tell(sequence, job);
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }
}
