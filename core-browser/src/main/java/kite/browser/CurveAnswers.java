package kite.browser;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Handles;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.DecidedBy;
import kite.core.motion.Motion;
import kite.core.motion.MotionRequest;
import kite.core.motion.MoveTogether;
import kite.core.number.Unit;
import kite.core.rules.Locks;
import org.teavm.jso.typedarrays.Float64Array;

/** Channels, their curves, and edits of keys. */
@Answers
final class CurveAnswers {
  private CurveAnswers() {}

  /**
   * @param value at the frame asked for, with {@code least} and {@code most} in its unit
   * @param inEffect for a camera's lens at the frame last evaluated the number in effect; else
   *     value
   * @param decidedBy in words what decides it in place of the channel, or ""
   * @param locked why it cannot be changed, or ""
   */
  record ChannelInfo(
      String address,
      String label,
      Unit unit,
      double initial,
      double least,
      double most,
      double value,
      double inEffect,
      String decidedBy,
      boolean keyed,
      String locked) {}

  /** Channels of a thing with their values at a frame. */
  public static List<ChannelInfo> channels(String id, double frame) {
    List<ChannelInfo> all = new ArrayList<>();
    Entity e = Opened.thing(id);
    if (e == null) return all;
    for (Map.Entry<String, ChannelSpec> c : e.channelSpecs().entrySet())
      all.add(info(e, c.getKey(), c.getValue(), frame));
    return all;
  }

  private static ChannelInfo info(Entity e, String address, ChannelSpec spec, double frame) {
    Sequence s = Opened.shown();
    Plan plan = Opened.plan();
    Channel channel =
        e instanceof Camera k && address.indexOf('/') < 0
            ? s.header().channel(k, spec)
            : e.channel(address);
    String why = Locks.why(s, e, address), by = "";
    double value = channel.at(frame), inEffect = value;
    if (e instanceof Camera k && plan.frame() == frame) {
      int lens = Camera.LENS.indexOf(spec);
      if (lens >= 0) inEffect = plan.lens()[plan.slot(k.id()) * LensRow.SIZE + lens];
      by = DecidedBy.says(s, k, spec);
    }
    return new ChannelInfo(
        address,
        spec.label(),
        spec.unit(),
        spec.initial(),
        spec.least(),
        spec.most(),
        value,
        inEffect,
        by,
        channel instanceof Channel.Curve,
        why == null ? "" : why);
  }

  /** Values of a channel at {@code first}, {@code first + step} …, as many as {@code out} holds. */
  public static void curve(String id, String channel, double first, double step, Float64Array out) {
    CompiledCurve c = compiled(id, channel);
    for (int i = 0; i < out.getLength(); i++) out.set(i, c == null ? 0 : c.value(first + i * step));
  }

  /** How fast a channel changes at those frames, in its unit a second. */
  public static void speed(String id, String channel, double first, double step, Float64Array out) {
    CompiledCurve c = compiled(id, channel);
    double fps = Opened.shown().header().rate().perSecond();
    for (int i = 0; i < out.getLength(); i++)
      out.set(i, c == null ? 0 : c.slope(first + i * step) * fps);
  }

  private static CompiledCurve compiled(String id, String channel) {
    Entity e = Opened.thing(id);
    return e == null || e.channelSpec(channel) == null
        ? null
        : CompiledCurve.of(e.channel(channel));
  }

  /** The handles in use, segment after segment; none where the channel has no keys. */
  public static List<Handles> handles(String id, String channel) {
    List<Handles> all = new ArrayList<>();
    Entity e = Opened.thing(id);
    if (e != null
        && e.channelSpec(channel) != null
        && e.channel(channel) instanceof Channel.Curve c) {
      for (int i = 0; i + 1 < c.keys().size(); i++) all.add(Handles.of(c.keys(), i));
    }
    return all;
  }

  /** The commands an edit of chosen keys amounts to. */
  public static List<Command> motion(MotionRequest request) {
    return Motion.edit(Opened.shown(), request.picked(), request.edit());
  }

  /** Frames on which any key or cue of a thing stands, and cuts if asked. */
  public static List<Double> standing(String id, boolean cuts) {
    TreeSet<Double> all = new TreeSet<>(MoveTogether.frames(Opened.thing(id)));
    if (cuts) all.addAll(MoveTogether.cuts(Opened.shown(), Opened.thing(id)));
    return List.copyOf(all);
  }

  /** The commands that move all keys and cues, and cuts if asked, that stand on some frames. */
  public static List<Command> moveTogether(
      String id, List<Double> frames, double by, boolean cuts) {
    Entity e = Opened.thing(id);
    return cuts
        ? MoveTogether.moveWithCuts(Opened.shown(), e, frames, by)
        : MoveTogether.move(e, frames, by);
  }

  /** The commands that hold a thing so many frames longer: what comes after is shifted. */
  public static List<Command> holdLonger(String id, double frame, double frames, boolean cuts) {
    return MoveTogether.holdLonger(Opened.shown(), Opened.thing(id), frame, frames, cuts);
  }
}
