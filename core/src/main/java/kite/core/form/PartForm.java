package kite.core.form;

import kite.core.document.Channels;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;

/**
 * How a kind of rig part is written in JSON, beside its kind, its id, its switch and its channels.
 */
public interface PartForm<P extends RigPart> extends PartKind<P> {
  /** Writes what the kind has of its own. */
  default void write(P part, Out out) {}

  /** Reads it, and makes the part with what is read already. */
  P read(Fields f, String id, boolean on, Channels channels);

  /** That of a part's kind. */
  @SuppressWarnings("unchecked")
  static PartForm<RigPart> of(RigPart part) {
    return (PartForm<RigPart>) PartKinds.of(part);
  }
}
