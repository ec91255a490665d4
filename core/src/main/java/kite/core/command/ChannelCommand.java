package kite.core.command;

import java.util.List;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.KeyShape;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.rules.Locks;
import kite.core.rules.Refusal;

/** Commands on one channel: {@code id} names the entity, {@code channel} the address in it. */
public sealed interface ChannelCommand extends Command {
  String id();

  String channel();

  /** The channel after the change. */
  Channel change(Channel old);

  @Override
  default Sequence applyTo(Sequence s) {
    Entity e = Command.need(s, id(), Entity.class);
    ChannelSpec spec = e.channelSpec(channel());
    if (spec == null)
      throw new Refusal(
          "missing", id(), channel(), "“" + e.name() + "” has no channel “" + channel() + "”.");
    Locks.check(s, e, channel());
    try {
      return s.with(e.withChannel(channel(), change(e.channel(channel()))));
    } catch (IllegalArgumentException bad) {
      throw new Refusal(
          "curve",
          id(),
          channel(),
          spec.label() + " of “" + e.name() + "”: " + bad.getMessage() + ".");
    }
  }

  /** Puts a whole channel in place of the one there was. */
  record SetChannel(String id, String channel, Channel value) implements ChannelCommand {
    public static final String KIND = "setChannel";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      return value;
    }
  }

  /**
   * Sets a number at a frame. A curve gets a key there; a fixed value stays fixed unless {@code
   * key} asks for one.
   */
  record SetValue(String id, String channel, double frame, double value, boolean key)
      implements ChannelCommand {
    public static final String KIND = "setValue";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      return key || old instanceof Channel.Curve
          ? CurveEdits.setValue(old, frame, value)
          : Channel.fixed(value);
    }
  }

  /** Adds a key on the curve without changing its shape. */
  record InsertKey(String id, String channel, double frame) implements ChannelCommand {
    public static final String KIND = "insertKey";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      Channel now = CurveEdits.insert(old, frame);
      if (now == old && old instanceof Channel.Curve c && !c.holds(frame))
        throw new Refusal(
            "repeats",
            id,
            channel,
            "A key here would change how the curve repeats at its other end. Put it between the"
                + " keys, or let the curve hold there first.");
      return now;
    }
  }

  record RemoveKeys(String id, String channel, List<Double> frames) implements ChannelCommand {
    public static final String KIND = "removeKeys";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      return CurveEdits.remove(old, frames);
    }
  }

  record MoveKeys(String id, String channel, List<Double> frames, double byFrames, double byValue)
      implements ChannelCommand {
    public static final String KIND = "moveKeys";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      return CurveEdits.move(old, frames, byFrames, byValue);
    }
  }

  record ShapeKeys(String id, String channel, List<Double> frames, KeyShape shape)
      implements ChannelCommand {
    public static final String KIND = "shapeKeys";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      return CurveEdits.shape(old, frames, shape);
    }
  }

  /** Drags the handle before or after a key; {@code rise} is in the channel's unit. */
  record DragHandle(
      String id, String channel, double frame, boolean outgoing, double reach, double rise)
      implements ChannelCommand {
    public static final String KIND = "dragHandle";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Channel change(Channel old) {
      return CurveEdits.dragHandle(old, frame, outgoing, reach, rise);
    }
  }
}
