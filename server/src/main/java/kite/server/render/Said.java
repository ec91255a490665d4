package kite.server.render;

import java.time.ZoneId;
import java.util.EnumMap;
import java.util.Map;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.number.NumberText;
import kite.core.number.Timecode;
import kite.core.number.Unit;

/** What can be written into a frame of a render. */
final class Said {
  private Said() {}

  /**
   * @param production what it is called
   * @param placed the shot that the frame is of, in its place; null for none
   * @param programme the frame of the programme that it is
   */
  static Map<BurnIn.Item, String> of(
      RenderJob job,
      Sequence s,
      Plan plan,
      Shot.At at,
      String production,
      Programme.Placed placed,
      int programme) {
    Header h = s.header();
    Map<BurnIn.Item, String> all = new EnumMap<>(BurnIn.Item.class);
    all.put(BurnIn.Item.PRODUCTION, production);
    all.put(BurnIn.Item.SEQUENCE, h.code());
    all.put(BurnIn.Item.SHOT, at.code() == null ? "" : at.code());
    all.put(BurnIn.Item.FRAME_OF_SCENE, "scene " + NumberText.rounded(at.scene(), 2));
    all.put(BurnIn.Item.TIMECODE, Timecode.of(at.frame() - h.firstFrame(), h.rate()));
    all.put(BurnIn.Item.DATE, job.askedAt.atZone(ZoneId.of("UTC")).toLocalDate().toString());
    all.put(BurnIn.Item.VERSION, "v" + job.numbered);
    all.put(BurnIn.Item.WHO, job.askedBy);
    if (placed != null) {
      // handles are before 1 and behind the last
      all.put(BurnIn.Item.FRAME_OF_SHOT, "frame " + (programme - placed.first() + 1));
      if (s.get(placed.id()) instanceof kite.core.document.Shot x)
        all.put(BurnIn.Item.TAKE, "take " + x.take().name());
    }
    if (s.get(at.camera()) instanceof Camera c) {
      all.put(BurnIn.Item.CAMERA, c.letter() + " " + c.name());
      lens(all, plan.inTake(at.take()), c, at.scene(), h.displayUnit());
    }
    return all;
  }

  private static void lens(
      Map<BurnIn.Item, String> all, Plan plan, Camera c, double scene, String unit) {
    plan.evaluate(scene);
    double[] l = plan.lens();
    int o = plan.slot(c.id()) * LensRow.SIZE;
    all.put(
        BurnIn.Item.LENS, NumberText.shown(l[o + LensRow.FOCAL], Unit.MILLIMETRES, unit) + " mm");
    all.put(BurnIn.Item.STOP, "f/" + NumberText.shown(l[o + LensRow.F_STOP], Unit.F_STOP, unit));
    all.put(BurnIn.Item.FOCUS, "focus " + NumberText.length(l[o + LensRow.FOCUS], unit));
  }
}
