package kite.core.form;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.Map;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.rig.Arm;
import kite.core.rig.Attention;
import kite.core.rig.Base;
import kite.core.rig.DollyZoom;
import kite.core.rig.Framings;
import kite.core.rig.Head;
import kite.core.rig.Operator;
import kite.core.rig.Rail;
import kite.core.rig.RigPart;
import kite.core.rig.Slide;
import kite.core.rig.Spring;
import kite.core.rig.Subject;
import kite.core.rig.Trim;

/** Rig parts, subjects and cues. */
public final class RigJson {
  private RigJson() {}

  public static JsonObject write(RigPart p) {
    Out o = Out.kind(p.kind()).put("id", p.id()).put("on", p.on());
    if (p instanceof Base b) o.put("rides", b.rides()).put("takes", b.takes());
    if (p instanceof Rail r)
      o.put("path", r.path())
          .put("facing", r.facing())
          .put("guide", r.guide())
          .put("level", r.level());
    if (p instanceof Arm a) o.put("level", a.level());
    if (p instanceof Framings a) {
      o.put("route", a.route()).put("keepHorizon", a.keepHorizon());
      o.put("cameras", a.cameras(), Json::value).put("cues", a.cues(), RigJson::write);
    }
    if (p instanceof Trim t) o.put("label", t.label()).put("span", span(t.span()));
    if (p instanceof DollyZoom z)
      o.put("subject", z.subject() == null ? Json.NULL : write(z.subject()))
          .put("gives", z.gives())
          .put("mmPerM", z.mmPerM());
    if (p instanceof Operator a)
      o.put("preset", a.preset()).put("stepsPerSecond", a.stepsPerSecond()).put("seed", a.seed());
    if (p instanceof Attention a) {
      o.put("up", a.up()).put("upPiece", a.upPiece()).put("blend", a.blend());
      o.put("subjects", a.subjects(), RigJson::write).put("cues", a.cues(), RigJson::write);
    }
    return o.put("channels", ChannelJson.write(p.channels())).json;
  }

  public static RigPart read(Fields f) {
    String kind = f.text("kind"), id = f.text("id");
    boolean on = f.truth("on");
    return f.done(
        switch (kind) {
          case Base.KIND ->
              new Base(
                  id,
                  on,
                  f.textOrNull("rides"),
                  f.word("takes", Base.Takes.values()),
                  ChannelJson.channels(f));
          case Rail.KIND ->
              new Rail(
                  id,
                  on,
                  f.textOrNull("path"),
                  f.word("facing", Rail.Facing.values()),
                  f.textIfAny("guide"),
                  f.truth("level"),
                  ChannelJson.channels(f));
          case Slide.KIND -> new Slide(id, on, ChannelJson.channels(f));
          case Head.KIND -> new Head(id, on, ChannelJson.channels(f));
          case Attention.KIND ->
              new Attention(
                  id,
                  on,
                  f.word("up", Attention.Up.values()),
                  f.textOrNull("upPiece"),
                  f.word("blend", Attention.Blend.values()),
                  f.list("subjects", RigJson::subject),
                  f.list("cues", RigJson::cue),
                  ChannelJson.channels(f));
          case Arm.KIND -> new Arm(id, on, f.truth("level"), ChannelJson.channels(f));
          case Framings.KIND ->
              new Framings(
                  id,
                  on,
                  f.word("route", Framings.Route.values()),
                  f.truth("keepHorizon"),
                  f.texts("cameras"),
                  f.list("cues", RigJson::cue),
                  ChannelJson.channels(f));
          case Trim.KIND ->
              new Trim(
                  id,
                  on,
                  f.text("label"),
                  f.orNull("span", RigJson::span),
                  ChannelJson.channels(f));
          case DollyZoom.KIND ->
              new DollyZoom(
                  id,
                  on,
                  f.orNull("subject", RigJson::subject),
                  f.word("gives", DollyZoom.Gives.values()),
                  f.number("mmPerM"),
                  ChannelJson.channels(f));
          case Spring.KIND -> new Spring(id, on, ChannelJson.channels(f));
          case Operator.KIND ->
              new Operator(
                  id,
                  on,
                  f.word("preset", Operator.Preset.values()),
                  f.number("stepsPerSecond"),
                  f.whole("seed"),
                  ChannelJson.channels(f));
          default -> throw Fields.bad(f.path("kind"), "names no rig part: “" + kind + "”");
        });
  }

  private static JsonValue span(Trim.Span s) {
    if (s == null) return Json.NULL;
    return new Out()
        .put("first", s.first())
        .put("last", s.last())
        .put("fadeIn", s.fadeIn())
        .put("fadeOut", s.fadeOut())
        .json;
  }

  private static Trim.Span span(Fields f) {
    return f.done(
        new Trim.Span(
            f.number("first"), f.number("last"), f.number("fadeIn"), f.number("fadeOut")));
  }

  public static JsonValue write(Subject s) {
    return new Out()
        .put("entity", s.entity())
        .put("anchor", s.anchor())
        .put("offset", s.offset())
        .json;
  }

  public static Subject subject(Fields f) {
    return f.done(new Subject(f.text("entity"), f.textOrNull("anchor"), f.vec("offset")));
  }

  public static JsonValue write(Cue c) {
    JsonObject mix = new JsonObject();
    for (Map.Entry<String, Double> e : c.mix().entrySet())
      mix.add(e.getKey(), Out.number(e.getValue()));
    return new Out()
        .put("frame", c.frame())
        .put("travel", c.travel())
        .put("ease", c.ease())
        .put("mix", mix)
        .json;
  }

  public static Cue cue(Fields f) {
    return f.done(
        new Cue(
            f.number("frame"),
            f.number("travel"),
            f.word("ease", Ease.values()),
            f.map("mix", Fields::number)));
  }
}
