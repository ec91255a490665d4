package kite.core.cue;

import java.util.List;

/**
 * A list of cues ready for evaluation. A cue that begins while another travels starts from the mix
 * of that moment, so shares never jump (unless a cue's own travel is 0). Before the first cue, and
 * for its start, the mix is the first cue's own: a track always says something.
 */
public final class CueTrack {
  private final int subjects;
  private final CueTimes times;
  private final double[] from; // shares at the start of each cue
  private final double[] to; // shares each cue goes to

  /**
   * @param cues in rising order of frame
   * @param order subject ids; shares are given in this order
   */
  public CueTrack(List<Cue> cues, List<String> order) {
    int n = cues.size();
    subjects = order.size();
    times = new CueTimes(cues);
    from = new double[n * subjects];
    to = new double[n * subjects];
    double[] now = new double[subjects];
    for (int i = 0; i < n; i++) {
      Cue cue = cues.get(i);
      for (int s = 0; s < subjects; s++) {
        to[i * subjects + s] = cue.mix().getOrDefault(order.get(s), 0.0);
      }
      if (i == 0) {
        System.arraycopy(to, 0, from, 0, subjects);
      } else {
        sharesOf(i - 1, cue.frame(), now);
        System.arraycopy(now, 0, from, i * subjects, subjects);
      }
    }
  }

  public int subjects() {
    return subjects;
  }

  /** Writes the share of each subject at a frame; all 0 when there is no cue. Never allocates. */
  public void shares(double at, double[] out) {
    int i = times.at(at);
    if (i < 0) {
      for (int s = 0; s < subjects; s++) out[s] = 0;
      return;
    }
    sharesOf(i, at, out);
  }

  private void sharesOf(int i, double at, double[] out) {
    double t = times.progress(i, at);
    for (int s = 0; s < subjects; s++) {
      double a = from[i * subjects + s];
      out[s] = a + (to[i * subjects + s] - a) * t;
    }
  }
}
