package kite.core.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import kite.core.document.Sequence;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.math.Powers;

/**
 * What is heard in a stretch of the programme: a piece of a recording, and how loud. The page plays
 * by it, and films are mixed by it.
 *
 * @param sound the id of what it is of
 * @param recording its asset, by its SHA-256
 * @param afterS seconds from the stretch's beginning to its own
 * @param fromS seconds of the recording before it
 * @param lastsS how long it is heard, seconds
 * @param levels how loud at least at its beginning and its end; straight in between
 */
public record Heard(
    String sound,
    String recording,
    double afterS,
    double fromS,
    double lastsS,
    List<Loudness> levels) {

  /**
   * How loud at one moment.
   *
   * @param atS seconds after the beginning of what is heard
   * @param factor of the recording's amplitude
   */
  public record Loudness(double atS, double factor) {}

  /** Decibels of a factor of ten in amplitude. */
  private static final double DB_OF_TEN = 20;

  public Heard {
    levels = List.copyOf(levels);
  }

  /**
   * What is heard from one frame of the programme until another, in order of its beginning.
   *
   * @param first sub-frames too
   * @param end the frame before which it ends
   */
  public static List<Heard> between(Sequence s, double first, double end) {
    double fps = s.header().rate().perSecond();
    boolean solo = false;
    for (SoundTrack t : s.all(SoundTrack.class)) solo |= t.solo();
    List<Heard> all = new ArrayList<>();
    for (Sound x : s.all(Sound.class)) {
      if (!(s.get(x.track()) instanceof SoundTrack t) || t.muted() || x.muted()) continue;
      if (solo && !t.solo()) continue;
      double from = Math.max(0, (first - x.at()) / fps);
      double to = Math.min(x.lastsS(), (end - x.at()) / fps);
      if (!(to > from)) continue;
      all.add(
          new Heard(
              x.id(),
              x.recording(),
              (x.at() - first) / fps + from,
              x.fromS() + from,
              to - from,
              levels(x, t, from, to)));
    }
    all.sort((a, b) -> Double.compare(a.afterS, b.afterS));
    return all;
  }

  private static List<Loudness> levels(Sound x, SoundTrack t, double from, double to) {
    double whole = factor(x.gainDb() + t.gainDb());
    TreeSet<Double> times = new TreeSet<>(List.of(from, to));
    for (double bend : new double[] {x.fadeInS(), x.lastsS() - x.fadeOutS()})
      if (bend > from && bend < to) times.add(bend);
    List<Loudness> levels = new ArrayList<>();
    for (double at : times) levels.add(new Loudness(at - from, whole * fade(x, at)));
    return levels;
  }

  /** 1 where it is as loud as it is; straight to 0 at a faded end. */
  private static double fade(Sound x, double at) {
    double in = x.fadeInS() > 0 ? at / x.fadeInS() : 1;
    double out = x.fadeOutS() > 0 ? (x.lastsS() - at) / x.fadeOutS() : 1;
    return Math.max(0, Math.min(1, Math.min(in, out)));
  }

  /** The factor of an amplitude that some decibels are. */
  public static double factor(double db) {
    return Powers.pow(10, db / DB_OF_TEN);
  }
}
