package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.optics.LensKit;

/**
 * What a production has agreed on. Sequences carry the copy they follow; what a sequence or camera
 * decides for itself lies over it.
 *
 * @param nearClipM near clip of a camera that has not been given one, metres
 * @param kits lens kits; the first is the usual one
 */
@RecordBuilder
public record Standards(
    Rate rate,
    CameraPackage cameraPackage,
    double nearClipM,
    double farClipM,
    List<LensKit> kits,
    Naming naming,
    Beginning beginning,
    LimitsOfCuts cut)
    implements StandardsBuilder.With {
  public Standards {
    kits = List.copyOf(kits);
  }

  public Standards(
      Rate rate,
      CameraPackage pack,
      double nearClipM,
      double farClipM,
      List<LensKit> kits,
      Naming naming,
      Beginning beginning) {
    this(rate, pack, nearClipM, farClipM, kits, naming, beginning, LimitsOfCuts.USUAL);
  }

  public static Standards of(Rate rate, CameraPackage pack) {
    return new Standards(rate, pack, 0.1, 1000, LensKit.STARTING, Naming.FREE, Beginning.USUAL);
  }

  /** Where a production starts: Super 35 in 16:9, 1920 × 1080 at 24 frames a second. */
  public static Standards starting() {
    return of(
        new Rate(24, 1), new CameraPackage(new FilmBack(24.89, 14, 1), 1920, 1080, Fit.WIDTH, 0));
  }
}
