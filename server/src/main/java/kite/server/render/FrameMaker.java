package kite.server.render;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BooleanSupplier;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.exchange.picture.ExrFacts;
import kite.render.BoardPicture;
import kite.render.Data;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.Layer;
import kite.render.Moment;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.Rendered;
import kite.render.Rows;
import kite.render.SceneBuilder;
import kite.render.Wanted;
import kite.server.asset.AssetStore;

/** Renders frames of a job, one after the other, into files. */
final class FrameMaker {
  private static final List<Layer> WHOLE =
      List.of(new Layer("", List.of("R", "G", "B", "A"), new float[4][0]));

  private final RenderJob job;
  private final List<Shot> shots;
  private final Kept kept;
  private final BurnIn burnIn; // null for nothing
  private final String production;
  private final Sequence sequence;
  private final Plan plan;
  private final SceneBuilder scenes;
  private final AssetStore assets;
  private final int threads;

  FrameMaker(RenderJob job, Sequence asked, AssetStore assets, int threads) {
    this.job = job;
    sequence = job.look == null ? asked : Look.read(job.look).seen(asked);
    this.assets = assets;
    this.threads = threads;
    burnIn = job.burnIn == null ? null : BurnIn.read(job.burnIn);
    production = job.names == null ? "" : FrameNames.read(job.names).production();
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
   * @param seconds that it took
   */
  record Made(List<String> files, List<String> without, double seconds) {
    Made took(double s) {
      return new Made(files, without, s);
    }

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
    if (at.board() != null) return written(board(at), number, folder);
    if (at.camera() == null) return written(nothing(), number, folder);
    if (!kept.picturesAlone()) {
      // passes are exact: as many rays in every pixel
      Rendered r = renderer(at).renderPasses(job.width, job.height, quality(), threads, stopped);
      return r == null ? null : written(r, number, folder);
    }
    Picture p = renderer(at).render(job.width, job.height, quality(), threads, stopped);
    if (p == null) return null;
    FrameFiles.write(p, folder, number, over(number));
    return new Made(List.of(FrameFiles.picture(number)), List.of(), 0);
  }

  private Quality quality() {
    return kept.picturesAlone() ? Quality.upTo(job.samples) : Quality.exact(job.samples);
  }

  /**
   * Makes some rows of a frame, to be joined.
   *
   * @return null when it was stopped
   */
  Rendered part(FrameWork of, BooleanSupplier stopped) {
    Shot.At at = Shot.at(shots, of.number());
    Rows rows = Rows.part(job.height, of.part(), of.parts());
    if (at.board() != null) return board(at).rows(rows);
    if (at.camera() == null) return nothing(rows.count());
    return renderer(at)
        .renderRows(
            job.width, job.height, rows, !kept.picturesAlone(), quality(), threads, stopped);
  }

  /** Makes a frame's files of its parts. */
  Made joined(int number, List<PartFile.Part> parts, Path folder) throws IOException {
    Rendered whole = Rendered.joined(parts.stream().map(PartFile.Part::rows).toList());
    double seconds = parts.stream().mapToDouble(PartFile.Part::seconds).sum();
    return written(whole, number, folder).took(seconds);
  }

  private Made written(Rendered r, int number, Path folder) throws IOException {
    String picture = FrameFiles.picture(number);
    if (kept.picturesAlone()) {
      FrameFiles.write(r.picture(), folder, number, over(number));
      return new Made(List.of(picture), List.of(), 0);
    }
    Shot.At at = Shot.at(shots, number);
    ExrFacts facts = FrameFiles.facts(job, sequence, plan, at);
    FrameFiles.write(r, folder, number, kept.form(), facts, over(number));
    List<String> files =
        kept.form() == Kept.Form.PNG
            ? List.of(picture)
            : List.of(FrameFiles.delivered(number, kept.form()), picture);
    return new Made(files, r.without(), 0);
  }

  /** What is written into a frame. */
  private FrameFiles.Over over(int number) {
    if (burnIn == null) return picture -> {};
    Shot.At at = Shot.at(shots, number);
    int programme = Shot.of(shots, number).programmeOf(at);
    Programme.Placed placed =
        Programme.of(sequence).placed().stream()
            .filter(p -> p.inTake().equals(at.take()))
            .findFirst()
            .orElse(null);
    return picture ->
        burnIn.draw(picture, Said.of(job, sequence, plan, at, production, placed, programme));
  }

  private FrameRenderer renderer(Shot.At at) {
    Camera camera = (Camera) sequence.get(at.camera());
    Wanted wanted = kept.wanted();
    plan.inTake(at.take());
    Data data = Data.of(sequence, plan, camera, at.scene(), at.next(), scenes, wanted);
    List<Moment> moments =
        job.motionBlur && camera.motionBlur()
            ? Exposed.open(sequence, plan, camera, at.scene(), at.rate(), scenes, assets::image)
            : Exposed.sharp(sequence, plan, camera, at.scene(), scenes, assets::image);
    return new FrameRenderer(moments, wanted, data);
  }

  /** What stands for a shot, as it is seen. */
  private Rendered board(Shot.At at) {
    return BoardPicture.in(nothing(), assets.image(at.board()));
  }

  private Rendered nothing() {
    return nothing(job.height);
  }

  /** A gap of the cut, with the layers that the shots have: black, which covers nothing. */
  private Rendered nothing(int rows) {
    Rendered like = new Rendered(null, WHOLE, List.of(), List.of());
    for (Shot s : shots)
      if (s.camera() != null && !kept.picturesAlone())
        like = renderer(s.at(0)).renderPasses(1, 1, Quality.exact(1), 1, () -> false);
    return like.nothing(job.width, rows);
  }
}
