package kite.core.evaluate;

import java.util.Arrays;
import kite.core.math.Matrix;

/**
 * Where something was at whole frames. Springs, and aims that look along the motion, ask for the
 * same frames of what they lean on again and again: one after the other, and after every edit of
 * the camera itself. What is kept holds as long as all the thing leans on is what it was.
 */
final class KeptPlaces {
  /** Frames that are kept, the one instead of the other; a power of two. */
  private static final int FRAMES = 128;

  private final Node of;
  private final double[] places = new double[FRAMES * Matrix.SIZE];
  private final double[] frames = new double[FRAMES];
  private Node[] madeWith;
  private Plan plan;

  KeptPlaces(Node of) {
    this.of = of;
    Arrays.fill(frames, Double.NaN);
  }

  /** Writes the place at a frame; false where it is not known. */
  boolean read(double frame, Plan now, double[] out, int o) {
    if (now != plan) {
      plan = now;
      Node[] leans = now.leansOn(of);
      if (!Arrays.equals(leans, madeWith)) Arrays.fill(frames, Double.NaN);
      madeWith = leans;
    }
    int at = at(frame);
    if (frames[at] != frame) return false;
    System.arraycopy(places, at * Matrix.SIZE, out, o, Matrix.SIZE);
    return true;
  }

  /** Keeps the place at a frame, when that is a whole one. */
  void keep(double frame, double[] place, int o) {
    if (frame != Math.rint(frame)) return;
    int at = at(frame);
    frames[at] = frame;
    System.arraycopy(place, o, places, at * Matrix.SIZE, Matrix.SIZE);
  }

  private static int at(double frame) {
    return (int) frame & (FRAMES - 1);
  }
}
