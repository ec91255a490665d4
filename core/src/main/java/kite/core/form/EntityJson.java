package kite.core.form;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Finish;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Marker;
import kite.core.document.Measure;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Plate;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.RigPart;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;

/** Entities. */
public final class EntityJson {
  private EntityJson() {}

  public static JsonObject write(Entity e) {
    Out o = Out.kind(e.kind()).put("id", e.id()).put("name", e.name());
    if (e instanceof Piece p) {
      o.put("parent", p.parent())
          .put("layer", p.layer())
          .put("shape", write(p.shape()))
          .put("colour", p.colour())
          .putOrNull("finish", p.finish(), EntityJson::write)
          .put("shown", p.shown())
          .put("locked", p.locked())
          .put("order", p.order())
          .put("channels", ChannelJson.write(p.channels()));
    } else if (e instanceof Mark m) {
      o.put("rides", m.rides())
          .put("anchor", m.anchor())
          .put("layer", m.layer())
          .put("shown", m.shown())
          .put("channels", ChannelJson.write(m.channels()));
    } else if (e instanceof Path p) {
      o.put("style", p.style())
          .put("closed", p.closed())
          .put("points", p.points(), EntityJson::write);
    } else if (e instanceof Camera c) {
      CameraJson.write(c, o);
    } else if (e instanceof Light l) {
      write(l, o);
    } else if (e instanceof CutEntry c) {
      o.put("camera", c.camera()).put("firstFrame", c.firstFrame());
    } else if (e instanceof Shot x) {
      ShotJson.write(x, o);
    } else if (e instanceof Marker m) {
      o.put("frame", m.frame()).put("colour", m.colour());
    } else if (e instanceof SoundTrack t) {
      SoundJson.write(t, o);
    } else if (e instanceof Sound x) {
      SoundJson.write(x, o);
    } else if (e instanceof AcceptedNote n) {
      o.put("of", n.of()).put("about", n.about());
    } else if (e instanceof ActionLine l) {
      o.put("first", l.first()).put("second", l.second());
    } else if (e instanceof Layer l) {
      o.put("colour", l.colour())
          .put("shown", l.shown())
          .put("rendered", l.rendered())
          .put("locked", l.locked());
    } else if (e instanceof Measure m) {
      o.put("camera", m.camera()).put("from", m.from()).put("to", m.to());
    } else if (e instanceof Air a) {
      o.put("colour", a.colour())
          .put("background", a.background())
          .put("channels", ChannelJson.write(a.channels()));
    } else if (e instanceof Plate p) {
      o.put("camera", p.camera())
          .texts("frames", p.frames())
          .put("fit", p.fit())
          .put("inFront", p.inFront())
          .put("shown", p.shown())
          .put("firstFrame", p.firstFrame())
          .put("after", p.after())
          .put("channels", ChannelJson.write(p.channels()));
    }
    return o.json;
  }

  public static JsonObject write(Finish x) {
    return new Out()
        .put("roughness", x.roughness())
        .put("metal", x.metal())
        .put("glow", x.glow())
        .put("picture", x.picture())
        .json;
  }

  public static Finish finish(Fields f) {
    return f.done(
        new Finish(
            f.number("roughness"), f.number("metal"), f.number("glow"), f.textOrNull("picture")));
  }

  private static void write(Light l, Out o) {
    o.put("form", l.form())
        .put("parent", l.parent())
        .put("layer", l.layer())
        .put("colour", l.colour())
        .put("kelvin", l.kelvin())
        .put("softShadow", l.softShadow())
        .put("shadowTint", l.shadowTint())
        .put("specular", l.specular())
        .put("sky", l.sky())
        .put("horizon", l.horizon())
        .put("shown", l.shown())
        .putOrNull("attention", l.attention(), RigJson::write)
        .put("channels", ChannelJson.write(l.channels()));
  }

  /** Reads an entity as {@link #write} writes it. */
  public static Entity read(JsonObject o) {
    return read(Fields.of(o, "$"));
  }

  public static Entity read(Fields f) {
    String kind = f.text("kind"), id = f.text("id"), name = f.text("name");
    Entity e =
        switch (kind) {
          case Piece.KIND ->
              new Piece(
                  id,
                  name,
                  f.textOrNull("parent"),
                  f.textOrNull("layer"),
                  shape(f.object("shape")),
                  f.text("colour"),
                  f.orNullIfAny("finish", EntityJson::finish),
                  f.truth("shown"),
                  f.truth("locked"),
                  f.word("order", AxisOrder.values()),
                  ChannelJson.channels(f));
          case Mark.KIND ->
              new Mark(
                  id,
                  name,
                  f.textOrNull("rides"),
                  f.textOrNull("anchor"),
                  f.textIfAny("layer"),
                  f.truthOr("shown", true),
                  ChannelJson.channels(f));
          case Path.KIND ->
              new Path(id, name, f.word("style", PathStyle.values()), f.truth("closed"), points(f));
          case Camera.KIND -> CameraJson.read(id, name, f);
          case Light.KIND -> light(id, name, f);
          case CutEntry.KIND ->
              new CutEntry(id, name, f.textOrNull("camera"), f.whole("firstFrame"));
          case Shot.KIND -> ShotJson.read(id, name, f);
          case Marker.KIND -> new Marker(id, name, f.whole("frame"), f.text("colour"));
          case SoundTrack.KIND -> SoundJson.track(id, name, f);
          case Sound.KIND -> SoundJson.sound(id, name, f);
          case AcceptedNote.KIND -> new AcceptedNote(id, name, f.text("of"), f.text("about"));
          case ActionLine.KIND -> new ActionLine(id, name, f.text("first"), f.text("second"));
          case Layer.KIND ->
              new Layer(
                  id,
                  name,
                  f.text("colour"),
                  f.truth("shown"),
                  f.truth("rendered"),
                  f.truth("locked"));
          case Measure.KIND ->
              new Measure(id, name, f.textOrNull("camera"), f.vec("from"), f.vec("to"));
          case Air.KIND ->
              new Air(
                  id, name, f.text("colour"), f.textOrNull("background"), ChannelJson.channels(f));
          case Plate.KIND ->
              new Plate(
                  id,
                  name,
                  f.textOrNull("camera"),
                  f.texts("frames"),
                  f.word("fit", Plate.PlateFit.values()),
                  f.truth("inFront"),
                  f.truth("shown"),
                  f.whole("firstFrame"),
                  f.word("after", Plate.After.values()),
                  ChannelJson.channels(f));
          default ->
              throw Fields.bad(f.path("kind"), "names nothing a sequence can hold: “" + kind + "”");
        };
    onlyKnownChannels(e);
    return f.done(e);
  }

  private static Light light(String id, String name, Fields f) {
    RigPart part = f.orNull("attention", RigJson::read);
    if (part != null && !(part instanceof Attention))
      throw Fields.bad(f.path("attention"), "must be an attention part");
    return new Light(
        id,
        name,
        f.word("form", Light.Form.values()),
        f.textOrNull("parent"),
        f.textOrNull("layer"),
        f.text("colour"),
        f.number("kelvin"),
        f.truth("softShadow"),
        f.text("shadowTint"),
        f.truth("specular"),
        f.text("sky"),
        f.text("horizon"),
        f.truth("shown"),
        (Attention) part,
        ChannelJson.channels(f));
  }

  private static void onlyKnownChannels(Entity e) {
    if (e instanceof Piece p) known(e, "", p.channels());
    if (e instanceof Mark m) known(e, "", m.channels());
    if (e instanceof Light l) known(e, "", l.channels());
    if (e instanceof Air a) known(e, "", a.channels());
    if (e instanceof Plate p) known(e, "", p.channels());
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

  /** A copy of an entity in which every id that is a key of {@code renamed} has its value's. */
  public static Entity withIds(Entity e, Map<String, String> renamed) {
    JsonObject o = renamed(write(e), renamed).asObject();
    o.set("id", renamed.getOrDefault(e.id(), e.id())); // parts have ids, too, which are their own
    return read(Fields.of(o, "$"));
  }

  /** Ids stand as values of fields that name entities, and as names in a cue's mix. */
  private static JsonValue renamed(JsonValue v, Map<String, String> ids) {
    if (v.isArray()) {
      JsonArray a = new JsonArray();
      for (JsonValue x : v.asArray()) a.add(renamed(x, ids));
      return a;
    }
    if (!v.isObject()) return v;
    JsonObject o = new JsonObject();
    for (JsonObject.Member m : v.asObject()) {
      JsonValue x = m.getValue();
      if (m.getName().equals(MIX)) o.add(MIX, renamedNames(x.asObject(), ids));
      else
        o.add(m.getName(), ID_FIELDS.contains(m.getName()) ? renamedIds(x, ids) : renamed(x, ids));
    }
    return o;
  }

  private static JsonObject renamedNames(JsonObject mix, Map<String, String> ids) {
    JsonObject o = new JsonObject();
    for (JsonObject.Member m : mix) o.add(ids.getOrDefault(m.getName(), m.getName()), m.getValue());
    return o;
  }

  /** An id, or a list of ids. */
  private static JsonValue renamedIds(JsonValue v, Map<String, String> ids) {
    if (v.isString()) return Json.value(ids.getOrDefault(v.asString(), v.asString()));
    if (!v.isArray()) return renamed(v, ids);
    JsonArray a = new JsonArray();
    for (JsonValue x : v.asArray()) a.add(renamedIds(x, ids));
    return a;
  }

  private static final String MIX = "mix";

  private static final Set<String> ID_FIELDS =
      Set.of(
          "parent", "rides", "layer", "camera", "cameras", "entity", "path", "guide", "upPiece",
          "of", "track", "first", "second");

  public static JsonObject write(Shape shape) {
    Out o = Out.kind(shape.kind());
    if (shape instanceof Shape.StandIn s) {
      o.put("form", s.form())
          .put("width", s.width())
          .put("height", s.height())
          .put("depth", s.depth())
          .putOrNull("stance", s.stance(), EntityJson::write);
    } else if (shape instanceof Shape.Model m) {
      o.put("asset", m.asset())
          .put("clip", m.clip())
          .put("clipStart", m.clipStart())
          .put("clipSpeed", m.clipSpeed())
          .put("loops", m.loops())
          .put("unitM", m.unitM())
          .put("zUp", m.zUp())
          .put("text", m.text());
    } else if (shape instanceof Shape.Instance i) {
      o.put("of", i.of());
    }
    return o.json;
  }

  private static JsonValue write(Shape.Stance s) {
    return new Out()
        .put("headTurn", s.headTurn())
        .put("headTilt", s.headTilt())
        .put("leftArm", s.leftArm())
        .put("rightArm", s.rightArm())
        .put("lean", s.lean())
        .json;
  }

  private static Shape.Stance stance(Fields f) {
    return f.done(
        new Shape.Stance(
            f.number("headTurn"),
            f.number("headTilt"),
            f.number("leftArm"),
            f.number("rightArm"),
            f.number("lean")));
  }

  public static Shape shape(Fields f) {
    String kind = f.text("kind");
    return f.done(
        switch (kind) {
          case Shape.StandIn.KIND ->
              new Shape.StandIn(
                  f.word("form", StandInKind.values()),
                  f.number("width"),
                  f.number("height"),
                  f.number("depth"),
                  f.orNull("stance", EntityJson::stance));
          case Shape.Model.KIND ->
              new Shape.Model(
                  f.text("asset"),
                  f.textOrNull("clip"),
                  f.number("clipStart"),
                  f.number("clipSpeed"),
                  f.truth("loops"),
                  f.number("unitM"),
                  f.truth("zUp"),
                  f.textOrNull("text"));
          case Shape.Instance.KIND -> new Shape.Instance(f.text("of"));
          case Shape.Group.KIND -> new Shape.Group();
          default -> throw Fields.bad(f.path("kind"), "names no shape: “" + kind + "”");
        });
  }

  public static JsonValue write(PathPoint p) {
    return new Out().put("at", p.at()).put("in", p.in()).put("out", p.out()).json;
  }

  public static List<PathPoint> points(Fields f) {
    return f.list("points", q -> q.done(new PathPoint(q.vec("at"), q.vec("in"), q.vec("out"))));
  }
}
