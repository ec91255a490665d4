package kite.core.report;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.DepthRuler;
import kite.core.frame.Extent;
import kite.core.frame.Eye;
import kite.core.math.Vec3;
import kite.core.optics.DepthOfField;

/** For each subject, frame by frame: whether a camera has it in frame, safe, whole and sharp. */
public final class FrameReport {
  /** Bits of {@link Row#seen}. */
  public static final int IN_FRAME = 1;

  public static final int WHOLE = 2;

  /** All of it inside the middle 90 % of the frame. */
  public static final int IN_SAFE = 4;

  /** Cut by the near or far clip. */
  public static final int CLIPPED = 8;

  /** Its usual point within the limits of what is sharp. */
  public static final int SHARP = 16;

  private static final double SAFE = 0.05;

  /**
   * @param seen one set of bits per frame asked
   * @param height share of the frame's height it fills, per frame; 0 out of frame
   */
  public record Row(String id, String name, int[] seen, double[] height) {}

  private FrameReport() {}

  /**
   * Rows of all shown subjects that are in frame at any of the frames.
   *
   * @param plan any plan of the sequence; it is left at the last frame asked
   */
  public static List<Row> of(
      Sequence s, Plan plan, Camera camera, double first, double step, int count) {
    double circle = s.header().packageOf(camera).circleMm();
    List<Row> rows = new ArrayList<>();
    for (String id : DepthRuler.subjects(s))
      if (s.isShown((Piece) s.get(id)))
        rows.add(new Row(id, s.get(id).name(), new int[count], new double[count]));
    int o = plan.slot(camera.id()) * LensRow.SIZE;
    double[] p = new double[3];
    for (int i = 0; i < count; i++) {
      double frame = first + i * step;
      plan.evaluateOnly(camera.id(), frame);
      double[] lens = plan.lens();
      Eye eye = Eye.of(plan, camera.id());
      DepthOfField sharp =
          new DepthOfField(
              lens[o + LensRow.FOCAL], lens[o + LensRow.F_STOP], circle, lens[o + LensRow.FOCUS]);
      for (Row r : rows) {
        plan.evaluateOnly(r.id(), frame);
        Extent e = Extent.of(plan, eye, r.id());
        if (e == null || !e.inFrame()) continue;
        int bits = IN_FRAME;
        boolean ahead = e.wholeNearM() > 0;
        if (ahead && inside(e, 0)) bits |= WHOLE;
        if (ahead && inside(e, SAFE)) bits |= IN_SAFE;
        if (e.nearM() < lens[o + LensRow.NEAR] || e.farM() > lens[o + LensRow.FAR]) bits |= CLIPPED;
        plan.anchor(r.id(), null, p);
        double depth = -eye.seen(new Vec3(p[0], p[1], p[2])).z();
        if (depth >= sharp.nearLimitM() && depth <= sharp.farLimitM()) bits |= SHARP;
        r.seen()[i] = bits;
        r.height()[i] = e.height();
      }
    }
    rows.removeIf(r -> Arrays.stream(r.seen()).allMatch(b -> b == 0));
    return rows;
  }

  private static boolean inside(Extent e, double margin) {
    return e.left() >= margin
        && e.right() <= 1 - margin
        && e.top() >= margin
        && e.bottom() <= 1 - margin;
  }
}
