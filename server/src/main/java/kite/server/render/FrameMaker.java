package kite.server.render;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
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

/** Renders frames of a job, one after the other, into files. */
final class FrameMaker {
  private final RenderJob job;
  private final List<Shot> shots;
  private final Kept kept;
  private final Sequence sequence;
  private final Plan plan;
  private final SceneBuilder scenes;
  private final AssetStore assets;
  private final int threads;

  FrameMaker(RenderJob job, Sequence sequence, AssetStore assets, int threads) {
    this.job = job;
    this.sequence = sequence;
    this.assets = assets;
    this.threads = threads;
    shots = Shot.read(job.shots);
    kept = Kept.read(job.kept);
    plan = new Plan(sequence, assets::rig);
    scenes = new SceneBuilder(assets::geometry, assets.trees(), assets::image);
  }

  /**
   * What was made of a frame.
   *
   * @param files in the order in which they are to be kept: the picture that is looked at last, so
   *     that where it is, the others are
   * @param without passes that were wanted of lights which can have no share in them
   */
  record Made(List<String> files, List<String> without) {
    /** The picture that is looked at. */
    String picture() {
      return files.get(files.size() - 1);
    }
  }

  /**
   * Makes a frame's files.
   *
   * @param number in the job, from 1
   * @return null when it was stopped
   */
  Made make(int number, Path folder, BooleanSupplier stopped) throws IOException {
    Shot.At at = Shot.at(shots, number);
    String picture = FrameFiles.picture(number);
    if (kept.picturesAlone()) {
      Picture p = at.camera() == null ? black() : picture(at, stopped);
      if (p == null) return null;
      FrameFiles.write(p, folder, number);
      return new Made(List.of(picture), List.of());
    }
    Rendered r = at.camera() == null ? nothing() : passes(at, stopped);
    if (r == null) return null;
    FrameFiles.write(r, folder, number, kept.form(), FrameFiles.facts(job, sequence, plan, at));
    return new Made(List.of(FrameFiles.delivered(number, kept.form()), picture), r.without());
  }

  private Picture picture(Shot.At at, BooleanSupplier stopped) {
    return renderer(at).render(job.width, job.height, Quality.upTo(job.samples), threads, stopped);
  }

  /** Passes are exact: as many rays in every pixel. */
  private Rendered passes(Shot.At at, BooleanSupplier stopped) {
    return renderer(at)
        .renderPasses(job.width, job.height, Quality.exact(job.samples), threads, stopped);
  }

  private FrameRenderer renderer(Shot.At at) {
    Camera camera = (Camera) sequence.get(at.camera());
    Wanted wanted = kept.wanted();
    Data data = Data.of(sequence, plan, camera, at.frame(), scenes, wanted);
    List<Moment> moments =
        job.motionBlur && camera.motionBlur()
            ? Exposed.open(sequence, plan, camera, at.frame(), scenes, assets::image)
            : Exposed.sharp(sequence, plan, camera, at.frame(), scenes, assets::image);
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
