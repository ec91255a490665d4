package kite.server.render;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.render.Data;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.Layer;
import kite.render.Moment;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.Rendered;
import kite.render.SceneBuilder;
import kite.render.Wanted;
import kite.server.asset.AssetStore;

/** Renders the frames of a job, one after the other, into their files. */
final class FrameMaker {
  private final RenderJob job;
  private final Kept kept;
  private final Sequence sequence;
  private final Plan plan;
  private final SceneBuilder scenes;
  private final AssetStore assets;
  private final Path folder;
  private final int threads;
  private final BooleanSupplier stopped;
  private final Set<String> without = new TreeSet<>();

  FrameMaker(
      RenderJob job,
      Sequence sequence,
      AssetStore assets,
      Path folder,
      int threads,
      BooleanSupplier stopped) {
    this.job = job;
    this.sequence = sequence;
    this.assets = assets;
    this.folder = folder;
    this.threads = threads;
    this.stopped = stopped;
    kept = Kept.read(job.kept);
    plan = new Plan(sequence, assets::rig);
    scenes = new SceneBuilder(assets::geometry, assets.trees(), assets::image);
  }

  /** Passes that were wanted of lights which can have no share in them, so far. */
  Set<String> without() {
    return without;
  }

  /**
   * Makes a frame's files.
   *
   * @param number in the job, from 1
   * @return false when it was stopped
   */
  boolean make(Shot shot, int frame, int number) throws IOException {
    if (kept.picturesAlone()) {
      Picture p = shot.camera() == null ? black() : picture(shot, frame);
      if (p != null) FrameFiles.write(p, folder, number);
      return p != null;
    }
    Rendered r = shot.camera() == null ? nothing() : passes(shot, frame);
    if (r == null) return false;
    without.addAll(r.without());
    FrameFiles.write(
        r, folder, number, kept.form(), FrameFiles.facts(job, sequence, plan, shot, frame));
    return true;
  }

  private Picture picture(Shot shot, int frame) {
    return renderer(shot, frame)
        .render(job.width, job.height, Quality.upTo(job.samples), threads, stopped);
  }

  /** Passes are exact: as many rays in every pixel. */
  private Rendered passes(Shot shot, int frame) {
    return renderer(shot, frame)
        .renderPasses(job.width, job.height, Quality.exact(job.samples), threads, stopped);
  }

  private FrameRenderer renderer(Shot shot, int frame) {
    Camera camera = (Camera) sequence.get(shot.camera());
    Wanted wanted = kept.wanted();
    Data data = Data.of(sequence, plan, camera, frame, scenes, wanted);
    List<Moment> moments =
        job.motionBlur && camera.motionBlur()
            ? Exposed.open(sequence, plan, camera, frame, scenes, assets::image)
            : Exposed.sharp(sequence, plan, camera, frame, scenes, assets::image);
    return new FrameRenderer(moments, wanted, data);
  }

  private Picture black() {
    int[] black = new int[job.width * job.height];
    Arrays.fill(black, 0xff000000);
    return new Picture(job.width, job.height, black);
  }

  /** A gap of the cut: nothing, which covers nothing. */
  private Rendered nothing() {
    float[][] planes = new float[4][job.width * job.height];
    Layer whole = new Layer("", List.of("R", "G", "B", "A"), planes);
    return new Rendered(black(), List.of(whole), List.of(), List.of());
  }
}
