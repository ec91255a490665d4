package kite.core.form;

import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;

/** Whole sequences and changes. */
public final class SequenceJson {
  /** The version of the form this code reads and writes. */
  public static final int FORMAT = 1;

  private SequenceJson() {}

  public static String write(Sequence s) {
    return json(s).toString();
  }

  public static JsonObject json(Sequence s) {
    return new Out()
        .put("format", FORMAT)
        .put("header", write(s.header()))
        .put("entities", s.entities().values(), EntityJson::write)
        .json;
  }

  /**
   * Reads a sequence and checks every rule.
   *
   * @throws Refusal with the path to the field at fault
   */
  public static Sequence read(String text) {
    Fields f = Fields.parse(text);
    if (f.whole("format") != FORMAT)
      throw Fields.bad(
          "$.format", "is a version this program does not read; it reads version " + FORMAT);
    Map<String, Entity> entities = new TreeMap<>();
    for (Entity e : f.list("entities", EntityJson::read)) {
      if (entities.put(e.id(), e) != null)
        throw new Refusal("taken", e.id(), "$.entities", "The id " + e.id() + " is used twice.");
    }
    Sequence s = f.done(new Sequence(header(f.object("header")), entities));
    Rules.check(s, new Change(Map.of(), s.entities(), null, s.header()));
    return s;
  }

  public static JsonObject write(Header h) {
    return new Out()
        .put("code", h.code())
        .put("title", h.title())
        .put("firstFrame", h.firstFrame())
        .put("lastFrame", h.lastFrame())
        .put("displayUnit", h.displayUnit())
        .put("gridM", h.gridM())
        .put("gridLines", h.gridLines())
        .put("standards", StandardsJson.write(h.standards()))
        .put("own", StandardsJson.write(h.own()))
        .put("sets", h.sets(), SequenceJson::write)
        .json;
  }

  private static JsonValue write(PlacedSet p) {
    JsonObject ids = new JsonObject();
    p.ids().forEach(ids::add);
    return new Out()
        .put("id", p.id())
        .put("set", p.set())
        .put("name", p.name())
        .put("version", p.version())
        .put("ids", ids)
        .json;
  }

  private static PlacedSet set(Fields f) {
    return f.done(
        new PlacedSet(
            f.text("id"),
            f.text("set"),
            f.text("name"),
            f.whole("version"),
            f.map("ids", Value::text)));
  }

  /** Reads a header as {@link #write(Header)} writes it. */
  public static Header readHeader(JsonObject o) {
    return header(Fields.of(o, "$"));
  }

  public static Header header(Fields f) {
    return f.done(
        new Header(
            f.text("code"),
            f.text("title"),
            f.whole("firstFrame"),
            f.whole("lastFrame"),
            f.text("displayUnit"),
            f.number("gridM"),
            f.whole("gridLines"),
            StandardsJson.read(f.object("standards")),
            StandardsJson.own(f.object("own")),
            f.has("sets") ? f.list("sets", SequenceJson::set) : List.of()));
  }

  public static String write(Change c) {
    return json(c).toString();
  }

  public static JsonObject json(Change c) {
    return new Out()
        .put("before", entities(c.before()))
        .put("after", entities(c.after()))
        .put("headerBefore", header(c.headerBefore()))
        .put("headerAfter", header(c.headerAfter()))
        .json;
  }

  /** Reads a change as {@link #write(Change)} wrote it; rules are not checked. */
  public static Change change(String text) {
    Fields f = Fields.parse(text);
    return f.done(
        new Change(
            f.map("before", v -> EntityJson.read(v.object())),
            f.map("after", v -> EntityJson.read(v.object())),
            headerOrNull(f, "headerBefore"),
            headerOrNull(f, "headerAfter")));
  }

  private static JsonObject entities(Map<String, Entity> all) {
    JsonObject o = new JsonObject();
    for (Map.Entry<String, Entity> e : all.entrySet())
      o.add(e.getKey(), EntityJson.write(e.getValue()));
    return o;
  }

  private static com.eclipsesource.json.JsonValue header(Header h) {
    return h == null ? com.eclipsesource.json.Json.NULL : write(h);
  }

  public static Header headerOrNull(Fields f, String name) {
    return f.isNull(name) ? null : header(f.object(name));
  }
}
