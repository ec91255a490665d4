package kite.core.frame;

import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.number.NumberText;
import kite.core.optics.AngleOfView;
import kite.core.optics.DepthOfField;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;

/** Whether one lens can keep two distances sharp at once. */
public final class HoldBoth {
  /** Two distances nearer to each other than this, metres, are one. */
  private static final double SAME_M = 1e-6;

  /** Metres by which a limit may miss by rounding. */
  private static final double ROUNDING = 1e-9;

  /** Stops and metres by which a lens of the kit may be missed by rounding. */
  private static final double KIT_ROUNDING = 1e-6;

  /** The smallest opening that photographic lenses usually have. */
  private static final double SMALLEST_OPENING = 22;

  /**
   * @param can whether the lens can
   * @param does whether it does as it is set now
   * @param says in plain words
   * @param focusM the focus distance that needs the least stopping down
   * @param fStop the f-number it then needs
   */
  public record Answer(boolean can, boolean does, String says, double focusM, double fStop) {}

  private HoldBoth() {}

  /**
   * @param a metres along the axis, with {@code b}, in either order
   */
  public static Answer of(Sequence s, Plan plan, Camera c, double a, double b) {
    double[] l = plan.lens();
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double f = l[o + LensRow.FOCAL], circle = s.header().packageOf(c).circleMm();
    double near = Math.min(a, b), far = Math.max(a, b);
    if (near <= f / 1000)
      return new Answer(false, false, "One of them is nearer than the lens is long.", near, 0);
    if (far - near < SAME_M)
      return new Answer(true, true, "Both are at the same distance.", near, l[o + LensRow.F_STOP]);
    double[] solved = DepthOfField.forLimits(f, circle, near, far);
    String stop = "f/" + NumberText.rounded(solved[1], 1);
    String lens = NumberText.rounded(f, 1) + " mm";
    boolean can = solved[1] <= SMALLEST_OPENING;
    DepthOfField now = new DepthOfField(f, l[o + LensRow.F_STOP], circle, l[o + LensRow.FOCUS]);
    boolean does = now.nearLimitM() <= near + ROUNDING && now.farLimitM() >= far - ROUNDING;
    String says =
        does
            ? "Holds both now."
            : can
                ? "Can hold both: needs " + stop + " at " + lens + "."
                : "Cannot hold both: needs " + stop + " at " + lens + ".";
    return new Answer(can, does, says, solved[0], solved[1]);
  }

  /** What is odd about a camera's lens, in a sentence; empty when nothing is. */
  public static String lensNote(Sequence s, Plan plan, Camera c) {
    double[] l = plan.lens();
    int o = plan.slot(c.id()) * LensRow.SIZE;
    if (!c.channels().set().containsKey("focalLength"))
      return "Nobody has chosen this lens yet: it is the "
          + NumberText.rounded(l[o + LensRow.FOCAL], 1)
          + " mm every new camera has.";
    Lens lens = null;
    for (LensKit k : s.header().standards().kits()) {
      if (k.squeeze() != s.header().packageOf(c).filmBack().squeeze()) continue;
      Lens found = k.lensFor(l[o + LensRow.FOCAL]);
      if (found != null && (lens == null || found.widestStop() < lens.widestStop())) lens = found;
    }
    if (s.header().standards().kits().isEmpty()) return "";
    if (lens == null)
      return NumberText.rounded(l[o + LensRow.FOCAL], 1)
          + " mm is in none of the production's lens kits.";
    if (l[o + LensRow.F_STOP] < lens.widestStop() - KIT_ROUNDING)
      return "This lens opens to f/" + NumberText.rounded(lens.widestStop(), 1) + " at most.";
    if (l[o + LensRow.FOCUS] < lens.closestFocusM() - KIT_ROUNDING)
      return "This lens focuses no nearer than "
          + NumberText.rounded(lens.closestFocusM(), 2)
          + " m.";
    return "";
  }

  /** wide, normal or long for the lens as a plan last evaluated it. */
  public static String reach(Plan plan, Camera c) {
    int o = plan.slot(c.id()) * LensRow.SIZE;
    double[] l = plan.lens();
    return LensKit.reach(
        AngleOfView.degrees(
            (l[o + LensRow.RIGHT] - l[o + LensRow.LEFT]) * l[o + LensRow.FOCAL],
            l[o + LensRow.FOCAL]));
  }
}
