package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.cut.Cut;
import kite.core.document.Header;
import kite.core.document.OrNull;
import kite.core.number.FeetFrames;
import kite.core.number.Timecode;
import kite.core.report.ShotFacts;

/** Shots, as a list of them tells. */
@Answers
final class ShotAnswers {
  private ShotAnswers() {}

  /**
   * A shot's place.
   *
   * @param camera null for a gap
   * @param last included
   * @param feet its length in feet and frames of 35 mm film
   * @param timecode of its first frame, counted from the sequence's first
   */
  record ShotRow(
      String id,
      String code,
      @OrNull String camera,
      int first,
      int last,
      int frames,
      double seconds,
      String feet,
      String timecode) {}

  /** All shots in their order. */
  public static List<ShotRow> shotRows() {
    Header h = Opened.shown().header();
    List<ShotRow> all = new ArrayList<>();
    for (Cut.Span c : Cut.spans(Opened.shown())) {
      int frames = c.last() - c.first() + 1;
      all.add(
          new ShotRow(
              c.id(),
              c.shot(),
              c.camera(),
              c.first(),
              c.last(),
              frames,
              frames / h.rate().perSecond(),
              FeetFrames.of(frames),
              Timecode.of(c.first() - h.firstFrame(), h.rate())));
    }
    return all;
  }

  /** What can be said of a camera over some frames; the longer, the more is looked at. */
  public static ShotFacts shotFacts(String camera, int first, int last) {
    return ShotFacts.of(Opened.shown(), Opened.apart(), Opened.camera(camera), first, last);
  }
}
