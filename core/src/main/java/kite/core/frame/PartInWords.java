package kite.core.frame;

import kite.core.rig.PartKind;
import kite.core.rig.PartKinds;
import kite.core.rig.RigPart;

/** What a kind of rig part says of itself. */
public interface PartInWords<P extends RigPart> extends PartKind<P> {
  /** What a part that is on does at a frame, in one line. */
  String says(P part, PartWords at);

  /** That of a part's kind. */
  @SuppressWarnings("unchecked")
  static PartInWords<RigPart> of(RigPart part) {
    return (PartInWords<RigPart>) PartKinds.of(part);
  }
}
