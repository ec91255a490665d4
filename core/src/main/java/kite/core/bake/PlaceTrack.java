package kite.core.bake;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import kite.core.document.Entity;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;

/**
 * Where a guide light or a mark is on every frame: what is handed over for whoever lights the shot
 * or puts something into it.
 *
 * @param places x, y, z in metres, one row a frame
 */
public record PlaceTrack(String id, String name, double[] frames, double[] places) {

  /** The shown guide lights of a sequence, on the frames of a bake. */
  public static List<PlaceTrack> ofGuides(Sequence s, Plan plan, double[] frames) {
    List<Entity> guides = new ArrayList<>();
    for (Light l : s.all(Light.class)) if (l.form() == Light.Form.GUIDE && l.shown()) guides.add(l);
    return of(guides, plan, frames);
  }

  /**
   * Marks of a sequence, on the frames of a bake.
   *
   * @param ids of those that are wanted; others than marks are left out
   */
  public static List<PlaceTrack> ofMarks(
      Sequence s, Plan plan, double[] frames, Collection<String> ids) {
    List<Entity> marks = new ArrayList<>();
    for (Mark m : s.all(Mark.class)) if (ids.contains(m.id())) marks.add(m);
    return of(marks, plan, frames);
  }

  private static List<PlaceTrack> of(List<Entity> wanted, Plan plan, double[] frames) {
    List<PlaceTrack> all = new ArrayList<>();
    for (Entity e : wanted)
      all.add(new PlaceTrack(e.id(), e.name(), frames, new double[frames.length * 3]));
    for (int f = 0; f < frames.length; f++)
      for (PlaceTrack t : all) {
        plan.evaluateOnly(t.id, frames[f]);
        int from = plan.slot(t.id) * Matrix.SIZE + Matrix.OX;
        System.arraycopy(plan.world(), from, t.places, f * 3, 3);
      }
    return all;
  }

  /** Whether it never moves. */
  public boolean isStill() {
    for (int i = 3; i < places.length; i++) if (places[i] != places[i % 3]) return false;
    return true;
  }
}
