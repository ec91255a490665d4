package kite.core.command;

import java.util.List;
import kite.core.cue.Cue;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Focus;
import kite.core.document.Light;
import kite.core.document.Sequence;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.attention.Attention;
import kite.core.rules.Refusal;

/** Whose cues a command changes: those of a camera's part, of its focus, or of a light's aim. */
public final class Cueing {
  private Cueing() {}

  static Entity owner(Sequence s, String id) {
    Entity e = Command.need(s, id, Entity.class);
    if (e instanceof Camera || e instanceof Light) return e;
    throw new Refusal("kind", id, "", "“" + e.name() + "” has no cues: a camera or a spot has.");
  }

  /** The cues of a part of a camera, of {@link Focus#ID}, or of a light's attention; or null. */
  public static Cued of(Entity owner, String part) {
    if (owner instanceof Camera c)
      return part.equals(Focus.ID) ? c.focus() : c.part(part) instanceof Cued a ? a : null;
    return owner instanceof Light l && l.attention() != null && l.attention().id().equals(part)
        ? l.attention()
        : null;
  }

  static Cued need(Entity owner, String part) {
    Cued found = of(owner, part);
    if (found != null) return found;
    throw new Refusal(
        part.equals(Focus.ID) ? "missing" : "kind",
        owner.id(),
        part,
        part.equals(Focus.ID)
            ? "Focus of “" + owner.name() + "” follows nothing yet. Choose a subject first."
            : "“" + owner.name() + "” has no such cues any more.");
  }

  static Cue at(Entity owner, String part, Cued a, double frame) {
    for (Cue k : a.cues()) if (k.frame() == frame) return k;
    throw new Refusal(
        "missing",
        owner.id(),
        part,
        "“" + owner.name() + "” has no cue at frame " + frame + " any more.");
  }

  static Sequence with(Sequence s, Entity owner, String part, List<Cue> cues) {
    cues.sort((x, y) -> Double.compare(x.frame(), y.frame()));
    Cued now = need(owner, part).withCues(cues);
    if (owner instanceof Light l) return s.with(l.withAttention((Attention) now));
    Camera c = (Camera) owner;
    return s.with(now instanceof Focus f ? c.withFocus(f) : c.withPart((RigPart) now));
  }
}
