package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;

/**
 * Where a guide light is on every frame: what is handed over for whoever lights the shot.
 *
 * @param places x, y, z in metres, one row a frame
 */
public record GuideTrack(String name, double[] frames, double[] places) {

  /** The shown guide lights of a sequence, on the frames of a bake. */
  public static List<GuideTrack> of(Sequence s, Plan plan, double[] frames) {
    List<GuideTrack> all = new ArrayList<>();
    List<Light> guides = new ArrayList<>();
    for (Light l : s.all(Light.class)) {
      if (l.form() != Light.Form.GUIDE || !l.shown()) continue;
      guides.add(l);
      all.add(new GuideTrack(l.name(), frames, new double[frames.length * 3]));
    }
    if (guides.isEmpty()) return all;
    for (int f = 0; f < frames.length; f++) {
      for (int g = 0; g < guides.size(); g++) {
        plan.evaluateOnly(guides.get(g).id(), frames[f]);
        System.arraycopy(
            plan.world(),
            plan.slot(guides.get(g).id()) * Matrix.SIZE + Matrix.OX,
            all.get(g).places(),
            f * 3,
            3);
      }
    }
    return all;
  }

  /** Whether it never moves. */
  public boolean isStill() {
    for (int i = 3; i < places.length; i++) if (places[i] != places[i % 3]) return false;
    return true;
  }
}
