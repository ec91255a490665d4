package kite.server.render;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import javax.imageio.ImageIO;
import kite.core.codec.SequenceJson;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.render.CameraView;
import kite.render.FrameRenderer;
import kite.render.ModelGeometry;
import kite.render.Picture;
import kite.render.SceneBuilder;
import kite.render.Surroundings;
import kite.server.asset.AssetStore;
import org.jobrunr.jobs.annotations.Job;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Works a job off, frame by frame. A frame counts once its file is whole and its row is stored; a
 * job taken up again goes on after the frames that count.
 */
@Service
public class RenderRunner {
  private static final Logger LOG = LoggerFactory.getLogger(RenderRunner.class);
  private static final Duration STOP_CHECK = Duration.ofMillis(400);
  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final AssetStore assets;
  private final Film film;
  private final Clock clock;
  private final Path output;

  RenderRunner(
      RenderJobs jobs,
      RenderFrames frames,
      AssetStore assets,
      Film film,
      Clock clock,
      @Value("${kite.output}") String output) {
    this.jobs = jobs;
    this.frames = frames;
    this.assets = assets;
    this.film = film;
    this.clock = clock;
    this.output = Path.of(output);
  }

  Path folder(UUID job) {
    return output.resolve(job.toString()).toAbsolutePath();
  }

  @Job(name = "Render %0", retries = 2)
  public void run(UUID id) throws IOException, InterruptedException {
    RenderJob job = jobs.findById(id).orElse(null);
    if (job == null || job.state == RenderJob.State.STOPPED || job.state == RenderJob.State.DONE)
      return;
    jobs.say(id, RenderJob.State.WORKING, "");
    try {
      Sequence s = SequenceJson.read(job.document);
      Files.createDirectories(folder(id));
      if (!all(job, s)) {
        jobs.say(id, RenderJob.State.STOPPED, "Stopped. The frames that were finished are kept.");
        return;
      }
      if (job.framesTotal > 1) film.make(folder(id), s.header().rate());
      jobs.say(id, RenderJob.State.DONE, "");
    } catch (IOException | RuntimeException e) {
      LOG.error("Render {} failed", id, e);
      jobs.say(id, RenderJob.State.FAILED, "Rendering failed: " + e.getMessage());
      throw e;
    }
  }

  private boolean all(RenderJob job, Sequence s) throws IOException {
    Plan plan =
        new Plan(
            s,
            sha -> {
              ModelGeometry g = assets.geometry(sha);
              return g == null ? null : g.rig();
            });
    SceneBuilder scenes = new SceneBuilder(assets::geometry);
    StopSwitch stop = new StopSwitch(job.id);
    int number = 0;
    for (Shot shot : Shot.read(job.shots)) {
      for (int frame = shot.first(); frame <= shot.last(); frame++) {
        number++;
        if (stop.thrown()) return false;
        if (frames.existsById(new RenderFrame.Key(job.id, number))) continue;
        Instant from = clock.instant();
        Picture p = picture(job, s, plan, scenes, shot, frame, stop);
        if (p == null) return false;
        String file = String.format("%05d.png", number);
        write(p, folder(job.id).resolve(file));
        frames.save(
            new RenderFrame(
                job.id, number, file, Duration.between(from, clock.instant()).toMillis() / 1000.0));
      }
    }
    return true;
  }

  private Picture picture(
      RenderJob job,
      Sequence s,
      Plan plan,
      SceneBuilder scenes,
      Shot shot,
      int frame,
      StopSwitch stop) {
    if (shot.camera() == null) {
      int[] black = new int[job.width * job.height];
      java.util.Arrays.fill(black, 0xff000000);
      return new Picture(job.width, job.height, black);
    }
    plan.evaluate(frame);
    Camera camera = (Camera) s.get(shot.camera());
    Surroundings around = Surroundings.of(s, plan, frame, camera, assets::image);
    FrameRenderer r = new FrameRenderer(scenes.build(s, plan), around);
    CameraView view = CameraView.of(s, plan, camera);
    return r.render(
        view,
        job.width,
        job.height,
        job.samples,
        Runtime.getRuntime().availableProcessors(),
        stop::thrown);
  }

  /**
   * Writes beside the place and moves there, so that a file with the right name is always whole.
   */
  private static void write(Picture p, Path file) throws IOException {
    BufferedImage image = new BufferedImage(p.width(), p.height(), BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, p.width(), p.height(), p.argb(), 0, p.width());
    Path part = file.resolveSibling(file.getFileName() + ".part");
    ImageIO.write(image, "png", part.toFile());
    Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
  }

  /** Asks the database now and then whether the job should stop. */
  private final class StopSwitch {
    private final UUID job;
    private Instant asked = Instant.EPOCH;
    private boolean thrown;

    StopSwitch(UUID job) {
      this.job = job;
    }

    synchronized boolean thrown() {
      Instant now = clock.instant();
      if (!thrown && Duration.between(asked, now).compareTo(STOP_CHECK) > 0) {
        asked = now;
        thrown = jobs.stopAsked(job);
      }
      return thrown;
    }
  }
}
