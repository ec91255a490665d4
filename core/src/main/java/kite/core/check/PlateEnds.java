package kite.core.check;

import java.util.ArrayList;
import java.util.List;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Plate;
import kite.core.document.Sequence;

/** Plates that have fewer images than a shot has frames. */
final class PlateEnds {
  /** Frames of the scene are looked at to this part of one. */
  private static final double SLIGHT = 1e-6;

  /** What is said of a plate, and whether it is of the handles only. */
  record Said(boolean inHandles, int frame, String text) {}

  private PlateEnds() {}

  static List<Said> of(Sequence s, Camera c, Programme.Placed p, int handles) {
    List<Said> all = new ArrayList<>();
    for (Plate x : s.all(Plate.class)) {
      boolean seen = x.shown() && (x.camera() == null || x.camera().equals(c.id()));
      if (!seen || x.frames().size() < 2 || x.after() == Plate.After.LOOP) continue;
      int last = x.firstFrame() + x.frames().size() - 1;
      double first = Math.min(p.sceneFirst(), p.sceneLast());
      double end = Math.max(p.sceneFirst(), p.sceneLast());
      if (first < x.firstFrame() - SLIGHT) all.add(said(x, false, (int) first, begins(x)));
      else if (first - handles < x.firstFrame() - SLIGHT)
        all.add(said(x, true, (int) first, begins(x)));
      if (end > last + SLIGHT) all.add(said(x, false, last, ends(last)));
      else if (end + handles > last + SLIGHT) all.add(said(x, true, last, ends(last)));
    }
    return all;
  }

  private static String begins(Plate x) {
    return " has its first image on frame " + x.firstFrame() + ", and is wanted before";
  }

  private static String ends(int last) {
    return " has its last image on frame " + last + ", and is wanted longer";
  }

  private static Said said(Plate x, boolean inHandles, int frame, String what) {
    return new Said(
        inHandles,
        frame,
        "Plate “" + x.name() + "”" + what + (inHandles ? " in the handles." : "."));
  }
}
