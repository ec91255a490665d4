package kite.core.command;

import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;

/** One change to a sequence, with a stable JSON form. */
public sealed interface Command
    permits EntityCommand, ChannelCommand, RigCommand, CutCommand, ShotCommand, SequenceCommand {
  /** The word it is known by in stored documents and edits: it never changes. */
  String kind();

  /**
   * The sequence after the change. Rules that span entities are checked afterwards, for all
   * commands of an edit at once, by {@link Rules}.
   *
   * @throws Refusal when the command names something that is not there or not of its kind
   */
  Sequence applyTo(Sequence s);

  /** The entity with an id, as a kind. */
  static <T extends Entity> T need(Sequence s, String id, Class<T> kind) {
    Entity e = s.get(id);
    String what = kind == Entity.class ? "item" : kind.getSimpleName().toLowerCase();
    if (e == null)
      throw new Refusal(
          "missing",
          "" + id,
          "",
          "There is no " + what + " “" + id + "” in this sequence any more.");
    if (!kind.isInstance(e))
      throw new Refusal("kind", id, "", "“" + e.name() + "” is not a " + what + ".");
    return kind.cast(e);
  }
}
