package kite.core.codec;

import com.eclipsesource.json.JsonObject;
import java.util.Map;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.form.RigJson;
import kite.core.form.Value;
import kite.core.readyrig.SavedRig;
import kite.core.rules.Refusal;

/** Saved rigs: {@code {"rig": [parts], "names": {id: name}}}. */
public final class SavedRigJson {
  /** More parts than any stack has. */
  private static final int MOST_PARTS = 200;

  private SavedRigJson() {}

  public static String write(SavedRig r) {
    return json(r).toString();
  }

  public static JsonObject json(SavedRig r) {
    JsonObject names = new JsonObject();
    for (Map.Entry<String, String> e : r.names().entrySet()) names.add(e.getKey(), e.getValue());
    return new Out().put("rig", r.rig(), RigJson::write).put("names", names).json;
  }

  /**
   * @throws Refusal with the path to the field at fault
   */
  public static SavedRig read(String text) {
    Fields f = Fields.parse(text);
    SavedRig r = new SavedRig(f.list("rig", RigJson::read), f.map("names", Value::text));
    if (r.rig().isEmpty() || r.rig().size() > MOST_PARTS)
      throw Fields.bad("$.rig", "holds 1 to " + MOST_PARTS + " parts");
    return f.done(r);
  }
}
