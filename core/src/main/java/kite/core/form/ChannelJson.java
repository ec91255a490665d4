package kite.core.form;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.Map;
import kite.core.curve.Channel;
import kite.core.curve.Extrapolation;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Channels;
import kite.core.rules.Refusal;

/** Channels: a fixed value is a plain number, a curve an object with its keys. */
public final class ChannelJson {
  private ChannelJson() {}

  public static JsonValue write(Channel channel) {
    if (channel instanceof Channel.Fixed f) return Out.number(f.value());
    Channel.Curve c = (Channel.Curve) channel;
    return new Out()
        .put("keys", c.keys(), ChannelJson::write)
        .put("before", c.before())
        .put("after", c.after())
        .json;
  }

  private static JsonObject write(Key k) {
    return new Out()
        .put("frame", k.frame())
        .put("value", k.value())
        .put("shape", k.shape())
        .put("inFrames", k.inFrames())
        .put("inValue", k.inValue())
        .put("outFrames", k.outFrames())
        .put("outValue", k.outValue())
        .put("joined", k.joined())
        .json;
  }

  public static Channel read(Value v) {
    if (v.isNumber()) return Channel.fixed(v.number());
    Fields f = v.object();
    try {
      return f.done(
          new Channel.Curve(
              f.list("keys", ChannelJson::key),
              f.word("before", Extrapolation.values()),
              f.word("after", Extrapolation.values())));
    } catch (IllegalArgumentException e) {
      throw new Refusal(
          "curve", "", v.path(), "The curve " + v.path() + ": " + e.getMessage() + ".");
    }
  }

  public static Key key(Fields f) {
    return f.done(
        new Key(
            f.number("frame"),
            f.number("value"),
            f.word("shape", KeyShape.values()),
            f.number("inFrames"),
            f.number("inValue"),
            f.number("outFrames"),
            f.number("outValue"),
            f.truth("joined")));
  }

  public static JsonObject write(Channels channels) {
    JsonObject o = new JsonObject();
    for (Map.Entry<String, Channel> e : channels.set().entrySet())
      o.add(e.getKey(), write(e.getValue()));
    return o;
  }

  public static Channels channels(Fields f) {
    return new Channels(f.map("channels", ChannelJson::read));
  }
}
