package kite.core.delta;

import java.util.List;
import java.util.Map;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Entity;
import kite.core.document.Light;
import kite.core.document.Sequence;

/** Changed fields in an artist's words: “Focal length of Crane down”. */
public final class FieldWords {
  private static final Map<String, String> FIELDS =
      Map.ofEntries(
          Map.entry("name", "the name"),
          Map.entry("rig", "the rig"),
          Map.entry("focus", "the focus"),
          Map.entry("guides", "the guides"),
          Map.entry("shape", "the shape"),
          Map.entry("parent", "the nesting"),
          Map.entry("layer", "the layer"),
          Map.entry("shown", "the eye"),
          Map.entry("locked", "the lock"),
          Map.entry("colour", "the colour"),
          Map.entry("letter", "the letter"),
          Map.entry("attention", "the aim"),
          Map.entry("points", "the points"),
          Map.entry("filmBack", "the film back"),
          Map.entry("firstFrame", "the first frame"),
          Map.entry("camera", "the camera"),
          Map.entry("place", "the place in the programme"),
          Map.entry("takes", "the takes"),
          Map.entry("chosen", "the chosen take"),
          Map.entry("handles", "the handles"),
          Map.entry("status", "the status"),
          Map.entry("notes", "the notes"),
          Map.entry("board", "the board"),
          Map.entry("accepted", "what stays on purpose"));

  private FieldWords() {}

  public static String of(Sequence s, FieldChange c) {
    if (c.id().equals(Delta.HEADER)) return "the sequence’s own settings";
    Entity e = s.get(c.id());
    if (e == null) return c.id();
    String name = "“" + e.name() + "”";
    List<String> p = c.path();
    if (p.isEmpty()) return name;
    int at = p.indexOf("channels");
    if (at < 0 || at + 1 >= p.size())
      return FIELDS.getOrDefault(p.get(0), p.get(0)) + " of " + name;
    ChannelSpec spec = e.channelSpec(part(e, p, at) + p.get(at + 1));
    // channels, its name, keys, the key's frame
    boolean key = p.size() > at + 3 && p.get(at + 2).equals("keys");
    return (spec == null ? p.get(at + 1) : spec.label())
        + (key ? " on " + p.get(at + 3) : "")
        + " of "
        + name;
  }

  /** What stands before a channel's name in its address: the part it belongs to. */
  private static String part(Entity e, List<String> path, int channels) {
    if (e instanceof Camera && path.get(0).equals("rig") && channels == 2) return path.get(1) + "/";
    return e instanceof Light l && l.attention() != null && path.get(0).equals("attention")
        ? l.attention().id() + "/"
        : "";
  }
}
