package kite.core.frame;

import kite.core.document.Plate;

/** Where a plate's image lies in the delivery frame, in shares from the top left corner. */
public record PlatePlace(double left, double top, double width, double height) {

  /**
   * @param image width / height of the image as it is seen
   * @param delivery width / height of the frame
   */
  public static PlatePlace of(Plate p, double frame, double image, double delivery) {
    double wide = image / delivery; // as a share of the frame's width when heights agree
    double w, h;
    boolean byHeight =
        switch (p.fit()) {
          case HEIGHT -> true;
          case FILL -> wide >= 1;
          case INSIDE -> wide < 1;
          default -> false;
        };
    if (p.fit() == Plate.PlateFit.STRETCH) {
      w = h = 1;
    } else {
      w = byHeight ? wide : 1;
      h = byHeight ? 1 : 1 / wide;
    }
    double size = p.channel("size").at(frame);
    w *= size;
    h *= size;
    return new PlatePlace(
        0.5 - w / 2 + p.channel("across").at(frame),
        0.5 - h / 2 + p.channel("down").at(frame),
        w,
        h);
  }
}
