package kite.core.codec;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand;
import kite.core.command.ChannelCommand.DragHandle;
import kite.core.command.ChannelCommand.InsertKey;
import kite.core.command.ChannelCommand.MoveKeys;
import kite.core.command.ChannelCommand.RemoveKeys;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.ChannelCommand.ShapeKeys;
import kite.core.command.Command;
import kite.core.command.CutCommand;
import kite.core.command.CutCommand.Ripple;
import kite.core.command.CutCommand.Roll;
import kite.core.command.CutCommand.Swap;
import kite.core.command.CutCommand.ToShots;
import kite.core.command.EntityCommand;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Attach;
import kite.core.command.EntityCommand.Duplicate;
import kite.core.command.EntityCommand.Lay;
import kite.core.command.EntityCommand.LetGo;
import kite.core.command.EntityCommand.Lock;
import kite.core.command.EntityCommand.LockChannels;
import kite.core.command.EntityCommand.Nest;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.EntityCommand.Rename;
import kite.core.command.EntityCommand.Replace;
import kite.core.command.EntityCommand.Reroute;
import kite.core.command.EntityCommand.Reshape;
import kite.core.command.EntityCommand.SetFinish;
import kite.core.command.EntityCommand.Show;
import kite.core.command.EntityCommand.Stood;
import kite.core.command.EntityCommand.Substitute;
import kite.core.command.RigCommand;
import kite.core.command.RigCommand.AddPart;
import kite.core.command.RigCommand.Level;
import kite.core.command.RigCommand.MoveCue;
import kite.core.command.RigCommand.MovePart;
import kite.core.command.RigCommand.Orbit;
import kite.core.command.RigCommand.PlaceCamera;
import kite.core.command.RigCommand.PutCue;
import kite.core.command.RigCommand.RemoveCue;
import kite.core.command.RigCommand.RemovePart;
import kite.core.command.RigCommand.Ride;
import kite.core.command.RigCommand.SetBack;
import kite.core.command.RigCommand.SetCues;
import kite.core.command.RigCommand.SetDepthOfField;
import kite.core.command.RigCommand.SetFocus;
import kite.core.command.RigCommand.SetLimits;
import kite.core.command.RigCommand.SetMotionBlur;
import kite.core.command.RigCommand.SetPart;
import kite.core.command.RigCommand.SetRig;
import kite.core.command.RigCommand.SwitchPart;
import kite.core.command.RigCommand.Walk;
import kite.core.command.SequenceCommand;
import kite.core.command.SequenceCommand.Amend;
import kite.core.command.SequenceCommand.Follow;
import kite.core.command.SequenceCommand.Restore;
import kite.core.command.SequenceCommand.SetHeader;
import kite.core.command.ShotCommand;
import kite.core.curve.KeyShape;
import kite.core.delta.DeltaJson;
import kite.core.document.Mark;
import kite.core.form.CameraJson;
import kite.core.form.ChannelJson;
import kite.core.form.EntityJson;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.RigJson;
import kite.core.form.SequenceJson;
import kite.core.form.StandardsJson;
import kite.core.path.PathStyle;
import kite.core.rig.Subject;
import kite.core.rig.base.Base;

/**
 * Commands. An edit is kept as {@code {"commands": [...]}}, and goes between page and server as the
 * list alone.
 */
public final class CommandJson {
  private CommandJson() {}

  public static List<Command> readAll(String text) {
    Fields f = Fields.parse(text);
    return f.done(f.list("commands", CommandJson::read));
  }

  /** Reads a list of commands; also within an object of their name, as earlier builds sent them. */
  public static List<Command> list(String text) {
    return said(text).commands();
  }

  /**
   * Commands as they were said.
   *
   * @param whole of each, whether it would be written just as it was said: nothing was left out
   */
  public record Said(List<Command> commands, boolean[] whole) {}

  /** As {@link #list} does. */
  public static Said said(String text) {
    JsonValue v = Fields.value(text);
    Fields f = Fields.of(v.isObject() ? v : new JsonObject().add("commands", v), "$");
    List<Fields> all = f.done(f.list("commands", c -> c));
    List<Command> commands = new ArrayList<>(all.size());
    boolean[] whole = new boolean[all.size()];
    for (Fields c : all) {
      Command read = read(c);
      whole[commands.size()] = c.isWhole();
      commands.add(read);
    }
    return new Said(commands, whole);
  }

  public static String writeAll(List<? extends Command> commands) {
    return new Out().put("commands", commands, CommandJson::write).json.toString();
  }

  static Command read(Fields f) {
    String kind = f.text("kind");
    return f.done(
        switch (kind) {
          case Add.KIND -> new Add(EntityJson.read(f.object("entity")));
          case LetGo.KIND -> new LetGo(f.texts("ids"), f.number("frame"));
          case Remove.KIND -> new Remove(f.texts("ids"), f.truth("letGo"));
          case Rename.KIND -> new Rename(f.text("id"), f.text("name"));
          case Show.KIND -> new Show(f.texts("ids"), f.truth("shown"));
          case Lock.KIND -> new Lock(f.texts("ids"), f.truth("locked"));
          case SetFinish.KIND ->
              new SetFinish(f.texts("ids"), f.orNull("finish", EntityJson::finish));
          case Reshape.KIND ->
              new Reshape(f.text("id"), EntityJson.shape(f.object("shape")), f.text("colour"));
          case Nest.KIND ->
              new Nest(
                  f.text("id"), f.textOrNull("parent"), f.truth("keepPlace"), f.number("frame"));
          case Attach.KIND ->
              new Attach(
                  f.text("id"), f.textOrNull("rides"), f.textOrNull("anchor"), f.number("frame"));
          case LockChannels.KIND ->
              new LockChannels(f.text("camera"), f.texts("channels"), f.truth("locked"));
          case Replace.KIND -> new Replace(EntityJson.read(f.object("entity")));
          case Lay.KIND -> new Lay(f.texts("ids"), f.textOrNull("layer"));
          case Duplicate.KIND ->
              new Duplicate(f.texts("ids"), f.texts("newIds"), f.truth("instances"));
          case Substitute.KIND -> substitute(f);
          case Follow.KIND -> new Follow(StandardsJson.read(f.object("standards")));
          case Reroute.KIND ->
              new Reroute(
                  f.text("id"),
                  f.word("style", PathStyle.values()),
                  f.truth("closed"),
                  EntityJson.points(f));
          case Roll.KIND -> new Roll(f.text("id"), f.whole("frame"));
          case Ripple.KIND -> new Ripple(f.text("id"), f.whole("frame"));
          case Swap.KIND -> new Swap(f.text("id"), f.textOrNull("camera"));
          case Amend.KIND -> new Amend(DeltaJson.read(f.object("delta")));
          case SetHeader.KIND -> new SetHeader(SequenceJson.header(f.object("header")));
          case Restore.KIND ->
              new Restore(
                  f.list("put", EntityJson::read),
                  f.texts("remove"),
                  SequenceJson.headerOrNull(f, "header"));
          case ToShots.KIND -> new ToShots();
          default -> {
            Command onShots = ShotCommandJson.read(kind, f);
            yield onShots == null ? readChannel(kind, f) : onShots;
          }
        });
  }

  /** Builds before this one placed a single mark, by hand and at no frame. */
  private static Substitute substitute(Fields f) {
    String id = f.text("id");
    if (f.has("mark"))
      return new Substitute(id, List.of(new Stood(mark(f.object("mark")), Subject.of(id))), 0);
    return new Substitute(
        id,
        f.list(
            "marks",
            m -> m.done(new Stood(mark(m.object("mark")), RigJson.subject(m.object("where"))))),
        f.number("frame"));
  }

  private static Mark mark(Fields f) {
    if (EntityJson.read(f) instanceof Mark m) return m;
    throw Fields.bad(f.path("kind"), "must be a mark");
  }

  private static Command readChannel(String kind, Fields f) {
    return switch (kind) {
      case SetChannel.KIND ->
          new SetChannel(f.text("id"), f.text("channel"), f.value("value", ChannelJson::read));
      case SetValue.KIND ->
          new SetValue(
              f.text("id"),
              f.text("channel"),
              f.number("frame"),
              f.number("value"),
              f.truth("key"));
      case InsertKey.KIND -> new InsertKey(f.text("id"), f.text("channel"), f.number("frame"));
      case RemoveKeys.KIND ->
          new RemoveKeys(f.text("id"), f.text("channel"), f.numberList("frames"));
      case MoveKeys.KIND ->
          new MoveKeys(
              f.text("id"),
              f.text("channel"),
              f.numberList("frames"),
              f.number("byFrames"),
              f.number("byValue"));
      case ShapeKeys.KIND ->
          new ShapeKeys(
              f.text("id"),
              f.text("channel"),
              f.numberList("frames"),
              f.word("shape", KeyShape.values()));
      case DragHandle.KIND ->
          new DragHandle(
              f.text("id"),
              f.text("channel"),
              f.number("frame"),
              f.truth("outgoing"),
              f.number("reach"),
              f.number("rise"));
      default -> readRig(kind, f);
    };
  }

  private static Command readRig(String kind, Fields f) {
    String camera = f.text("camera");
    return switch (kind) {
      case AddPart.KIND -> new AddPart(camera, RigJson.read(f.object("part")), f.whole("index"));
      case RemovePart.KIND -> new RemovePart(camera, f.text("part"));
      case MovePart.KIND -> new MovePart(camera, f.text("part"), f.whole("index"));
      case SwitchPart.KIND -> new SwitchPart(camera, f.text("part"), f.truth("on"));
      case SetRig.KIND -> new SetRig(camera, f.list("rig", RigJson::read));
      case SetPart.KIND -> new SetPart(camera, RigJson.read(f.object("part")));
      case Ride.KIND ->
          new Ride(
              camera,
              f.text("part"),
              f.textOrNull("rides"),
              f.word("takes", Base.Takes.values()),
              f.number("frame"));
      case SetCues.KIND -> new SetCues(camera, f.text("part"), f.list("cues", RigJson::cue));
      case PutCue.KIND -> new PutCue(camera, f.text("part"), RigJson.cue(f.object("cue")));
      case MoveCue.KIND ->
          new MoveCue(
              camera, f.text("part"), f.number("frame"), f.number("toFrame"), f.number("travel"));
      case RemoveCue.KIND -> new RemoveCue(camera, f.text("part"), f.number("frame"));
      case PlaceCamera.KIND ->
          new PlaceCamera(
              camera,
              f.number("frame"),
              f.vec("at"),
              f.number("pan"),
              f.number("tilt"),
              f.number("roll"),
              f.truth("key"));
      case Orbit.KIND ->
          new Orbit(
              camera,
              f.number("frame"),
              f.vec("about"),
              f.number("across"),
              f.number("up"),
              f.truth("key"));
      case Level.KIND -> new Level(camera, f.number("frame"), f.truth("key"));
      case SetBack.KIND ->
          new SetBack(
              camera,
              f.orNull("filmBack", StandardsJson::back),
              f.wordOrNull("fit", kite.core.optics.Fit.values()));
      case SetFocus.KIND -> new SetFocus(camera, f.orNull("focus", CameraJson::focus));
      case SetLimits.KIND ->
          new SetLimits(
              camera, f.number("frame"), f.number("nearM"), f.number("farM"), f.truth("key"));
      case Walk.KIND ->
          new Walk(
              camera,
              f.number("frame"),
              f.number("truck"),
              f.number("pedestal"),
              f.number("dolly"),
              f.number("pan"),
              f.number("tilt"),
              f.number("roll"),
              f.truth("key"));
      case SetDepthOfField.KIND -> new SetDepthOfField(camera, f.truth("on"));
      case SetMotionBlur.KIND -> new SetMotionBlur(camera, f.truth("on"));
      default -> throw Fields.bad(f.path("kind"), "names no command: “" + kind + "”");
    };
  }

  public static JsonValue write(Command c) {
    Out o = Out.kind(c.kind());
    if (c instanceof EntityCommand e) write(e, o);
    else if (c instanceof ChannelCommand e) write(e, o);
    else if (c instanceof RigCommand e) write(e, o);
    else if (c instanceof CutCommand e) write(e, o);
    else if (c instanceof ShotCommand e) ShotCommandJson.write(e, o);
    else if (c instanceof SequenceCommand e) write(e, o);
    return o.json;
  }

  private static void write(EntityCommand c, Out o) {
    if (c instanceof Add a) o.put("entity", EntityJson.write(a.entity()));
    else if (c instanceof LetGo l) o.texts("ids", l.ids()).put("frame", l.frame());
    else if (c instanceof Remove r) o.texts("ids", r.ids()).put("letGo", r.letGo());
    else if (c instanceof Rename r) o.put("id", r.id()).put("name", r.name());
    else if (c instanceof Show s) o.texts("ids", s.ids()).put("shown", s.shown());
    else if (c instanceof Lock l) o.texts("ids", l.ids()).put("locked", l.locked());
    else if (c instanceof SetFinish x)
      o.texts("ids", x.ids()).putOrNull("finish", x.finish(), EntityJson::write);
    else if (c instanceof Reshape r)
      o.put("id", r.id()).put("shape", EntityJson.write(r.shape())).put("colour", r.colour());
    else if (c instanceof Nest n)
      o.put("id", n.id())
          .put("parent", n.parent())
          .put("keepPlace", n.keepPlace())
          .put("frame", n.frame());
    else if (c instanceof Attach a)
      o.put("id", a.id()).put("rides", a.rides()).put("anchor", a.anchor()).put("frame", a.frame());
    else if (c instanceof LockChannels l)
      o.put("camera", l.camera()).texts("channels", l.channels()).put("locked", l.locked());
    else if (c instanceof Replace r) o.put("entity", EntityJson.write(r.entity()));
    else if (c instanceof Lay l) o.texts("ids", l.ids()).put("layer", l.layer());
    else if (c instanceof Duplicate d)
      o.texts("ids", d.ids()).texts("newIds", d.newIds()).put("instances", d.instances());
    else if (c instanceof Substitute x)
      o.put("id", x.id())
          .put(
              "marks",
              x.marks(),
              m ->
                  new Out()
                      .put("mark", EntityJson.write(m.mark()))
                      .put("where", RigJson.write(m.where()))
                      .json)
          .put("frame", x.frame());
    else if (c instanceof Reroute r)
      o.put("id", r.id())
          .put("style", r.style())
          .put("closed", r.closed())
          .put("points", r.points(), EntityJson::write);
  }

  private static void write(ChannelCommand c, Out o) {
    o.put("id", c.id()).put("channel", c.channel());
    if (c instanceof SetChannel s) o.put("value", ChannelJson.write(s.value()));
    else if (c instanceof SetValue s)
      o.put("frame", s.frame()).put("value", s.value()).put("key", s.key());
    else if (c instanceof InsertKey i) o.put("frame", i.frame());
    else if (c instanceof RemoveKeys r) o.put("frames", r.frames(), Out::number);
    else if (c instanceof MoveKeys m)
      o.put("frames", m.frames(), Out::number)
          .put("byFrames", m.byFrames())
          .put("byValue", m.byValue());
    else if (c instanceof ShapeKeys s)
      o.put("frames", s.frames(), Out::number).put("shape", s.shape());
    else if (c instanceof DragHandle d)
      o.put("frame", d.frame())
          .put("outgoing", d.outgoing())
          .put("reach", d.reach())
          .put("rise", d.rise());
  }

  private static void write(RigCommand c, Out o) {
    if (c instanceof AddPart a)
      o.put("camera", a.camera()).put("part", RigJson.write(a.part())).put("index", a.index());
    else if (c instanceof RemovePart r) o.put("camera", r.camera()).put("part", r.part());
    else if (c instanceof MovePart m)
      o.put("camera", m.camera()).put("part", m.part()).put("index", m.index());
    else if (c instanceof SwitchPart s)
      o.put("camera", s.camera()).put("part", s.part()).put("on", s.on());
    else if (c instanceof SetCues s)
      o.put("camera", s.camera()).put("part", s.part()).put("cues", s.cues(), RigJson::write);
    else if (c instanceof SetRig s) o.put("camera", s.camera()).put("rig", s.rig(), RigJson::write);
    else if (c instanceof SetPart s)
      o.put("camera", s.camera()).put("part", RigJson.write(s.part()));
    else if (c instanceof Ride r)
      o.put("camera", r.camera())
          .put("part", r.part())
          .put("rides", r.rides())
          .put("takes", r.takes())
          .put("frame", r.frame());
    else if (c instanceof PutCue p)
      o.put("camera", p.camera()).put("part", p.part()).put("cue", RigJson.write(p.cue()));
    else if (c instanceof MoveCue m)
      o.put("camera", m.camera())
          .put("part", m.part())
          .put("frame", m.frame())
          .put("toFrame", m.toFrame())
          .put("travel", m.travel());
    else if (c instanceof RemoveCue r)
      o.put("camera", r.camera()).put("part", r.part()).put("frame", r.frame());
    else if (c instanceof Walk w)
      o.put("camera", w.camera())
          .put("frame", w.frame())
          .put("truck", w.truck())
          .put("pedestal", w.pedestal())
          .put("dolly", w.dolly())
          .put("pan", w.pan())
          .put("tilt", w.tilt())
          .put("roll", w.roll())
          .put("key", w.key());
    else if (c instanceof PlaceCamera p)
      o.put("camera", p.camera())
          .put("frame", p.frame())
          .put("at", p.at())
          .put("pan", p.pan())
          .put("tilt", p.tilt())
          .put("roll", p.roll())
          .put("key", p.key());
    else if (c instanceof Orbit r)
      o.put("camera", r.camera())
          .put("frame", r.frame())
          .put("about", r.about())
          .put("across", r.across())
          .put("up", r.up())
          .put("key", r.key());
    else if (c instanceof Level l)
      o.put("camera", l.camera()).put("frame", l.frame()).put("key", l.key());
    else if (c instanceof SetBack b)
      o.put("camera", b.camera())
          .putOrNull("filmBack", b.filmBack(), StandardsJson::write)
          .put("fit", b.fit());
    else if (c instanceof SetFocus x)
      o.put("camera", x.camera()).putOrNull("focus", x.focus(), CameraJson::write);
    else if (c instanceof SetLimits l)
      o.put("camera", l.camera())
          .put("frame", l.frame())
          .put("nearM", l.nearM())
          .put("farM", l.farM())
          .put("key", l.key());
    else if (c instanceof SetDepthOfField s) o.put("camera", s.camera()).put("on", s.on());
    else if (c instanceof SetMotionBlur s) o.put("camera", s.camera()).put("on", s.on());
  }

  private static void write(CutCommand c, Out o) {
    if (c instanceof Roll r) o.put("id", r.id()).put("frame", r.frame());
    else if (c instanceof Ripple r) o.put("id", r.id()).put("frame", r.frame());
    else if (c instanceof Swap s) o.put("id", s.id()).put("camera", s.camera());
  }

  private static void write(SequenceCommand c, Out o) {
    if (c instanceof Follow f) {
      o.put("standards", StandardsJson.write(f.standards()));
    } else if (c instanceof Amend a) {
      o.put("delta", DeltaJson.write(a.delta()));
    } else if (c instanceof SetHeader s) {
      o.put("header", SequenceJson.write(s.header()));
    } else if (c instanceof Restore r) {
      o.put("put", r.put(), EntityJson::write).texts("remove", r.remove());
      o.put(
          "header",
          r.header() == null ? com.eclipsesource.json.Json.NULL : SequenceJson.write(r.header()));
    }
  }
}
