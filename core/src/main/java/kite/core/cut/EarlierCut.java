package kite.core.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.document.CutEntry;
import kite.core.document.Sequence;
import kite.core.document.Shot;

/** The cut of builds before shots, as shots that run on without gaps and look as it did. */
public final class EarlierCut {
  private EarlierCut() {}

  public static boolean isIn(Sequence s) {
    return !s.all(CutEntry.class).isEmpty();
  }

  /** The shots its entries become, in order, under their ids. */
  static List<Shot> shots(Sequence s) {
    List<CutEntry> entries = new ArrayList<>(s.all(CutEntry.class));
    entries.sort(Comparator.comparingInt(CutEntry::firstFrame));
    List<String> places = Ranks.spread(entries.size());
    List<Shot> shots = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      CutEntry e = entries.get(i);
      int next =
          i + 1 < entries.size() ? entries.get(i + 1).firstFrame() : s.header().lastFrame() + 1;
      // an entry that the sequence's end had passed showed nothing: it keeps a frame
      int frames = Math.max(1, next - e.firstFrame());
      shots.add(
          Shot.of(e.id(), e.name(), e.camera(), e.firstFrame(), frames).withPlace(places.get(i)));
    }
    return shots;
  }

  /** The sequence with shots in place of entries; the same where there are none. */
  public static Sequence asShots(Sequence s) {
    Sequence next = s;
    for (Shot shot : shots(s)) next = next.with(shot);
    return next;
  }
}
