package kite.core.evaluate;

import kite.core.cue.CueTrack;
import kite.core.document.Focus;
import kite.core.math.Matrix;

/**
 * Focus that follows subjects: distances along the optical axis blended in dioptres, with what the
 * shares leave below 1 staying at the focus-distance channel.
 */
final class FocusStep {
  /** A subject at or behind the lens is taken to be this near. */
  private static final double NEAREST_M = 0.01;

  private final CueTrack track;
  private final SubjectPoints subjects;
  private final double[] shares;
  private final double[] p = new double[3];

  FocusStep(Focus focus, SubjectPoints subjects) {
    track = focus.track();
    this.subjects = subjects;
    shares = new double[subjects.count()];
  }

  /**
   * @param m the camera's world transform
   * @param channelM what the focus-distance channel says
   */
  double distance(double frame, Plan plan, double[] m, double channelM) {
    track.shares(frame, shares);
    double rest = 1, dioptres = 0;
    for (int i = 0; i < shares.length; i++) {
      if (shares[i] <= 0) continue;
      subjects.world(i, frame, plan, p);
      double along =
          -(m[Matrix.ZX] * (p[0] - m[Matrix.OX])
              + m[Matrix.ZY] * (p[1] - m[Matrix.OY])
              + m[Matrix.ZZ] * (p[2] - m[Matrix.OZ]));
      dioptres += shares[i] / Math.max(NEAREST_M, along);
      rest -= shares[i];
    }
    return 1 / (dioptres + Math.max(0, rest) / channelM);
  }
}
