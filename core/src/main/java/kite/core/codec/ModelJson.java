package kite.core.codec;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.List;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.model.ModelRig;

/** A model's nodes and clips, as the server hands them to the page. */
public final class ModelJson {
  private ModelJson() {}

  public static String write(ModelRig rig) {
    return new Out()
        .put("nodes", rig.nodes(), ModelJson::write)
        .put("clips", rig.clips(), ModelJson::write)
        .json
        .toString();
  }

  private static JsonObject write(ModelRig.Node n) {
    JsonValue bounds = n.bounds() == null ? Json.NULL : Out.numbers(n.bounds());
    return new Out()
        .put("name", n.name())
        .put("parent", n.parent())
        .put("rest", Out.numbers(n.rest()))
        .put("bounds", bounds)
        .put("follows", n.follows())
        .put("weights", Out.numbers(n.weights()))
        .json;
  }

  private static JsonObject write(ModelRig.Clip c) {
    return new Out()
        .put("name", c.name())
        .put("seconds", c.seconds())
        .put("tracks", c.tracks(), ModelJson::write)
        .json;
  }

  private static JsonObject write(ModelRig.Track t) {
    return new Out()
        .put("node", t.node())
        .put("what", t.what())
        .put("width", t.width())
        .put("interpolation", t.interpolation())
        .put("times", Out.numbers(t.times()))
        .put("values", Out.numbers(t.values()))
        .json;
  }

  public static ModelRig read(String text) {
    Fields f = Fields.parse(text);
    List<ModelRig.Node> nodes =
        f.list(
            "nodes",
            n ->
                n.done(
                    new ModelRig.Node(
                        n.text("name"),
                        n.whole("parent"),
                        n.numbers("rest"),
                        n.isNull("bounds") ? null : n.numbers("bounds"),
                        n.whole("follows"),
                        n.numbers("weights"))));
    return f.done(new ModelRig(nodes, f.list("clips", ModelJson::clip)));
  }

  private static ModelRig.Clip clip(Fields f) {
    return f.done(
        new ModelRig.Clip(
            f.text("name"),
            f.number("seconds"),
            f.list(
                "tracks",
                t ->
                    t.done(
                        new ModelRig.Track(
                            t.whole("node"),
                            t.whole("what"),
                            t.whole("width"),
                            t.whole("interpolation"),
                            t.numbers("times"),
                            t.numbers("values"))))));
  }
}
