package kite.core.begin;

import java.util.List;
import kite.core.document.CameraPackage;
import kite.core.document.Standards;
import kite.core.number.NumberText;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.FilmBacks;
import kite.core.optics.Fit;

/**
 * Standards that a new production may start from. All of it can be changed later.
 *
 * @param id stable name for files and addresses
 * @param name what people choose by
 */
public record StartingPoint(String id, String name, Standards standards) {
  private static final Rate FILM = new Rate(24, 1);

  public static final List<StartingPoint> ALL =
      List.of(
          of("scope-24", "24 fps, scope", FILM, "Super 35, 4-perf", 2048, 858),
          of("anamorphic-24", "24 fps, scope, anamorphic", FILM, "Anamorphic 2×", 2048, 858),
          of("185-24", "24 fps, 1.85", FILM, "Super 35, 3-perf", 1998, 1080),
          of("hd-25", "25 fps, 16:9", new Rate(25, 1), "Super 35, digital 16:9", 1920, 1080),
          of(
              "uhd-23976",
              "23.976 fps, UHD",
              new Rate(24000, 1001),
              "Super 35, digital 16:9",
              3840,
              2160),
          of("large-24", "24 fps, large format", FILM, "Large format", 4096, 2160),
          of("full-frame-24", "24 fps, full frame, 16:9", FILM, "Full frame", 3840, 2160));

  private static StartingPoint of(
      String id, String name, Rate rate, String back, int width, int height) {
    CameraPackage pack = new CameraPackage(named(back), width, height, Fit.WIDTH, 0);
    return new StartingPoint(id, name, Standards.of(rate, pack));
  }

  private static FilmBack named(String name) {
    for (FilmBacks.NamedBack n : FilmBacks.ALL) if (n.name().equals(name)) return n.back();
    throw new IllegalStateException("No film back is called " + name);
  }

  /** What it sets, in a line. */
  public String says() {
    CameraPackage p = standards.cameraPackage();
    FilmBack b = p.filmBack();
    return NumberText.rounded(standards.rate().perSecond(), 3)
        + " frames a second, film back "
        + NumberText.rounded(b.widthMm(), 2)
        + " × "
        + NumberText.rounded(b.heightMm(), 2)
        + " mm"
        + (b.squeeze() == 1 ? "" : ", squeeze " + NumberText.rounded(b.squeeze(), 2))
        + ", delivery "
        + p.deliveryWidth()
        + " × "
        + p.deliveryHeight()
        + " ("
        + NumberText.rounded(p.aspect(), 2)
        + " : 1)";
  }
}
