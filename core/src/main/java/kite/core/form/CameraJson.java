package kite.core.form;

import com.eclipsesource.json.JsonValue;
import kite.core.document.Camera;
import kite.core.document.Focus;
import kite.core.document.Guide;
import kite.core.optics.Fit;

/** Cameras, with their focus and guides. */
public final class CameraJson {
  private CameraJson() {}

  public static void write(Camera c, Out o) {
    o.put("letter", c.letter())
        .put("colour", c.colour())
        .put("locked", c.locked())
        .texts("lockedChannels", c.lockedChannels())
        .put("depthOfField", c.depthOfField())
        .put("motionBlur", c.motionBlur())
        .putOrNull("filmBack", c.filmBack(), StandardsJson::write)
        .put("fit", c.fit())
        .put("iconSize", c.iconSize())
        .putOrNull("focus", c.focus(), CameraJson::write)
        .put("guides", c.guides(), CameraJson::write)
        .put("surround", c.surround())
        .put("layer", c.layer())
        .put("shown", c.shown())
        .put("channels", ChannelJson.write(c.channels()))
        .put("rig", c.rig(), RigJson::write);
  }

  public static Camera read(String id, String name, Fields f) {
    return new Camera(
        id,
        name,
        f.text("letter"),
        f.text("colour"),
        f.truth("locked"),
        f.texts("lockedChannels"),
        f.truth("depthOfField"),
        f.truthOr("motionBlur", false),
        f.orNull("filmBack", StandardsJson::back),
        f.wordOrNull("fit", Fit.values()),
        f.number("iconSize"),
        f.orNull("focus", CameraJson::focus),
        f.list("guides", CameraJson::guide),
        f.number("surround"),
        f.textIfAny("layer"),
        f.truthOr("shown", true),
        ChannelJson.channels(f),
        f.list("rig", RigJson::read));
  }

  public static JsonValue write(Focus x) {
    return new Out()
        .put("subjects", x.subjects(), RigJson::write)
        .put("cues", x.cues(), RigJson::write)
        .json;
  }

  public static Focus focus(Fields f) {
    return f.done(new Focus(f.list("subjects", RigJson::subject), f.list("cues", RigJson::cue)));
  }

  public static JsonValue write(Guide g) {
    return new Out()
        .put("form", g.form())
        .put("across", g.across())
        .put("down", g.down())
        .put("turn", g.turn())
        .put("colour", g.colour())
        .put("strength", g.strength())
        .json;
  }

  public static Guide guide(Fields f) {
    return f.done(
        new Guide(
            f.word("form", Guide.Rule.values()),
            f.number("across"),
            f.number("down"),
            f.whole("turn"),
            f.text("colour"),
            f.number("strength")));
  }
}
