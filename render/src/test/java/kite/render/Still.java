package kite.render;

import java.util.List;
import java.util.function.BooleanSupplier;

/** Pictures that are sharp in time, for tests. */
record Still(Scene scene, Surroundings around) {
  Still(Scene scene, Sky sky) {
    this(scene, Surroundings.of(sky));
  }

  Picture render(
      CameraView view, int width, int height, int samples, int threads, BooleanSupplier stopped) {
    return render(view, width, height, Quality.exact(samples), threads, stopped);
  }

  Picture render(
      CameraView view,
      int width,
      int height,
      Quality quality,
      int threads,
      BooleanSupplier stopped) {
    return new FrameRenderer(List.of(new Moment(scene, around, view)))
        .render(width, height, quality, threads, stopped);
  }
}
