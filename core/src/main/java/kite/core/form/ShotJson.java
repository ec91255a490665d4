package kite.core.form;

import com.eclipsesource.json.JsonValue;
import kite.core.curve.Channel;
import kite.core.document.Accepted;
import kite.core.document.Board;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;

/** Shots and their takes. */
public final class ShotJson {
  private ShotJson() {}

  static void write(Shot s, Out o) {
    o.put("place", s.place())
        .put("takes", s.takes(), ShotJson::write)
        .put("chosen", s.chosen())
        .putOrNull("handles", s.handles(), n -> Out.number(n))
        .put("status", s.status())
        .put("colour", s.colour())
        .put("notes", s.notes())
        .put(
            "accepted",
            s.accepted(),
            a -> new Out().put("about", a.about()).put("word", a.word()).json)
        .putOrNull("board", s.board(), ShotJson::write);
  }

  static Shot read(String id, String name, Fields f) {
    return new Shot(
        id,
        name,
        f.text("place"),
        f.list("takes", ShotJson::take),
        f.text("chosen"),
        f.isNull("handles") ? null : (Integer) f.whole("handles"),
        f.word("status", Shot.Status.values()),
        f.textOrNull("colour"),
        f.text("notes"),
        f.list("accepted", a -> a.done(new Accepted(a.text("about"), a.text("word")))),
        f.orNull("board", ShotJson::board));
  }

  public static JsonValue write(Board b) {
    return new Out().put("picture", b.picture()).put("shown", b.shown()).json;
  }

  public static Board board(Fields f) {
    return f.done(new Board(f.text("picture"), f.truth("shown")));
  }

  public static JsonValue write(Take t) {
    return new Out()
        .put("id", t.id())
        .put("name", t.name())
        .put("camera", t.camera())
        .put("first", t.first())
        .put("frames", t.frames())
        .put("speed", write(t.speed()))
        .json;
  }

  public static Take take(Fields f) {
    return f.done(
        new Take(
            f.text("id"),
            f.text("name"),
            f.textOrNull("camera"),
            f.number("first"),
            f.whole("frames"),
            speed(f.object("speed"))));
  }

  public static JsonValue write(Speed speed) {
    Out o = Out.kind(speed.kind());
    if (speed instanceof Speed.Steady s)
      return o.put("scene", s.scene()).put("programme", s.programme()).json;
    if (speed instanceof Speed.Curved c) return o.put("curve", ChannelJson.write(c.curve())).json;
    throw new IllegalStateException("a speed that nobody has decided on: " + speed.getClass());
  }

  public static Speed speed(Fields f) {
    String kind = f.text("kind");
    return f.done(
        switch (kind) {
          case Speed.Steady.KIND -> new Speed.Steady(f.whole("scene"), f.whole("programme"));
          case Speed.Curved.KIND -> new Speed.Curved(curve(f));
          default -> throw Fields.bad(f.path("kind"), "names no speed: “" + kind + "”");
        });
  }

  private static Channel.Curve curve(Fields f) {
    if (f.value("curve", ChannelJson::read) instanceof Channel.Curve c) return c;
    throw Fields.bad(f.path("curve"), "must have keys");
  }
}
