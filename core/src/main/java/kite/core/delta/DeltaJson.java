package kite.core.delta;

import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import kite.core.form.EntityJson;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.SequenceJson;

/** What an edit did, field by field. A field that was or is not there has no "from" or "to". */
public final class DeltaJson {
  private DeltaJson() {}

  public static JsonObject write(Delta d) {
    return new Out()
        .put("fields", d.fields(), DeltaJson::write)
        .put("added", d.added(), EntityJson::write)
        .put("removed", d.removed(), EntityJson::write)
        .json;
  }

  private static JsonValue write(FieldChange c) {
    JsonArray path = new JsonArray();
    for (String step : c.path()) path.add(step);
    JsonObject o = new JsonObject().add("id", c.id()).add("path", path);
    if (c.from() != null) o.add("from", c.from());
    if (c.to() != null) o.add("to", c.to());
    return o;
  }

  /** Reads a delta; also a change of whole things, as builds before this one wrote them. */
  public static Delta read(String text) {
    Fields f = Fields.parse(text);
    return f.has("before") ? Delta.of(SequenceJson.change(text)) : read(f);
  }

  public static Delta read(Fields f) {
    return f.done(
        new Delta(
            f.list("fields", DeltaJson::field),
            f.list("added", EntityJson::read),
            f.list("removed", EntityJson::read)));
  }

  private static FieldChange field(Fields f) {
    return f.done(
        new FieldChange(f.text("id"), f.texts("path"), f.valueIfAny("from"), f.valueIfAny("to")));
  }
}
