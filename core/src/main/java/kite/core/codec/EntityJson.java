package kite.core.codec;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.List;
import java.util.Map;
import kite.core.command.Refusal;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;

/** Entities. */
public final class EntityJson {
  private EntityJson() {}

  public static JsonObject write(Entity e) {
    Out o = Out.kind(Words.of(e.getClass())).put("id", e.id()).put("name", e.name());
    if (e instanceof Piece p) {
      o.put("parent", p.parent())
          .put("shape", write(p.shape()))
          .put("colour", p.colour())
          .put("shown", p.shown())
          .put("locked", p.locked())
          .put("order", p.order())
          .put("channels", ChannelJson.write(p.channels()));
    } else if (e instanceof Mark m) {
      o.put("rides", m.rides()).put("channels", ChannelJson.write(m.channels()));
    } else if (e instanceof Path p) {
      o.put("style", p.style())
          .put("closed", p.closed())
          .put("points", p.points(), EntityJson::write);
    } else if (e instanceof Camera c) {
      o.put("letter", c.letter())
          .put("colour", c.colour())
          .put("locked", c.locked())
          .put("depthOfField", c.depthOfField())
          .put("channels", ChannelJson.write(c.channels()))
          .put("rig", c.rig(), RigJson::write);
    } else if (e instanceof Light l) {
      o.put("colour", l.colour())
          .put("sky", l.sky())
          .put("horizon", l.horizon())
          .put("channels", ChannelJson.write(l.channels()));
    } else if (e instanceof CutEntry c) {
      o.put("camera", c.camera()).put("firstFrame", c.firstFrame());
    }
    return o.json;
  }

  static Entity read(Fields f) {
    String kind = f.text("kind"), id = f.text("id"), name = f.text("name");
    Entity e =
        switch (kind) {
          case "piece" ->
              new Piece(
                  id,
                  name,
                  f.textOrNull("parent"),
                  shape(f.object("shape")),
                  f.text("colour"),
                  f.truth("shown"),
                  f.truth("locked"),
                  f.word("order", AxisOrder.values()),
                  ChannelJson.channels(f));
          case "mark" -> new Mark(id, name, f.textOrNull("rides"), ChannelJson.channels(f));
          case "path" ->
              new Path(id, name, f.word("style", PathStyle.values()), f.truth("closed"), points(f));
          case "camera" ->
              new Camera(
                  id,
                  name,
                  f.text("letter"),
                  f.text("colour"),
                  f.truth("locked"),
                  f.truth("depthOfField"),
                  ChannelJson.channels(f),
                  f.list("rig", RigJson::read));
          case "light" ->
              new Light(
                  id,
                  name,
                  f.text("colour"),
                  f.text("sky"),
                  f.text("horizon"),
                  ChannelJson.channels(f));
          case "cutEntry" -> new CutEntry(id, name, f.textOrNull("camera"), f.whole("firstFrame"));
          default ->
              throw Fields.bad(f.path("kind"), "names nothing a sequence can hold: “" + kind + "”");
        };
    onlyKnownChannels(e);
    return f.done(e);
  }

  private static void onlyKnownChannels(Entity e) {
    if (e instanceof Piece p) known(e, "", p.channels());
    if (e instanceof Mark m) known(e, "", m.channels());
    if (e instanceof Light l) known(e, "", l.channels());
    if (e instanceof Camera c) {
      known(e, "", c.channels());
      for (RigPart p : c.rig()) known(e, p.id() + "/", p.channels());
    }
  }

  private static void known(Entity e, String prefix, Channels channels) {
    Map<String, ?> specs = e.channelSpecs();
    for (String n : channels.set().keySet()) {
      if (!specs.containsKey(prefix + n))
        throw new Refusal(
            "json", e.id(), prefix + n, "“" + e.name() + "” has no channel “" + prefix + n + "”.");
    }
  }

  static JsonObject write(Shape shape) {
    Out o = Out.kind(Words.of(shape.getClass()));
    if (shape instanceof Shape.StandIn s) {
      o.put("form", s.form())
          .put("width", s.width())
          .put("height", s.height())
          .put("depth", s.depth());
    } else if (shape instanceof Shape.Model m) {
      o.put("asset", m.asset())
          .put("clip", m.clip())
          .put("clipStart", m.clipStart())
          .put("clipSpeed", m.clipSpeed())
          .put("loops", m.loops())
          .put("unitM", m.unitM());
    }
    return o.json;
  }

  static Shape shape(Fields f) {
    String kind = f.text("kind");
    return f.done(
        switch (kind) {
          case "standIn" ->
              new Shape.StandIn(
                  f.word("form", StandInKind.values()),
                  f.number("width"),
                  f.number("height"),
                  f.number("depth"));
          case "model" ->
              new Shape.Model(
                  f.text("asset"),
                  f.textOrNull("clip"),
                  f.number("clipStart"),
                  f.number("clipSpeed"),
                  f.truth("loops"),
                  f.number("unitM"));
          case "group" -> new Shape.Group();
          default -> throw Fields.bad(f.path("kind"), "names no shape: “" + kind + "”");
        });
  }

  static JsonValue write(PathPoint p) {
    return new Out().put("at", p.at()).put("in", p.in()).put("out", p.out()).json;
  }

  static List<PathPoint> points(Fields f) {
    return f.list("points", q -> q.done(new PathPoint(q.vec("at"), q.vec("in"), q.vec("out"))));
  }
}
