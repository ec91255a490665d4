package kite.core.evaluate;

import java.util.List;
import kite.core.math.Matrix;
import kite.core.rig.Subject;

/** The points that an aim or a focus looks for, ready for evaluation. */
public final class SubjectPoints {
  private final Subject[] subjects;
  private final PlaceNode[] pieces;
  private final int[] slots;

  SubjectPoints(List<Subject> subjects, PlaceNode[] pieces, int[] slots) {
    this.subjects = subjects.toArray(new Subject[0]);
    this.pieces = pieces;
    this.slots = slots;
  }

  public int count() {
    return subjects.length;
  }

  /** Writes where a subject is in the world. Never allocates. */
  public void world(int i, double frame, Plan plan, double[] out) {
    out[0] = out[1] = out[2] = 0;
    if (pieces[i] != null) pieces[i].anchor(subjects[i].anchor(), frame, out);
    Matrix.point(
        plan.world,
        slots[i] * Matrix.SIZE,
        out[0] + subjects[i].offset().x(),
        out[1] + subjects[i].offset().y(),
        out[2] + subjects[i].offset().z(),
        out,
        0);
  }
}
