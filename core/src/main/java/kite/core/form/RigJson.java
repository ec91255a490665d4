package kite.core.form;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.Map;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/** Rig parts, subjects and cues. */
public final class RigJson {
  private RigJson() {}

  public static JsonObject write(RigPart p) {
    Out o = Out.kind(p.kind()).put("id", p.id()).put("on", p.on());
    PartForm.of(p).write(p, o);
    return o.put("channels", ChannelJson.write(p.channels())).json;
  }

  public static RigPart read(Fields f) {
    String kind = f.text("kind"), id = f.text("id");
    boolean on = f.truth("on");
    if (!(PartKinds.named(kind) instanceof PartForm<?> form))
      throw Fields.bad(f.path("kind"), "names no rig part: “" + kind + "”");
    return f.done(form.read(f, id, on, ChannelJson.channels(f)));
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
            f.map("mix", Value::number)));
  }
}
