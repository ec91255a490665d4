package kite.core.rules;

import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Layer;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Sequence;

/** What may not be changed, and why. */
public final class Locks {
  private Locks() {}

  /** Why a channel may not be changed, as one sentence; null when it may. */
  public static String why(Sequence s, Entity e, String channel) {
    if (e instanceof Camera c) {
      if (c.locked()) return "Camera " + c.letter() + " is locked. Unlock it in the roster first.";
      if (c.lockedChannels().contains(channel))
        return c.channelSpec(channel).label()
            + " of camera "
            + c.letter()
            + " is locked. Right-click it to unlock.";
    }
    if (e instanceof Piece p && p.locked())
      return "“" + p.name() + "” is locked. Unlock it in the roster first.";
    String layer =
        e instanceof Piece p
            ? p.layer()
            : e instanceof Light l
                ? l.layer()
                : e instanceof Mark m ? m.layer() : e instanceof Camera c ? c.layer() : null;
    if (s.get(layer) instanceof Layer l && l.locked())
      return "“"
          + e.name()
          + "” lies on the locked layer “"
          + l.name()
          + "”. Unlock the layer first.";
    return null;
  }

  public static void check(Sequence s, Entity e, String channel) {
    String why = why(s, e, channel);
    if (why != null) throw new Refusal("locked", e.id(), channel, why);
  }
}
