package kite.core.rules;

import java.util.List;
import java.util.Set;
import kite.core.document.Camera;
import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;

/** What a kind of rig part uses of the sequence, and what must hold of it. */
public interface PartRules<P extends RigPart> extends PartKind<P> {
  /** Is told of uses. */
  interface Uses {
    /**
     * @param to id of what is used; null is no use
     */
    void add(String to, Use use);
  }

  /** A part as it starts. */
  P begin(String id);

  /** Where a new one goes on a stack: on top of it. */
  default int place(List<RigPart> rig) {
    return rig.size();
  }

  /** Tells every use that a part makes of others. */
  default void uses(P part, Uses uses) {}

  /** The part when it has let go of all that has one of these ids. */
  default P without(P part, Set<String> gone) {
    return part;
  }

  /** Refuses a part that cannot be in a camera's stack as it is. */
  default void check(Camera c, P part) {}

  /** Those of a part's kind. */
  @SuppressWarnings("unchecked")
  static PartRules<RigPart> of(RigPart part) {
    return (PartRules<RigPart>) PartKinds.of(part);
  }
}
