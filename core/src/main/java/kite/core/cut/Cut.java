package kite.core.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.document.CutEntry;
import kite.core.document.Sequence;

/** The cut of a sequence as spans. */
public final class Cut {
  private Cut() {}

  /**
   * A stretch of the cut.
   *
   * @param camera null for a gap
   * @param last the last frame, included
   */
  public record Span(String id, String shot, String camera, int first, int last) {
    /** The stretch with so many frames more of its camera at each end. */
    public Span withHandles(int frames) {
      return new Span(id, shot, camera, first - frames, last + frames);
    }
  }

  /** Spans in order; what lies before the first entry is not part of the cut. */
  public static List<Span> spans(Sequence s) {
    List<CutEntry> entries = new ArrayList<>(s.all(CutEntry.class));
    entries.sort(Comparator.comparingInt(CutEntry::firstFrame));
    List<Span> spans = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      CutEntry e = entries.get(i);
      int last =
          i + 1 < entries.size() ? entries.get(i + 1).firstFrame() - 1 : s.header().lastFrame();
      spans.add(new Span(e.id(), e.name(), e.camera(), e.firstFrame(), last));
    }
    return spans;
  }

  /** The span a frame falls in, or null before the first entry. */
  public static Span at(Sequence s, double frame) {
    Span found = null;
    for (Span span : spans(s)) if (span.first() <= frame) found = span;
    return found;
  }
}
