package kite.core.frame;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;

/** Everything a camera sees at the frame a plan last evaluated, and why it sees nothing. */
public final class WhatIsSeen {

  /** A piece with its extent, and which of the camera's clips cut it. */
  public record Seen(Piece piece, Extent extent, boolean cutNear, boolean cutFar) {}

  private WhatIsSeen() {}

  /** Shown pieces inside the frame, also those that the clips cut away whole. */
  public static List<Seen> of(Sequence s, Plan plan, Camera camera) {
    Eye eye = Eye.of(plan, camera.id());
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double near = plan.lens()[o + LensRow.NEAR], far = plan.lens()[o + LensRow.FAR];
    List<Seen> all = new ArrayList<>();
    for (Piece p : s.all(Piece.class)) {
      if (!s.isShown(p)) continue;
      Extent e = Extent.of(plan, eye, p.id());
      if (e != null && e.inFrame()) all.add(new Seen(p, e, e.nearM() < near, e.farM() > far));
    }
    return all;
  }

  /**
   * Why a camera's picture is empty.
   *
   * @param text one sentence; empty when there is something in it
   * @param clips whether moving the clips brings something into it
   */
  public record Why(String text, boolean clips) {}

  private static final Why NOT_EMPTY = new Why("", false);

  public static Why whyEmpty(Sequence s, Plan plan, Camera camera) {
    Eye eye = Eye.of(plan, camera.id());
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double near = plan.lens()[o + LensRow.NEAR], far = plan.lens()[o + LensRow.FAR];
    List<String> hidden = new ArrayList<>(),
        tooFar = new ArrayList<>(),
        tooNear = new ArrayList<>();
    int pieces = 0, ahead = 0, beside = 0;
    for (Piece p : s.all(Piece.class)) {
      if (p.shape() instanceof Shape.Group) continue;
      Extent e = Extent.of(plan, eye, p.id());
      if (e == null) continue;
      pieces++;
      if (e.wholeFarM() > 0) ahead++;
      if (!e.inFrame()) {
        if (e.wholeFarM() > 0) beside++;
        continue;
      }
      if (!s.isShown(p)) hidden.add(p.name());
      else if (e.nearM() > far) tooFar.add(p.name());
      else if (e.farM() < near) tooNear.add(p.name());
      else return NOT_EMPTY;
    }
    if (pieces == 0)
      return new Why("There is nothing in the set yet. Add a stand-in or bring in a model.", false);
    if (!tooFar.isEmpty()) return new Why(named(tooFar) + " beyond the far clip.", true);
    if (!tooNear.isEmpty()) return new Why(named(tooNear) + " nearer than the near clip.", true);
    if (!hidden.isEmpty())
      return new Why(
          named(hidden) + " in frame, but hidden: by its eye in the roster, or by its layer.",
          false);
    if (ahead == 0)
      return new Why("Everything is behind this camera. It faces away from the set.", false);
    return new Why(beside + " pieces are ahead of this camera, all outside its frame.", false);
  }

  private static String named(List<String> names) {
    if (names.size() == 1) return "“" + names.get(0) + "” is";
    return "“" + names.get(0) + "” and " + (names.size() - 1) + " more are";
  }
}
