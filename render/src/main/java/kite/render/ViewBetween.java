package kite.render;

import kite.core.math.Matrix;

/**
 * A camera on its straight way from one moment of an exposure to the next. Belongs to one thread.
 */
final class ViewBetween {
  final double[] world = new double[Matrix.SIZE];

  /** The window a metre ahead, metres from the axis. */
  double left, top, width, height;

  double nearM, farM, focusM, pupilRadiusM;

  /**
   * @param share of the way, 0 to 1
   */
  void between(CameraView a, CameraView b, double share) {
    for (int i = 0; i < world.length; i++) world[i] = mix(a.world()[i], b.world()[i], share);
    left = mix(a.window().left(), b.window().left(), share);
    top = mix(a.window().top(), b.window().top(), share);
    width = mix(a.window().width(), b.window().width(), share);
    height = mix(a.window().height(), b.window().height(), share);
    nearM = mix(a.nearM(), b.nearM(), share);
    farM = mix(a.farM(), b.farM(), share);
    focusM = mix(a.focusM(), b.focusM(), share);
    pupilRadiusM = mix(a.pupilRadiusM(), b.pupilRadiusM(), share);
  }

  private static double mix(double a, double b, double share) {
    return a == b ? a : a + (b - a) * share;
  }
}
