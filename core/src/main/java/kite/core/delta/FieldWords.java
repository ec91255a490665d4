package kite.core.delta;

import java.util.List;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Sequence;

/** Changed fields in an artist's words: “Focal length of Crane down”. */
public final class FieldWords {
  private FieldWords() {}

  public static String of(Sequence s, FieldChange c) {
    if (c.id().equals(Delta.HEADER)) return "the sequence’s own settings";
    Entity e = s.get(c.id());
    String name = e == null ? c.id() : "“" + e.name() + "”";
    List<String> p = c.path();
    if (e == null || p.isEmpty()) return name;
    int at = p.indexOf("channels");
    if (at >= 0 && at + 1 < p.size()) {
      String part = e instanceof Camera && at == 2 ? p.get(1) + "/" : at == 1 ? p.get(0) + "/" : "";
      ChannelSpec spec = e.channelSpec(part + p.get(at + 1));
      if (spec == null && at == 1) spec = e.channelSpec("look/" + p.get(at + 1));
      String key = p.size() > at + 3 && p.get(at + 2).equals("keys") ? " on " + p.get(at + 3) : "";
      return (spec == null ? p.get(at + 1) : spec.label()) + key + " of " + name;
    }
    return FIELDS.getOrDefault(p.get(0), p.get(0)) + " of " + name;
  }

  private static final java.util.Map<String, String> FIELDS =
      java.util.Map.ofEntries(
          java.util.Map.entry("name", "the name"),
          java.util.Map.entry("rig", "the rig"),
          java.util.Map.entry("focus", "the focus"),
          java.util.Map.entry("guides", "the guides"),
          java.util.Map.entry("shape", "the shape"),
          java.util.Map.entry("parent", "the nesting"),
          java.util.Map.entry("layer", "the layer"),
          java.util.Map.entry("shown", "the eye"),
          java.util.Map.entry("locked", "the lock"),
          java.util.Map.entry("colour", "the colour"),
          java.util.Map.entry("letter", "the letter"),
          java.util.Map.entry("attention", "the aim"),
          java.util.Map.entry("points", "the points"),
          java.util.Map.entry("filmBack", "the film back"),
          java.util.Map.entry("firstFrame", "the first frame"),
          java.util.Map.entry("camera", "the camera"));
}
