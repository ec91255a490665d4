package kite.core.cue;

import java.util.List;

/**
 * When a list of cues begins and how far each of its travels is: all about cues but their mixes.
 */
public final class CueTimes {
  private final double[] frame;
  private final double[] travel;
  private final Ease[] ease;

  /**
   * @param cues in rising order of frame
   */
  public CueTimes(List<Cue> cues) {
    int n = cues.size();
    frame = new double[n];
    travel = new double[n];
    ease = new Ease[n];
    for (int i = 0; i < n; i++) {
      frame[i] = cues.get(i).frame();
      travel[i] = cues.get(i).travel();
      ease[i] = cues.get(i).ease();
    }
  }

  /** The frame a cue stands on. */
  public double frame(int cue) {
    return frame[cue];
  }

  /** The cue that holds at a frame: the first one before it, too; −1 where there is none. */
  public int at(double at) {
    int i = frame.length - 1;
    while (i > 0 && frame[i] > at) i--;
    return i;
  }

  /** The share of a cue's travel that is done at a frame, 0–1. */
  public double progress(int cue, double at) {
    if (travel[cue] <= 0) return at >= frame[cue] ? 1 : 0;
    return ease[cue].at((at - frame[cue]) / travel[cue]);
  }

  /** How far the cue before was when this one began; 1 for the first. */
  public double interrupted(int cue) {
    return cue == 0 ? 1 : progress(cue - 1, frame[cue]);
  }
}
